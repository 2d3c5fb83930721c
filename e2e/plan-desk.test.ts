import { present } from '@/core/present';
import { named } from './by-name';
import { click, open, openBrowser, openDevice, press, signIn, waitForText, type OpenedBrowser } from './browser';

/** The coordinator's plan on the screen: a sick technician, a caller, a stone that is moved. */
let opened: OpenedBrowser;
let desk: Awaited<ReturnType<typeof openDevice>>;
beforeAll(async () => {
  opened = await openBrowser();
  desk = await openDevice(opened.browser);
  await signIn(desk, 'wenna');
});
afterAll(() => opened?.close());

const choose = async (label: string, name: string) => {
  const select = present(await desk.waitForSelector(named('combobox', label)));
  const value = await select.evaluate(
    (own, wanted) => [...(own as HTMLSelectElement).options].find((option) => option.text === wanted)?.value ?? '',
    name,
  );
  await select.select(value);
};

test('a sick technician is one entry: what changes is seen first, then the plan flows round it', async () => {
  await open(desk, '/plan');
  await choose('Who or what', 'Odile Fennimoor');
  await click(desk, 'button', 'What would change?');
  await desk.waitForFunction(() => /→|No pump is ready on another day/.test(document.body.innerText));
  await click(desk, 'button', 'Keep the absence');
  await waitForText(desk, 'Odile Fennimoor sick');
  await click(desk, 'button', 'is back');
  await desk.waitForFunction(() => !document.body.innerText.includes('Odile Fennimoor sick'));
});

test('a caller is answered with a promise by a few keys, and the pump is received with it', async () => {
  await open(desk, '/');
  await desk.keyboard.press('g');
  await desk.keyboard.press('w');
  await desk.waitForFunction(() => location.pathname === '/plan');
  await click(desk, 'link', 'Promise desk');
  await waitForText(desk, 'ready to leave us on');
  await desk.keyboard.press('9');
  await desk.keyboard.press('n');
  const link = await desk.$eval('a[data-next]', (one) => one.getAttribute('href') ?? '');
  expect(link).toMatch(/^\/receive\?family=F\d+&promised=\d{4}-\d\d-\d\d$/);
  await desk.keyboard.press('Enter');
  await desk.waitForFunction(() => location.pathname === '/receive');
  const promised = new URLSearchParams(link.split('?')[1]).get('promised');
  await desk.waitForFunction(
    (day) => document.querySelector<HTMLInputElement>('input[name=promisedOn]')?.value === day,
    {},
    promised,
  );
});

test('a stone is held, tried on a later day, kept, and let go again', async () => {
  await open(desk, '/plan');
  const stone = present(await desk.waitForSelector('[aria-label="Plan by hands, places and days"] [data-stone]'));
  await press(stone);
  await click(desk, 'button', 'Try it');
  await waitForText(desk, 'A try, not kept yet');
  await click(desk, 'button', 'Keep it');
  await waitForText(desk, 'As it stands');
  await press(await desk.waitForSelector('button[aria-label$=", as wished"]'));
  await click(desk, 'button', 'Let the plan choose again');
  await desk.waitForSelector('button[aria-label$=", as wished"]', { hidden: true });
});

test('nothing was put into the console', () => expect(desk.faults).toEqual([]));
