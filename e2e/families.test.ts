import { named } from './by-name';
import { present } from '@/core/present';
import f4 from '@families/f4-bore-hole.json';
import f6 from '@families/f6-internal-gear.json';
import { buildFamily, loadFamily } from '@/core/family';
import {
  click,
  fill,
  open,
  openBrowser,
  openDevice,
  press,
  signIn,
  takeInFile,
  waitForText,
  type OpenedBrowser,
} from './browser';
import { actAs } from './stations';
import { receive } from './walk';

type Device = Awaited<ReturnType<typeof openDevice>>;
const gear = buildFamily(loadFamily(f6), { axes: { variant: 'packed' } });
let opened: OpenedBrowser;
let page: Device;
beforeAll(async () => {
  opened = await openBrowser();
  page = await openDevice(opened.browser);
  await signIn(page, 'sunniva');
});
afterAll(() => opened?.close());

test('receiving proposes the construction by the plate, and lets it be chosen by its drawing', async () => {
  await open(page, '/receive');
  const isChosen = (id: string) => page.$eval(`input[name=family][value=${id}]`, (radio) => radio.checked);
  await fill(page, 'Other words on the plate', 'internal gear, 350 rpm');
  await page.waitForFunction(() => document.querySelector<HTMLInputElement>('input[name=family][value=F6]')!.checked);
  await waitForText(page, 'by its plate: internal gear');
  await present(await page.waitForSelector(named('combobox', 'Built as'))).select('cartridge');
  await page.click('input[name=family][value=F4]');
  expect([await isChosen('F4'), await isChosen('F6')]).toEqual([true, false]);
  await fill(page, 'Stages, 3 to 40', '12');
  const picture = 'img[alt^="Section of"][src*="n-stage--12"]';
  await page.waitForSelector(picture);
  await page.waitForFunction(
    (of) =>
      document.querySelector<HTMLImageElement>(of)!.complete &&
      document.querySelector<HTMLImageElement>(of)!.naturalWidth > 0,
    {},
    picture,
  );
  const drawn = await page.$eval(picture, async (one) => (await fetch(one.src)).text());
  expect(drawn).toContain('>12 stages</text>');
});

test('a pump that was received as another construction is corrected by the drawing; once work is recorded, only how it is built', async () => {
  const tag = await receive(
    page,
    gear,
    { flowM3h: 16, headM: 60, powerKw: 6.2, efficiencyPct: 52, speedRpm: 350 },
    'FKM',
  );
  await open(page, `/jobs/${tag}`);
  await click(page, 'link', 'It is built otherwise');
  await page.waitForFunction(() => location.pathname.endsWith('/construction'));
  await press(await page.waitForSelector('input[name=family][value=F10]'));
  await click(page, 'button', 'It is built so');
  await waitForText(page, 'Submersible');
  await waitForText(page, '0 of 11 steps done');
  await actAs(page, 'account-parts', { tag, parts: [{ partRef: 'rotor', state: 'present', note: '', basedOn: 0 }] });
  await open(page, `/jobs/${tag}`);
  await click(page, 'link', 'It is built otherwise');
  await waitForText(page, 'What still applies stays; what does not is named');
  expect(await page.$('input[name=family]')).toBeNull();
  await present(await page.waitForSelector(named('combobox', 'Rotor'))).select('magnet');
  await click(page, 'button', 'It is built so');
  await waitForText(page, 'Say how it was seen, or why');
  await fill(page, 'How it was seen, or why it is converted', 'magnets in the rotor');
  await click(page, 'button', 'It is built so');
  await waitForText(page, 'permanent-magnet rotor');
});

test('a family’s booklet, traveller and file come out, a broken file is refused by line, a good one is taken in', async () => {
  await open(page, '/library/F6?variant=cartridge');
  await waitForText(page, 'Cartridge');
  const kinds = await page.evaluate(async () =>
    Promise.all(
      ['booklet', 'traveller', 'file'].map(async (as) => {
        const response = await fetch(`/files/family/F6/${as}`);
        return [
          response.status,
          response.headers.get('content-type'),
          (await response.arrayBuffer()).byteLength > 5000,
        ];
      }),
    ),
  );
  expect(kinds).toEqual([
    [200, 'application/pdf', true],
    [200, 'application/pdf', true],
    [200, 'application/json; charset=utf-8', true],
  ]);
  await open(page, '/library');
  const good = JSON.stringify({ ...f4, title: 'Bore-hole, our list' }, null, 1);
  await takeInFile(page, good.replace('"principle": "rotodynamic"', '"principle": "magic"'));
  await waitForText(page, `line ${good.split('\n').findIndex((line) => line.includes('"principle"')) + 1}, principle`);
  await takeInFile(page, good);
  await waitForText(page, 'Taken in as S');
  await waitForText(page, 'Bore-hole, our list');
});

test('nothing was put into the console', () =>
  expect(
    // What was meant to be refused: a broken file, a correction without its reason.
    page.faults.filter((fault) => !/422.*(import-family|correct-construction)$/.test(fault.trim())),
  ).toEqual([]));
