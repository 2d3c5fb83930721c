// npm run screenshots: one current picture of each main view out of the demonstration shop of a running copy
// (npm start first; BASE_URL when it is not at http://localhost:4170). Written to docs/screenshots.
import { mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import puppeteer from 'puppeteer-core';
import { ensureBrowser } from './lib/packages.mjs';

const base = process.env.BASE_URL ?? 'http://localhost:4170';
const folder = join(import.meta.dirname, '..', 'docs', 'screenshots');
const profile = mkdtempSync(join(tmpdir(), 'puddlestone-chromium-'));
mkdirSync(folder, { recursive: true });

const browser = await puppeteer.launch({
  executablePath: ensureBrowser(),
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

await shoot('floor', '/', {
  before: async () => {
    await page.type('header input', '0406');
    await wait(600);
  },
});
await shoot('receive', '/jobs/P-0435');
await shoot('teardown', '/jobs/P-0410');
await shoot('clean', '/jobs/P-0421', {
  before: () => page.click('section[aria-label=Baskets] button'),
});
await shoot('inspect', '/jobs/P-0411');
await shoot('quote', '/jobs/P-0402');
await shoot('parts', '/parts');
await shoot('rebuild', '/jobs/P-0412');
await page.evaluate(() => (document.cookie = 'theme=dark; path=/'));
await shoot('stand', '/jobs/P-0415');
await page.evaluate(() => (document.cookie = 'theme=light; path=/'));
await shoot('report', '/jobs/P-0419?at=report');
await shoot('return', '/jobs/P-0418');
await shoot('library', '/library');
await shoot('buying-plan', '/parts/plan');
await shoot('plan', '/plan');
await shoot('week', '/desk');
await shoot('pump', '/pumps/P-0411', { before: () => wait(2500) });
await shoot('promise', '/plan/promise', { before: () => wait(5000) });
await shoot('sums-packing', '/sums?sum=packing');
await page.goto(`${base}/outbox`, { waitUntil: 'networkidle2' });
const link = await page.$$eval('details', (all) =>
  all
    .find((one) => one.innerText.includes('P-0406'))
    ?.querySelector('a[href^="/customer/"]')
    ?.getAttribute('href'),
);
if (link) await shoot('customer-phone', link, { width: 390, height: 844 });
await browser.close();
rmSync(profile, { recursive: true, force: true });
