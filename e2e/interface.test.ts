import { present } from '@/core/present';
import { readFileSync } from 'node:fs';
import type { Page } from 'puppeteer-core';
import { stations } from '@/core/record';
import { demoJobs } from '../demo/jobs';
import { named } from './by-name';
import {
  click,
  fill,
  has,
  open,
  openBrowser,
  openDevice,
  press,
  scan,
  signIn,
  waitForText,
  type OpenedBrowser,
} from './browser';

const axe = readFileSync(require.resolve('axe-core/axe.min.js'), 'utf8');
const tagAt = (station: string, part?: string) =>
  `P-0${398 + demoJobs.findIndex((job) => job.at === station && job.cameIn < 100 && (part === undefined || job.part === part))}`;

let opened: OpenedBrowser;
let page: Awaited<ReturnType<typeof openDevice>>;
beforeAll(async () => {
  opened = await openBrowser();
  page = await openDevice(opened.browser);
});
afterAll(() => opened?.close());

/** Faults by WCAG 2.2 A and AA and the practices of axe, in words; of one rule alone where it is named. */
async function faultsOf(on: Page, rule?: string): Promise<string[]> {
  if (!(await on.evaluate(() => 'axe' in window))) await on.evaluate(axe);
  const { violations } = await on.evaluate(
    (only) =>
      (
        window as unknown as {
          axe: {
            run: (
              context: Document,
              options: object,
            ) => Promise<{ violations: { id: string; nodes: { target: string[]; failureSummary: string }[] }[] }>;
          };
        }
      ).axe.run(document, { resultTypes: ['violations'], ...(only && { runOnly: [only] }) }),
    rule,
  );
  return violations.flatMap((violation) =>
    violation.nodes.map(
      (node) => `${violation.id}: ${node.target.join(' ')}: ${node.failureSummary.replace(/\s+/g, ' ').slice(0, 200)}`,
    ),
  );
}

describe('axe finds nothing', () => {
  test('on the sign-in page', async () => {
    await open(page, '/sign-in');
    expect(await faultsOf(page)).toEqual([]);
    await signIn(page, 'sunniva');
  });
  const jobOf: Readonly<Record<string, string>> = {
    receive: tagAt('receive'),
    teardown: tagAt('teardown'),
    clean: tagAt('clean'),
    inspect: tagAt('inspect', 'half'),
    quote: tagAt('quote'),
    approve: tagAt('approve'),
    parts: tagAt('parts', 'short'),
    rebuild: tagAt('rebuild'),
    test: tagAt('test', 'failed once'),
    report: tagAt('report'),
    return: tagAt('return'),
  };
  const views = [
    '/',
    '/receive',
    '/library?seen=packing,+belt',
    '/library/F6/compare?variant=packed&with.variant=cartridge',
    '/parts',
    '/parts/plan',
    '/parts/orders',
    '/parts/shelf',
    '/parts/donors',
    '/parts/catalogue?text=seal',
    '/sums',
    '/sums?sum=bolt-pattern',
    '/sums?sum=balance-weight',
    '/sums?sum=kit-cover',
    '/sums?sum=acceptance',
    '/outbox',
    '/library',
    '/library/F6',
    '/library/people',
    '/desk',
    '/desk/trends',
    '/library/F4?n-stage=12',
    '/jobs/P-0430',
    '/jobs/P-0428',
    '/jobs/P-0434',
    `/jobs/${jobOf.receive}/construction`,
    '/jobs/P-9999',
    ...stations.map((station) => `/jobs/${jobOf[station]}`),
    `/jobs/${tagAt('return', 'released')}?at=report`,
    `/jobs/${tagAt('return', 'released')}?at=approve`,
    `/jobs/${tagAt('test', 'failed once')}?at=inspect`,
  ];
  test.each(views)('on %s, light and dark', async (view) => {
    await open(page, view);
    if (view.includes('test') || view.includes(present(jobOf.test)))
      await new Promise((resolve) => setTimeout(resolve, 400));
    expect(await faultsOf(page)).toEqual([]);
    // Only colours change by the theme.
    await page.evaluate(() => (document.documentElement.dataset.theme = 'dark'));
    expect(await faultsOf(page, 'color-contrast')).toEqual([]);
  });
  test('the theme is kept on the device', async () => {
    await page.evaluate(() => (document.cookie = 'theme=dark; path=/'));
    await open(page, '/sums');
    expect(await page.evaluate(() => document.documentElement.dataset.theme)).toBe('dark');
    expect(await faultsOf(page)).toEqual([]);
    await page.evaluate(() => (document.cookie = 'theme=light; path=/'));
  });
  test('with the panels open: working, person, hold, record, find', async () => {
    await open(page, `/jobs/${jobOf.inspect}`);
    await page.click('button[aria-label^="Working of"]');
    await waitForText(page, 'Worst reading');
    expect(await faultsOf(page)).toEqual([]);
    await page.keyboard.press('Escape');
    for (const name of ['Hold', 'Record']) {
      await click(page, 'button', name);
      await page.waitForSelector('[role=dialog]');
      await new Promise((resolve) => setTimeout(resolve, 500));
      expect(await faultsOf(page)).toEqual([]);
      await page.keyboard.press('Escape');
      await page.waitForSelector('[role=dialog]', { hidden: true });
    }
    await page.click('header button[aria-haspopup=dialog]');
    await waitForText(page, 'People take over by PIN');
    expect(await faultsOf(page)).toEqual([]);
    await page.keyboard.press('Escape');
    // A panel that is still closing would take the key, and gives the cursor back to what opened it.
    await page.waitForSelector('[role=dialog]', { hidden: true });
    await page.waitForFunction(() => document.activeElement?.matches('header button[aria-haspopup=dialog]'));
    await page.keyboard.press('/');
    // What is typed before the box has the cursor is lost, for a person as for a program.
    await page.waitForFunction(() => document.activeElement instanceof HTMLInputElement);
    await page.keyboard.type('mill');
    await waitForText(page, 'Answer');
    expect(await faultsOf(page)).toEqual([]);
    await page.keyboard.press('Escape');
  });
  test('on the customer’s page, wide and on a phone', async () => {
    await open(page, '/outbox');
    await page.click('details summary');
    const path = await page.$eval('details a[href^="/customer/"]', (one) => one.getAttribute('href')!);
    for (const width of [1280, 360]) {
      const device = await openDevice(opened.browser, { width, height: 800 });
      await open(device, path);
      expect(await faultsOf(device)).toEqual([]);
      expect(await device.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(width);
      expect(device.faults).toEqual([]);
    }
  });
});

describe('by keyboard', () => {
  test('find by a tag, by words, and the answer to read out', async () => {
    await open(page, '/');
    await page.keyboard.press('/');
    await page.keyboard.type('vantry');
    await waitForText(page, 'of Vantry Board Mill, is');
    await page.keyboard.press('Escape');
    await page.keyboard.press('/');
    await page.keyboard.type(tagAt('clean').toLowerCase());
    await page.keyboard.press('Enter');
    await page.waitForFunction((tag) => location.pathname === `/jobs/${tag}`, {}, tagAt('clean'));
  });
  test('g and a letter goes to a view, ? shows the keys', async () => {
    await page.focus('body');
    await page.evaluate(() => (document.activeElement as HTMLElement).blur());
    await page.keyboard.press('g');
    await page.keyboard.press('p');
    await page.waitForFunction(() => location.pathname === '/parts');
    await page.keyboard.press('?');
    await waitForText(page, 'Keys on this screen');
    await page.keyboard.press('Escape');
  });
  test('from the floor into a job by Tab and Enter; the first stop skips to the content', async () => {
    await open(page, '/');
    await page.keyboard.press('Tab');
    expect(await page.evaluate(() => document.activeElement?.textContent)).toBe('To the content');
    await page.keyboard.press('Enter');
    for (let i = 0; i < 30; i++) {
      await page.keyboard.press('Tab');
      if (await page.evaluate(() => document.activeElement?.getAttribute('href')?.startsWith('/jobs/') ?? false)) break;
    }
    await page.keyboard.press('Enter');
    await page.waitForFunction(() => location.pathname.startsWith('/jobs/'));
  });
  test('points are picked in the section with Tab and Enter', async () => {
    await open(page, `/jobs/${tagAt('inspect', 'half')}`);
    await page.$eval('[aria-label*="Seal seat bore"]', (pin) => (pin as SVGElement).focus());
    await page.keyboard.press('Enter');
    await page.waitForSelector('#point-seat-bore button[aria-expanded=true]');
  });
  test('a line of the gate leads to its place, and again after something else was picked', async () => {
    const tag = tagAt('inspect', 'half');
    await open(page, `/jobs/${tag}`);
    for (let time = 0; time < 2; time++) {
      await press(await page.waitForSelector('aside[aria-label=Gate] button[aria-expanded=false]'));
      const line = present(await page.waitForSelector('aside[aria-label=Gate] a[href*="#point-"]'));
      const place = await line.evaluate((link) => link.hash);
      await press(line);
      await page.waitForSelector(`${place} button[aria-expanded=true]`);
      await page.waitForFunction((hash) => location.hash === hash, {}, place);
      await page.$eval('#point-seat-bore button', (row) => row.click());
      await page.waitForSelector('#point-seat-bore button[aria-expanded=true]');
    }
  });
  test('parts are picked in the section with arrow keys and Enter', async () => {
    await open(page, `/jobs/${tagAt('teardown', 'half')}`);
    await page.$eval('[data-part][tabindex="0"]', (part) => (part as SVGPathElement).focus());
    const at = () => page.evaluate(() => document.activeElement?.getAttribute('data-part'));
    for (let i = 0; i < 40 && (await at()) !== 'wet-bearing'; i++) await page.keyboard.press('ArrowRight');
    expect(await at()).toBe('wet-bearing');
    await page.keyboard.press('Enter');
    await page.waitForSelector('#step-shaft [aria-expanded=true]');
  });
  test('a scan into a field that waits opens the job and leaves the field as it was', async () => {
    await open(page, `/jobs/${tagAt('inspect', 'half')}`);
    const field = 'input[aria-label^="Reading of"]';
    await page.type(field, '12');
    await new Promise((resolve) => setTimeout(resolve, 200));
    await scan(page, tagAt('quote'));
    await page.waitForFunction((tag) => location.pathname === `/jobs/${tag}`, {}, tagAt('quote'));
    const drafts = await page.evaluate(() =>
      Object.entries(localStorage)
        .filter(([key]) => key.includes('as-found'))
        .map(([, value]) => value),
    );
    expect(drafts).toEqual(['12']);
  });
});

describe('the floor', () => {
  test('shows each open pump once: what needs who looks, then by holder, the most at risk first', async () => {
    await open(page, '/');
    const tags = await page.$$eval('main li a b.num', (all) => all.map((one) => one.textContent));
    expect(new Set(tags).size).toBe(tags.length);
    expect(tags.length).toBeGreaterThanOrEqual(24 - 5);
    const groups = await page.$$eval('main section', (all) => all.map((one) => one.getAttribute('aria-label')));
    const holders = ['us', 'customer', 'bench', 'stand', 'supplier'].map((holder) => `Held by ${holder}`);
    expect(groups).toEqual(['For you', ...holders]);
  });
  test('at twice the size nothing is cut off to the right', async () => {
    await page.setViewport({ width: 640, height: 400, deviceScaleFactor: 2 });
    for (const view of [
      '/',
      `/jobs/${tagAt('inspect', 'half')}`,
      `/jobs/${tagAt('quote')}`,
      '/parts',
      '/parts/plan',
      '/parts/shelf',
    ]) {
      await open(page, view);
      expect([view, await page.evaluate(() => document.documentElement.scrollWidth)]).toEqual([view, 640]);
    }
    await page.setViewport({ width: 1280, height: 800 });
  });
});

describe('the sums page', () => {
  const lookUp = (sum: string) => open(page, `/sums?sum=${sum}`);
  test('a sum that needs a solver is reckoned beside the page, and its refusal is said', async () => {
    await lookUp('shim-stack');
    await waitForText(page, '2 of 2 gaps met');
    await fill(page, 'Shims, mm, with spaces between', '0.1 0.1');
    await waitForText(page, '0.1 mm stands there twice');
  });
  test('once loaded it works without a connection', async () => {
    await lookUp('kit-cover');
    await waitForText(page, 'no other choice costs less');
    await page.setOfflineMode(true);
    try {
      await click(page, 'button', 'Tightening torque of a bolt');
      await waitForText(page, 'Torque, N·m');
      await click(page, 'button', 'Shims for each gap');
      await waitForText(page, '2 of 2 gaps met');
    } finally {
      await page.setOfflineMode(false);
    }
  });
  test('a figure goes to where a job asks for it, typed but not kept', async () => {
    const tag = tagAt('inspect', 'half');
    await open(page, `/sums?sum=fit&job=${tag}`);
    await waitForText(page, 'goes to');
    const [figure] = await page.$$('details select');
    const place = await figure!.$eval('option:nth-child(2)', (option) => option.textContent);
    await present(figure).select('0');
    await page.waitForFunction(
      (path) => location.pathname === path && location.hash.startsWith('#point-'),
      {},
      `/jobs/${tag}`,
    );
    const field = await page.waitForSelector('input[aria-label^="Reading of"]');
    expect(place).toContain(
      await field!.evaluate((input) => input.getAttribute('aria-label')!.replace('Reading of ', '').split(',')[0]),
    );
    expect(await field!.evaluate((input) => input.value)).toMatch(/^\d+\.?\d*$/);
  });
});

test('what a role does not do is said as whose work it is', async () => {
  const device = await openDevice(opened.browser);
  await signIn(device, 'bram');
  await open(device, `/jobs/${tagAt('quote')}`);
  await waitForText(device, '“Draw up anew” is for coordinator');
  expect(await has(device, 'button', 'Send the quote')).toBe(false);
  await open(device, '/outbox');
  await waitForText(device, 'Your role does not do this.');
  await device.waitForSelector(named('link', 'To the floor'));
});

test('no page put an error into the console', () =>
  expect(
    page.faults.filter((fault) => !fault.includes('/jobs/P-9999') && !fault.includes('ERR_INTERNET_DISCONNECTED')),
  ).toEqual([]));
