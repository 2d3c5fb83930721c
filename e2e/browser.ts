import { present } from '@/core/present';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import puppeteer, { type Browser, type ElementHandle, type Page } from 'puppeteer-core';
import { named } from './by-name';
import { demoPassword, demoPeople, type DemoPerson } from '../demo/people';

export const base = process.env.BASE_URL ?? 'http://127.0.0.1:4170';
const flags = [
  '--headless',
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  '--disable-dev-shm-usage',
  '--hide-scrollbars',
  '--force-color-profile=srgb',
];

/** Where a device finds the shop, where that is not the usual address: behind a line that can be cut. */
const addresses = new WeakMap<Page, string>();
export const addressOf = (page: Page): string => addresses.get(page) ?? base;
export const comesBy = (page: Page, address: string): void => void addresses.set(page, address);

export interface OpenedBrowser {
  readonly browser: Browser;
  readonly close: () => Promise<void>;
}

/** A browser of its own, with flags beside the usual ones. */
export async function openBrowser(more: readonly string[] = []): Promise<OpenedBrowser> {
  const folder = mkdtempSync(join(tmpdir(), 'puddlestone-chromium-'));
  const browser = await puppeteer.launch({
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium-headless-shell',
    args: [...flags, ...more],
    userDataDir: folder,
  });
  return {
    browser,
    close: async () => {
      await browser.close();
      rmSync(folder, { recursive: true, force: true });
    },
  };
}

interface Counted {
  /** Fetches of this document that have not come to their end, and when the last one did, in ms of its clock. */
  fetches?: { open: number; begun: number; endedAt: number };
}

/**
 * Runs in the page before anything else: counts what it fetches until the body has come, or broke off. What an entry
 * changed comes with its answer, or the page asks for it: then the entry has its end when that question is sent, or after
 * a second without.
 */
function countFetches(): void {
  const fetches = { open: 0, begun: 0, endedAt: 0 };
  (window as Window & Counted).fetches = fetches;
  const plain = window.fetch.bind(window);
  const entries: (() => void)[] = [];
  const end = () => {
    fetches.open -= 1;
    fetches.endedAt = performance.now();
  };
  const endOnce = () => {
    let isOpen = true;
    return () => {
      if (isOpen) end();
      isOpen = false;
    };
  };
  window.fetch = async (...asked) => {
    fetches.open += 1;
    fetches.begun += 1;
    for (const entry of entries.splice(0)) entry();
    const isEntry = asked[0].toString().includes('/api/act/');
    try {
      const response = await plain(...asked);
      const whole = response.clone().arrayBuffer();
      if (isEntry && response.ok) {
        const ended = endOnce();
        entries.push(ended);
        // What changed came with the answer, or is asked for.
        const isTold = (body: ArrayBuffer) => new TextDecoder().decode(body).includes('"changed":');
        void whole.then((body) => setTimeout(ended, isTold(body) ? 0 : 1000), ended);
      } else void whole.then(end, end);
      return response;
    } catch (error) {
      end();
      throw error;
    }
  };
}

/**
 * Waits until the page has fetched nothing for a while, which is the time that it has to show what came. The browser's
 * own count of requests is not used: one that a change of page breaks off can stay in it for good.
 */
export async function settled(page: Page, quietMs = 40): Promise<void> {
  await page.waitForFunction(
    (ms) => {
      const { open, endedAt } = (window as Window & Counted).fetches!;
      return open === 0 && performance.now() - endedAt >= ms;
    },
    {},
    quietMs,
  );
}

/**
 * A page of its own device: own cookies, own storage, a screen to click or to tap. Errors of the console and of the page
 * are collected.
 */
export async function openDevice(
  browser: Browser,
  { width = 1280, height = 800, hasTouch = false } = {},
): Promise<Page & { readonly faults: string[] }> {
  const context = await browser.createBrowserContext();
  const page = await context.newPage();
  await page.setViewport({ width, height, hasTouch });
  page.setDefaultTimeout(45_000);
  await page.evaluateOnNewDocument(countFetches);
  const faults: string[] = [];
  page.on('pageerror', (error) => faults.push(`page: ${error instanceof Error ? error.message : String(error)}`));
  page.on('console', (message) => {
    if (message.type() === 'error') faults.push(`console: ${message.text()} ${message.location().url ?? ''}`);
  });
  return Object.assign(page, { faults });
}

export async function click(page: Page, role: string, name: string): Promise<void> {
  await press(await page.waitForSelector(named(role, name), { visible: true }));
}

/**
 * Clicks what a person would have in view: not under the bars at the bottom, and not moving any more. On a device with
 * touch it is tapped.
 */
export async function press(element: ElementHandle<Element> | null): Promise<void> {
  const own = present(element);
  await scrollTo(own);
  await own.evaluate(standsStill);
  await (own.frame.page().viewport()?.hasTouch ? own.tap() : own.click());
}

/**
 * Waits, at most five seconds, until an element has neither moved for three frames nor is disabled: a finger aims at what
 * it sees, a click sent by a program goes to where the element was before the page was drawn anew.
 */
async function standsStill(one: Element): Promise<void> {
  const isDisabled = () => one instanceof HTMLButtonElement && one.disabled;
  const until = performance.now() + 5000;
  let still = 0;
  for (let at = one.getBoundingClientRect(); still < 3 && performance.now() < until;) {
    await new Promise((resolve) => requestAnimationFrame(resolve));
    const now = one.getBoundingClientRect();
    still = now.top === at.top && now.left === at.left && now.width === at.width && !isDisabled() ? still + 1 : 0;
    at = now;
  }
}

/**
 * Presses a button that sends something, again where nothing was sent: a page that is drawn anew under the finger takes
 * a tap for another place, and a person taps again.
 */
export async function pressUntilSent(page: Page, selector: string): Promise<void> {
  const begun = () => page.evaluate(() => (window as Window & Counted).fetches!.begun);
  const before = await begun();
  for (let tries = 1; ; tries++) {
    await press(await page.waitForSelector(selector));
    const sent = page.waitForFunction(
      (count) => (window as Window & Counted).fetches!.begun > count,
      { timeout: 3000 },
      before,
    );
    if (await sent.then(Boolean, () => false)) return;
    if (tries === 3 || !(await page.$(selector))) return;
  }
}

/** Into the middle of the view, clear of the bars at the bottom. */
export async function scrollTo(element: ElementHandle<Element>): Promise<void> {
  await element.evaluate(async (one) => {
    one.scrollIntoView({ block: 'center', behavior: 'instant' });
    await new Promise((resolve) => requestAnimationFrame(() => requestAnimationFrame(resolve)));
    one.scrollIntoView({ block: 'center', behavior: 'instant' });
  });
}

export async function fill(page: Page, label: string, text: string, role = 'textbox'): Promise<void> {
  const field = await page.waitForSelector(named(role, label), { visible: true });
  await scrollTo(present(field));
  await present(field).click({ clickCount: 3 });
  await present(field).press('Backspace');
  await present(field).type(text);
}

export async function has(page: Page, role: string, name: string): Promise<boolean> {
  return (await page.$(named(role, name))) !== null;
}

/**
 * Waits for a text, through a page that is loaded anew, too: it has no body for a moment, and the driver's own waiting was
 * seen to go on waiting for a page that had gone.
 */
export async function waitForText(page: Page, text: string): Promise<void> {
  const read = () =>
    page.evaluate(() => document.querySelector('body')?.innerText.replace(/\s+/g, ' ') ?? '').catch(() => '');
  const until = performance.now() + page.getDefaultTimeout();
  let shown = await read();
  while (!shown.includes(text)) {
    if (performance.now() > until) {
      const said = shown.length > 3000 ? `${shown.slice(0, 1500)} … ${shown.slice(-1500)}` : shown;
      throw new Error(`“${text}” did not appear; the page says: ${said}`);
    }
    await new Promise((resolve) => setTimeout(resolve, 50));
    shown = await read();
  }
}

export async function waitForGone(page: Page, role: string, name: string): Promise<void> {
  await page.waitForSelector(named(role, name), { hidden: true });
}

/**
 * Comes to a page as from outside: to go to another place of the page that is shown already would not load anything.
 */
export async function open(page: Page, path: string): Promise<void> {
  const address = addressOf(page) + path;
  const isShown = path.includes('#') && page.url().split('#')[0] === address.split('#')[0];
  await page.goto(address, { waitUntil: 'load' });
  if (isShown) await page.reload({ waitUntil: 'load' });
  // Typing into a page that is not alive yet is what a hurried person does, and has a test of its own.
  await page.waitForSelector('html[data-alive]');
  await settled(page);
}

/** Hands a family file to the library, as if it was chosen in the dialog of the system. */
export async function takeInFile(page: Page, text: string): Promise<void> {
  const input = present(await page.waitForSelector('input[type=file]'));
  await input.evaluate((field, content) => {
    const files = new DataTransfer();
    files.items.add(new File([content], 'own.json', { type: 'application/json' }));
    field.files = files.files;
    field.dispatchEvent(new Event('change', { bubbles: true }));
  }, text);
}

export async function signIn(page: Page, key: DemoPerson['key']): Promise<void> {
  const person = present(demoPeople.find((one) => one.key === key));
  await open(page, '/sign-in');
  await fill(page, 'Mail address', person.email);
  await page.type('input[name=password]', demoPassword);
  await click(page, 'button', 'Sign in');
  await isSignedIn(page, person.name);
}

/** Makes the device of whoever is signed in, a coordinator or the owner, a tablet of the bench. */
export async function enrolTablet(page: Page, name: string): Promise<void> {
  await page.click('header button[aria-haspopup=dialog]');
  await page.waitForSelector('input[name=tablet]');
  await page.type('input[name=tablet]', `${name} ${Date.now()}`);
  await click(page, 'button', 'Enrol it');
  await page.waitForSelector('select[name=person]');
  await page.keyboard.press('Escape');
  await page.waitForSelector('[role=dialog]', { hidden: true });
}

/** Another person takes over the same device by PIN. */
export async function takeOver(page: Page, key: DemoPerson['key']): Promise<void> {
  const person = present(demoPeople.find((one) => one.key === key));
  if ((await page.$eval('header', (header) => header.innerText)).includes(person.name)) return;
  await page.click('header button[aria-haspopup=dialog]');
  const choice = await page.waitForSelector('select[name=person]');
  const value = await page.$$eval(
    'select[name=person] option',
    (options, name) => options.find((option) => option.innerText.startsWith(name))!.value,
    person.name,
  );
  await present(choice).select(value);
  await page.type('input[name=pin]', person.pin);
  await click(page, 'button', 'Take over');
  await isSignedIn(page, person.name);
}

async function isSignedIn(page: Page, person: string): Promise<void> {
  try {
    await page.waitForFunction((name) => document.querySelector('header')?.innerText.includes(name), {}, person);
  } catch (error) {
    const shown = await page.evaluate(() => document.body.innerText.slice(0, 400));
    throw new Error(`${person} is not signed in; ${page.url()} shows: ${shown}`, { cause: error });
  }
}

/**
 * Types as a scanner does: keys 4 ms apart by the clock of the device that sent them, ended by Enter. How long this
 * machine takes to hand them over does not matter, as with a real scanner.
 */
export async function scan(page: Page, text: string): Promise<void> {
  const device = await page.createCDPSession();
  const start = Date.now() / 1000;
  const keys = [...text, 'Enter'];
  for (const [i, key] of keys.entries()) {
    const shared = {
      key,
      ...(key === 'Enter' ? { code: 'Enter', windowsVirtualKeyCode: 13 } : {}),
      timestamp: start + i * 0.004,
    };
    await device.send('Input.dispatchKeyEvent', { type: 'keyDown', text: key === 'Enter' ? '\r' : key, ...shared });
    await device.send('Input.dispatchKeyEvent', { type: 'keyUp', ...shared });
  }
  await device.detach();
}

/** What a request past the page is sent with: the session of whoever is signed in on its device. */
export async function sessionOf(page: Page): Promise<Record<string, string>> {
  const cookies = await page.browserContext().cookies();
  return { cookie: cookies.map(({ name, value }) => `${name}=${value}`).join('; '), origin: base };
}

/** Fetches with the page's own cookies. */
export async function fetchAs(
  page: Page,
  path: string,
): Promise<{ status: number; type: string; disposition: string; bytes: Buffer }> {
  const response = await fetch(base + path, { headers: await sessionOf(page) });
  return {
    status: response.status,
    type: response.headers.get('content-type') ?? '',
    disposition: response.headers.get('content-disposition') ?? '',
    bytes: Buffer.from(await response.arrayBuffer()),
  };
}

export async function control(path: string): Promise<void> {
  const answer = await fetch(process.env.CONTROL_URL + path, { method: 'POST' });
  if (!answer.ok) throw new Error(`${path}: ${answer.status}`);
}
