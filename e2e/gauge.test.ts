import { named } from './by-name';
import { present } from '@/core/present';
import { actAs } from './stations';
import { click, fill, open, openBrowser, openDevice, press, signIn, waitForText, type OpenedBrowser } from './browser';

/**
 * A gauge that a laboratory found beyond its uncertainty: what it measured since it was found good is listed, pump by
 * pump, with the verdicts that may be wrong; nobody is offered it any more. It stands alone: the gauge is the whole shop's.
 */
let opened: OpenedBrowser;
let desk: Awaited<ReturnType<typeof openDevice>>;
beforeAll(async () => {
  opened = await openBrowser();
  desk = await openDevice(opened.browser);
  await signIn(desk, 'marek');
});
afterAll(() => opened?.close());

test('found beyond its uncertainty it leads to every reading that it touched, and to verdicts that may be wrong', async () => {
  await open(desk, '/library/instruments/B-02');
  await present(await desk.waitForSelector(named('combobox', 'It read'))).select('beyond');
  await fill(desk, 'Largest error, mm', '0.1');
  await fill(desk, 'Certificate', 'K-2231');
  await click(desk, 'button', 'Write it down');
  await waitForText(desk, 'pumps are touched');
  const touched = await desk.$eval('section[aria-label="Readings touched"] h2', (one) => one.innerText);
  const [readings = 0, pumps = 0] = [...touched.matchAll(/\d+/g)].map(Number);
  // It was found good ten months ago: every pump since was measured with it, several places each.
  expect(pumps).toBeGreaterThan(20);
  expect(readings).toBeGreaterThan(2 * pumps);
  await waitForText(desk, 'may be wrong by the error that was found');
  const [first] = await desk.$$('ul[aria-label="Verdicts that may be wrong"] a');
  await press(present(first));
  await desk.waitForFunction(() => /^\/jobs\/P-/.test(location.pathname));
});

test('it is due until it is found good again, and the page says what was found', async () => {
  await open(desk, '/library/instruments/B-02');
  const found = await desk.$eval('section[aria-label="Found so far"]', (one) => one.innerText);
  expect(found).toContain('beyond its uncertainty, largest error 0.1 mm');
  expect(found).toContain('K-2231');
  expect(desk.faults).toEqual([]);
});

/** The day by the clock of the shop, which is ahead of UTC. */
const shopDay = () => new Intl.DateTimeFormat('sv-SE', { timeZone: 'Europe/Vienna' }).format(new Date());

test('repaired and found good again it may be used', async () => {
  const day = (years: number) => `${new Date().getUTCFullYear() + years}-11-01`;
  await actAs(desk, 'record-calibration', {
    ...{ code: 'B-02', isWithin: true, error: 0.001, onDay: shopDay() },
    ...{ nextDueOn: day(1), certificate: 'K-2232', note: 'new tip' },
  });
  await open(desk, '/library/instruments/B-02');
  const found = await desk.$eval('main', (one) => one.innerText);
  expect(found).toContain('K-2232');
  expect(found).not.toContain('may not be used');
  expect(found).not.toContain('pumps are touched');
});
