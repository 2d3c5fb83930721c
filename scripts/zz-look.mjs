// npm run screenshots: one current picture of each main view out of the demonstration shop of a running copy
// (npm start first; BASE_URL when it is not at http://localhost:4170). Written to docs/screenshots.
import { mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import puppeteer from 'puppeteer-core';

const base = process.env.BASE_URL ?? 'http://localhost:4170';
const folder = '/tmp/draw/look';
const profile = mkdtempSync(join(tmpdir(), 'puddlestone-chromium-'));
mkdirSync(folder, { recursive: true });

const browser = await puppeteer.launch({
  executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
  userDataDir: profile,
  args: [
    '--headless',
    '--no-sandbox',
    '--disable-gpu',
    '--disable-dev-shm-usage',
    '--hide-scrollbars',
    '--force-color-profile=srgb',
  ],
});
const page = await browser.newPage();
const wait = (/** @type {number} */ ms) => new Promise((resolve) => setTimeout(resolve, ms));

/**
 * @param {string} name
 * @param {string} path
 * @param {{ width?: number, height?: number, before?: () => Promise<unknown> }} how
 */
async function shoot(name, path, { width = 1280, height = 800, before } = {}) {
  await page.setViewport({ width, height });
  await page.goto(base + path, { waitUntil: 'networkidle2' });
  await wait(600);
  if (before) await before();
  await wait(300);
  await page.screenshot({ path: join(folder, `${name}.png`) });
}

await page.setViewport({ width: 1280, height: 800 });
await page.goto(`${base}/sign-in`, { waitUntil: 'networkidle2' });
await page.type('input[name=email]', 'sunniva@kettlewick.example');
await page.type('input[name=password]', 'pebble-in-the-stream');
await Promise.all([page.waitForNavigation({ waitUntil: 'networkidle2' }), page.click('button[type=submit]')]);

for (const a of process.argv.slice(2)) { const [name,path,w='1280',h='800']=a.split('@'); await shoot(name,path,{width:+w,height:+h}); }
await browser.close();
rmSync(profile, { recursive: true, force: true });

