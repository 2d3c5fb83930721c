// What a browser makes of the views, as it is and on a processor four times slower: a part of `npm run bench`.
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import puppeteer from 'puppeteer-core';
import { quantile, views } from './bench-views.mjs';

/** How many times slower the processor of the browser is made. */
const slower = 4;
/** A view is looked at so often on it: the middle one counts. */
const timesLooked = 5;
const pages = Object.entries(views).filter(([, path]) => !path.startsWith('/api'));

/** @typedef {{ largestPaint: number, longestTask: number }} Looked */

/** Runs in the page before anything else. */
function watch() {
  /** @type {Looked} */
  const looked = { largestPaint: 0, longestTask: 0 };
  Object.assign(window, { looked });
  new PerformanceObserver((list) => {
    for (const one of list.getEntries()) looked.largestPaint = Math.max(looked.largestPaint, one.startTime);
  }).observe({ type: 'largest-contentful-paint', buffered: true });
  new PerformanceObserver((list) => {
    for (const one of list.getEntries()) looked.longestTask = Math.max(looked.longestTask, one.duration);
  }).observe({ type: 'longtask', buffered: true });
}

/**
 * Runs in the page: how long after a key is pressed the screen shows what came of it. What stands in the page when a
 * frame begins is on the screen when that frame has been painted: then the next task runs.
 * @param {string} text what the bar of the reading says in the end; empty for the next picture of the screen
 * @returns {Promise<number>}
 */
function fromKey(text) {
  return new Promise((resolve, reject) => {
    const said = () => document.querySelector('[aria-label="Reading to enter"]')?.textContent ?? '';
    setTimeout(() => reject(new Error(`not shown: ${text}; the bar says ${said()}`)), 10_000);
    const shows = () => !text || said().includes(text);
    if (text && shows()) throw new Error(`the bar says already: ${text}`);
    document.addEventListener(
      'keydown',
      ({ timeStamp }) => {
        Object.assign(window, { isArmed: false });
        const look = () =>
          shows() ? setTimeout(() => resolve(performance.now() - timeStamp)) : requestAnimationFrame(look);
        requestAnimationFrame(look);
      },
      { capture: true, once: true },
    );
    Object.assign(window, { isArmed: true });
  });
}

/**
 * JavaScript of a first visit to each view in bytes as they travel, what comes with the page and what it fetches when
 * it stands; largest paint and longest task on a slow processor, in ms; at inspection how long a digit takes to the
 * screen, and Enter to the verdict.
 * @param {string} base
 * @param {string} chromium
 */
export async function browserFigures(base, chromium) {
  const profile = mkdtempSync(join(tmpdir(), 'puddlestone-chromium-'));
  const browser = await puppeteer.launch({
    executablePath: chromium,
    userDataDir: profile,
    args: ['--headless', '--no-sandbox', '--disable-gpu', '--disable-dev-shm-usage'],
  });
  try {
    const page = await browser.newPage();
    await page.setViewport({ width: 1280, height: 800 });
    await page.evaluateOnNewDocument(watch);
    const client = await page.createCDPSession();
    await client.send('Network.enable');
    await client.send('Page.enable');
    /** When the answer to each request for a script came, in seconds of the browser's clock. */
    const scripts = new Map();
    let loadedAt = Infinity;
    const bytes = { withPage: 0, later: 0 };
    client.on('Page.loadEventFired', ({ timestamp }) => (loadedAt = timestamp));
    client.on(
      'Network.responseReceived',
      ({ requestId, type, timestamp }) => type === 'Script' && scripts.set(requestId, timestamp),
    );
    client.on('Network.loadingFinished', ({ requestId, encodedDataLength }) => {
      const came = scripts.get(requestId);
      if (came !== undefined) bytes[came <= loadedAt ? 'withPage' : 'later'] += encodedDataLength;
    });
    await page.goto(`${base}/sign-in`, { waitUntil: 'networkidle2' });
    await page.type('input[name=email]', 'sunniva@kettlewick.example');
    await page.type('input[name=password]', 'pebble-in-the-stream');
    await Promise.all([page.waitForNavigation({ waitUntil: 'networkidle2' }), page.click('button[type=submit]')]);
    /** @type {Record<string, { javascript: { withPage: number, later: number } } & Looked>} */
    const found = {};
    // A quote as its customer sees it: by the link of a letter.
    await page.goto(`${base}/outbox`, { waitUntil: 'networkidle0' });
    const links = await page.$$eval('a[href^="/customer/"]', (all) => all.map((one) => one.getAttribute('href') ?? ''));
    // Links of offers that were revised, and those to all pumps of a customer, open other pages.
    const link = await page.evaluate(async (all) => {
      for (const one of all.reverse()) if ((await (await fetch(one)).text()).includes('id="offer"')) return one;
      return null;
    }, links);
    /** @type {[string, string][]} */
    const customers = link === null ? [] : [['customer', link]];
    for (const [name, path] of [...pages, ...customers]) {
      await client.send('Network.clearBrowserCache');
      await client.send('Emulation.setCPUThrottlingRate', { rate: 1 });
      Object.assign(bytes, { withPage: 0, later: 0 });
      loadedAt = Infinity;
      await page.goto(base + path, { waitUntil: 'networkidle0' });
      const javascript = { ...bytes };
      // With what the browser has kept, as on any day but the first.
      await client.send('Emulation.setCPUThrottlingRate', { rate: slower });
      /** @type {Looked[]} */
      const looks = [];
      for (let i = 0; i < timesLooked; i++) {
        await page.goto(base + path, { waitUntil: 'networkidle0' });
        looks.push(/** @type {Looked} */ (await page.evaluate('window.looked')));
      }
      const middle = (/** @type {keyof Looked} */ what) =>
        quantile(
          looks.map((one) => one[what]),
          0.5,
        );
      found[name] = { javascript, largestPaint: middle('largestPaint'), longestTask: middle('longestTask') };
    }
    return { views: found, ...(await keysAt(page, base + views.inspect)) };
  } finally {
    await browser.close();
    rmSync(profile, { recursive: true, force: true });
  }
}

/** @param {import('puppeteer-core').Page} page @param {string} address */
async function keysAt(page, address) {
  const field = 'input[aria-label^="Reading of"]';
  await page.goto(address, { waitUntil: 'networkidle0' });
  await page.waitForSelector(field);
  await page.focus(field);
  /** @param {string} key @param {string} text */
  const press = async (key, text) => {
    const shown = page.evaluate(fromKey, text);
    await page.waitForFunction('window.isArmed');
    await page.keyboard.press(/** @type {import('puppeteer-core').KeyInput} */ (key));
    return shown;
  };
  // Less than any before it, so that the page says it: in a folder that stays, than that of the run before.
  const said = await page.$eval('[aria-label="Reading to enter"]', (bar) => bar.textContent ?? '');
  const worst = /worst so far ([\d.]+)/.exec(said)?.[1];
  const value = (Number(worst ?? 44.997) - 0.001).toFixed(3);
  const digits = [];
  for (const digit of value) digits.push(await press(digit, ''));
  return {
    digit: quantile(digits, 0.5),
    slowestDigit: Math.max(...digits),
    verdict: await press('Enter', `worst so far ${value}`),
  };
}
