import type { Page } from 'puppeteer-core';
import { named } from './by-name';
import { demoJobs } from '../demo/jobs';
import {
  click,
  control,
  fill,
  open,
  openBrowser,
  openDevice,
  signIn,
  waitForText,
  type OpenedBrowser,
} from './browser';

const field = 'input[aria-label^="Reading of"]';
/** Tags of the demonstration run in the order of its list. */
const tagAt = (station: string, part?: string) =>
  `P-0${398 + demoJobs.findIndex((job) => job.at === station && (part === undefined || job.part === part))}`;
const inspected = tagAt('inspect', 'half');

let opened: OpenedBrowser;
let one: Awaited<ReturnType<typeof openDevice>>;
let other: Awaited<ReturnType<typeof openDevice>>;

beforeAll(async () => {
  opened = await openBrowser();
  [one, other] = [await openDevice(opened.browser), await openDevice(opened.browser)];
  await signIn(one, 'marek');
  await signIn(other, 'ines');
});
afterAll(() => opened?.close());

async function openPoint(page: Page, pointId: string): Promise<void> {
  await open(page, `/jobs/${inspected}#point-${pointId}`);
  await page.waitForSelector(`#point-${pointId} button[aria-expanded=true]`);
  await page.waitForSelector(field);
}

const shownAt = (page: Page, pointId: string) =>
  page.$eval(`#point-${pointId}`, (row) => (row as HTMLElement).innerText.replace(/\s+/g, ' '));

test('a reload in mid-entry loses nothing that was typed', async () => {
  await openPoint(one, 'coupling-seat');
  await one.type(field, '38.01');
  await one.reload({ waitUntil: 'networkidle2' });
  await one.waitForSelector(field);
  expect(await one.$eval(field, (input) => input.value)).toBe('38.01');
});

test('what cannot be read is said, and stays typed', async () => {
  await openPoint(one, 'drive-seat');
  await one.type(field, '1,234');
  await one.keyboard.press('Enter');
  await waitForText(one, 'Is "1,234" 1.234 or 1234?');
  expect(await one.$eval(field, (input) => input.value)).toBe('1,234');
  await one.$eval(field, (input) => {
    input.select();
  });
  await one.keyboard.press('Backspace');
});

test('two people on one point: the second sees the first one’s reading and chooses', async () => {
  await openPoint(one, 'coupling-seat');
  await openPoint(other, 'coupling-seat');
  await one.$eval(field, (input) => input.select());
  await one.type(field, '38.004');
  await one.keyboard.press('Enter');
  await one.waitForFunction(() => document.querySelector('#point-coupling-seat')!.textContent.includes('38.004'));
  await other.type(field, '38.009');
  await other.keyboard.press('Enter');
  await waitForText(other, 'Marek Thornby put 38.004 mm here meanwhile; you typed 38.009.');
  // It shows before the shop has it.
  const kept = other.waitForResponse((answer) => answer.url().includes('/api/act/') && answer.ok());
  await click(other, 'button', 'Mine stands: 38.009');
  await other.waitForFunction(() => document.querySelector('#point-coupling-seat')!.textContent.includes('38.009'));
  await kept;
  await one.reload();
  await one.waitForFunction(() => document.querySelector('#point-coupling-seat')?.textContent.includes('38.009'));
});

test('a page asked for again is the same one with another nonce, until somebody changes what it shows', async () => {
  const look = () =>
    one.evaluate(async (path) => {
      const answer = await fetch(path);
      const nonce = /'nonce-([^']+)'/.exec(answer.headers.get('content-security-policy') ?? '')?.[1] ?? '';
      return { nonce, text: (await answer.text()).replaceAll(nonce, 'nonce') };
    }, `/jobs/${inspected}`);
  // When the minute is over it is made anew.
  let [first, again] = [await look(), await look()];
  for (let tries = 0; tries < 2 && again.text !== first.text; tries++) [first, again] = [await look(), await look()];
  expect(again.text).toBe(first.text);
  expect(again.text).not.toContain('38.013');
  expect(new Set([first.nonce, again.nonce, '']).size).toBe(3);
  await openPoint(other, 'coupling-seat');
  await other.$eval(field, (input) => input.select());
  await other.type(field, '38.013');
  const kept = other.waitForResponse((answer) => answer.url().includes('/api/act/') && answer.ok());
  await other.keyboard.press('Enter');
  await kept;
  expect((await look()).text).toContain('38.013');
});

test('two people on one intake: nothing typed is lost, one chooses', async () => {
  const tag = tagAt('receive');
  await open(other, `/jobs/${tag}`);
  const desk = await openDevice(opened.browser);
  await signIn(desk, 'wenna');
  await open(desk, `/jobs/${tag}`);
  await fill(desk, 'The liquid it handled', 'white water');
  await click(desk, 'button', 'Keep the changes');
  await desk.waitForSelector(named('button', 'Keep the changes'), { hidden: true });
  await fill(other, 'The liquid it handled', 'stock, 2 %');
  await click(other, 'button', 'Keep the changes');
  await waitForText(other, 'Choose which one stands');
  await other.waitForSelector(named('button', 'Theirs: white water'));
  await click(other, 'button', 'Yours: stock, 2 %');
  await other.waitForSelector(named('button', 'Yours: stock, 2 %'), { hidden: true });
  await click(other, 'button', 'Keep the changes');
  await other.waitForSelector(named('button', 'Keep the changes'), { hidden: true });
  await open(desk, `/jobs/${tag}`);
  expect(await desk.$eval('#liquid input', (input) => input.value)).toBe('stock, 2 %');
});

test('the database stops and starts during entry: entries wait on the device and go by themselves', async () => {
  await openPoint(one, 'drive-seat');
  await control('/database/stop');
  try {
    await one.type(field, '45.004');
    await one.keyboard.press('Enter');
    await waitForText(one, '1 entry waits on this device');
    // the entry shows with its verdict although nobody answers, and the next field waits
    expect(await shownAt(one, 'drive-seat')).toContain('as new');
    await one.type(field, '45.008');
    await one.keyboard.press('Enter');
    await waitForText(one, '2 entries wait on this device');
    expect((await fetch(`${process.env.BASE_URL}/api/health`)).status).toBe(503);
  } finally {
    await control('/database/start');
  }
  await one.waitForFunction(() => !/waits? on this device/.test(document.body.innerText), {
    timeout: 30_000,
  });
  expect(await (await fetch(`${process.env.BASE_URL}/api/health`)).json()).toMatchObject({
    status: 'ok',
    database: 'ok',
  });
  await openPoint(other, 'drive-seat');
  const seen = await shownAt(other, 'drive-seat');
  expect(seen).toContain('45.004');
  expect(seen).toContain('45.008');
});

test('a page that was opened while the database is away comes back by itself', async () => {
  await control('/database/stop');
  try {
    await one.goto(`${process.env.BASE_URL}/jobs/${inspected}`, { waitUntil: 'domcontentloaded' });
    await waitForText(one, 'This page cannot be shown just now');
  } finally {
    await control('/database/start');
  }
  await one.waitForFunction((tag) => document.querySelector('h1')?.textContent === tag, { timeout: 30_000 }, inspected);
});
