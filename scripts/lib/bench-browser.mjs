// What a browser makes of the views, as it is and on a processor four times slower: a part of `npm run bench`.
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import puppeteer from 'puppeteer-core';
import { quantile, views } from './bench-views.mjs';

/** How many times slower the processor of the browser is made. */
const slower = 4;
/** Views are looked at in turn, each so often: the middle look counts. */
const timesLooked = 5;
const pages = Object.entries(views).filter(([, path]) => !path.startsWith('/api'));
const size = { width: 1280, height: 800 };

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
 * Runs in the page: resolves when it has stood, nothing was fetched and no task was long for most of a second.
 * @returns {Promise<void>}
 */
function untilQuiet() {
  let last = performance.now();
  const note = () => (last = performance.now());
  const observer = new PerformanceObserver(note);
  observer.observe({ entryTypes: ['resource', 'longtask'] });
  return new Promise((resolve) => {
    const timer = setInterval(() => {
      if (document.readyState !== 'complete' || performance.now() - last < 800) return;
      observer.disconnect();
      clearInterval(timer);
      resolve();
    }, 100);
  });
}

/**
 * Runs in the page: how long after a key is pressed the screen shows what came of it. What stands in the page when a
 * frame begins is on the screen when that frame has been painted: then the next task runs.
 * @param {string} text what the bar of the reading says in the end; empty for the next picture of the screen
 */
function fromKey(text) {
  const said = () => document.querySelector('[aria-label="Reading to enter"]')?.textContent ?? '';
  const shows = () => !text || said().includes(text);
  if (text && shows()) throw new Error(`the bar says already: ${text}`);
  const shown = new Promise((resolve, reject) => {
    setTimeout(() => reject(new Error(`not shown: ${text}; the bar says ${said()}`)), 10_000);
    document.addEventListener(
      'keydown',
      ({ timeStamp }) => {
        const look = () =>
          shows() ? setTimeout(() => resolve(performance.now() - timeStamp)) : requestAnimationFrame(look);
        requestAnimationFrame(look);
      },
      { capture: true, once: true },
    );
  });
  Object.assign(window, { shown });
}

/**
 * A page of a browser that nobody examines, as people have it: with the domain of the running script that a driver
 * switches on, stacks are kept and functions parsed again for them, and the longest task is a fifth longer to twice as
 * long (docs/decisions/0048).
 * @param {import('puppeteer-core').Browser} browser
 */
async function plainPage(browser) {
  const whole = await browser.target().createCDPSession();
  const mark = 'about:blank#plain';
  await whole.send('Target.createTarget', { url: mark, ...size });
  const target = await browser.waitForTarget((one) => one.url() === mark);
  const client = await target.createCDPSession();
  await client.send('Page.enable');
  await client.send('Emulation.setDeviceMetricsOverride', { ...size, deviceScaleFactor: 1, mobile: false });
  await client.send('Page.addScriptToEvaluateOnNewDocument', { source: `(${watch})()` });
  /** Runs in the page. @param {string} expression */
  const evaluate = async (expression) => {
    const said = await client.send('Runtime.evaluate', { expression, awaitPromise: true, returnByValue: true });
    if (said.exceptionDetails) throw new Error(said.exceptionDetails.exception?.description ?? expression);
    return said.result.value;
  };
  return {
    evaluate,
    slow: (/** @type {number} */ rate) => client.send('Emulation.setCPUThrottlingRate', { rate }),
    /** @param {string} url @returns {Promise<Looked>} */
    look: async (url) => {
      const loaded = new Promise((resolve) => client.once('Page.loadEventFired', resolve));
      await client.send('Page.navigate', { url });
      await loaded;
      await evaluate(`(${untilQuiet})()`);
      return evaluate('looked');
    },
    /** @param {string} key a digit, a point or Enter */
    press: async (key) => {
      const text = key === 'Enter' ? '\r' : key;
      const windowsVirtualKeyCode = key === 'Enter' ? 13 : key === '.' ? 190 : key.charCodeAt(0);
      await client.send('Input.dispatchKeyEvent', { type: 'keyDown', key, text, windowsVirtualKeyCode });
      await client.send('Input.dispatchKeyEvent', { type: 'keyUp', key, windowsVirtualKeyCode });
    },
  };
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
    await page.setViewport(size);
    await page.goto(`${base}/sign-in`, { waitUntil: 'networkidle2' });
    await page.type('input[name=email]', 'sunniva@kettlewick.example');
    await page.type('input[name=password]', 'pebble-in-the-stream');
    await Promise.all([page.waitForNavigation({ waitUntil: 'networkidle2' }), page.click('button[type=submit]')]);
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
    const all = [...pages, ...customers];
    const sizes = await javascriptOf(page, base, all);
    await page.goto('about:blank');
    const plain = await plainPage(browser);
    // With what the browser has kept, as on any day but the first.
    for (const [, path] of all) await plain.look(base + path);
    await plain.slow(slower);
    /** @type {Record<string, Looked[]>} */
    const looks = {};
    for (let i = 0; i < timesLooked; i++)
      for (const [name, path] of all) (looks[name] ??= []).push(await plain.look(base + path));
    const found = Object.fromEntries(
      all.map(([name]) => {
        const middle = (/** @type {keyof Looked} */ what) =>
          quantile(
            (looks[name] ?? []).map((one) => one[what]),
            0.5,
          );
        const javascript = sizes[name] ?? { withPage: 0, later: 0 };
        return [name, { javascript, largestPaint: middle('largestPaint'), longestTask: middle('longestTask') }];
      }),
    );
    return { views: found, ...(await keysAt(plain, base + views.inspect)) };
  } finally {
    await browser.close();
    rmSync(profile, { recursive: true, force: true });
  }
}

/**
 * @param {import('puppeteer-core').Page} page
 * @param {string} base
 * @param {readonly (readonly [string, string])[]} all
 */
async function javascriptOf(page, base, all) {
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
  /** @type {Record<string, { withPage: number, later: number }>} */
  const found = {};
  for (const [name, path] of all) {
    await client.send('Network.clearBrowserCache');
    Object.assign(bytes, { withPage: 0, later: 0 });
    loadedAt = Infinity;
    await page.goto(base + path, { waitUntil: 'networkidle0' });
    found[name] = { ...bytes };
  }
  await client.detach();
  return found;
}

/** Runs in the page. */
function pickSeat() {
  const rows = [...document.querySelectorAll('li[id^="point-"] button[aria-expanded]')];
  const seat = rows.find((row) => row.textContent?.includes('Shaft at the wet-end bearing seat'));
  if (!(seat instanceof HTMLElement)) throw new Error('the sheet has no seat of the wet-end bearing');
  seat.click();
}

/** @param {Awaited<ReturnType<typeof plainPage>>} plain @param {string} address */
async function keysAt(plain, address) {
  /** @param {string} key @param {string} text */
  const press = async (key, text) => {
    await plain.evaluate(`(${fromKey})(${JSON.stringify(text)})`);
    await plain.press(key);
    return Number(await plain.evaluate('shown'));
  };
  const digits = [];
  const verdicts = [];
  for (let i = 0; i < timesLooked; i++) {
    await plain.look(address);
    // Always the same point, however much is measured: a shaft, of which the thinnest place decides.
    await plain.evaluate(`(${pickSeat})()`);
    await plain.evaluate(`(${untilQuiet})()`);
    const said = await plain.evaluate(`document.querySelector('[aria-label="Reading to enter"]').textContent`);
    // Less than any before it, so that the page says it: in a folder that stays, than that of the run before.
    const worst = /worst so far ([\d.]+)/.exec(String(said))?.[1];
    const value = (Number(worst ?? 44.997) - 0.001).toFixed(3);
    await plain.evaluate(`document.querySelector('input[aria-label^="Reading of"]').select()`);
    for (const digit of value) digits.push(await press(digit, ''));
    verdicts.push(await press('Enter', `worst so far ${value}`));
  }
  return { digit: quantile(digits, 0.5), slowestDigit: Math.max(...digits), verdict: quantile(verdicts, 0.5) };
}
