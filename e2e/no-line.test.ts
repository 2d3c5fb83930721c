import { present } from '@/core/present';
import { buildFamily } from '@/core/family';
import type { Answer } from '@/core/record';
import { shippedFamilies } from '@/server/families';
import { openLine, type Line } from '../test-support/line';
import { named } from './by-name';
import {
  addressOf,
  base,
  click,
  comesBy,
  fetchAs,
  open,
  openBrowser,
  openDevice,
  press,
  settled,
  signIn,
  waitForText,
  type OpenedBrowser,
} from './browser';
import { actAs, readCautions } from './stations';
import { receive } from './walk';

const family = buildFamily(present(shippedFamilies.find(({ id }) => id === 'F1')));
const duty = { flowM3h: 40, headM: 32, powerKw: 7.5, efficiencyPct: 70, speedRpm: 2900 };
/** A picture of one pixel, as a telephone would give a larger one. */
const pixel = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
  'base64',
);

let opened: OpenedBrowser;
let line: Line;
let tablet: Awaited<ReturnType<typeof openDevice>>;
let other: Awaited<ReturnType<typeof openDevice>>;
let [first, second] = ['', ''];

beforeAll(async () => {
  opened = await openBrowser();
  line = await openLine(Number(new URL(base).port));
  tablet = await openDevice(opened.browser);
  comesBy(tablet, `http://127.0.0.1:${line.port}`);
  other = await openDevice(opened.browser);
  await signIn(other, 'sunniva');
  await signIn(tablet, 'odile');
  first = await receive(other, family, duty, 'FKM');
  second = await receive(other, family, duty, 'FKM');
  // The second stands before its first picture.
  const answered = [
    ['isolated-by', 'both', []],
    ['kit-tag', 'KW1-N10', []],
    ['valves-shut', 'yes', ['trapped-pressure']],
    ['drained', '4', []],
    ['turn-found', 'free and even', []],
    ['float-found', '0.2', []],
    ['guard-screws', '4', []],
  ] as const;
  for (const [actionId, typed, cautions] of answered) {
    const cautionsRead = ['residual-liquid', 'trapped-pressure', ...cautions];
    await actAs(other, 'answer-action', {
      ...{ tag: second, phase: 'teardown', actionId, typed, cautionsRead, basedOn: 0 },
      tool: actionId === 'float-found' ? 'D-11' : '',
    });
  }
});
afterAll(async () => {
  await opened?.close();
  await line?.cut();
});

/** Answers of a job as the shop has them. */
async function answersOf(tag: string): Promise<readonly Answer[]> {
  const { bytes } = await fetchAs(other, `/api/jobs/${tag}`);
  const { data } = JSON.parse(bytes.toString()) as { data: { record: { answers: readonly Answer[] } } };
  return data.record.answers;
}

const pressWord = async (actionId: string, word: string) => {
  await tablet.waitForSelector(`#action-${actionId}`);
  await readCautions(tablet);
  await press(await tablet.waitForSelector(`#action-${actionId} ${named('button', word)}`));
};

test('a tablet that is told to holds the jobs of the bench', async () => {
  await open(tablet, '/held');
  await click(tablet, 'button', 'Hold the bench on this device');
  await waitForText(tablet, 'This device holds the bench');
  await tablet.waitForSelector(`section[aria-label="Jobs held"] a[href="/jobs/${second}"]`);
  await open(tablet, `/jobs/${first}`);
  // The page itself is of the worker's keeping from now on.
  await tablet.waitForFunction(() => navigator.serviceWorker.controller !== null);
});

test('without a line a step, a reload, the next step and the next job go on', async () => {
  await line.cut();
  await pressWord('isolated-by', 'both');
  await waitForText(tablet, '1 entry waits on this device');
  await waitForText(tablet, 'no line since');
  await tablet.reload();
  await waitForText(tablet, 'Shown as this device holds it');
  await tablet.waitForSelector('#action-kit-tag');
  expect(await tablet.$eval('nav[aria-label=Steps]', (list) => list.textContent)).toContain('waits here');
  await press(await tablet.waitForSelector('#action-kit-tag button ::-p-text(Seal kit)'));
  await waitForText(tablet, '2 entries wait on this device');
  await tablet.goto(`${addressOf(tablet)}/jobs/${second}`);
  await waitForText(tablet, 'Shown as this device holds it');
});

test('a picture waits, too, and what follows it goes on', async () => {
  const choose = present(await tablet.waitForSelector('#action-guard-photo input[type=file]'));
  await choose.evaluate(
    (field, bytes) => {
      const files = new DataTransfer();
      files.items.add(new File([Uint8Array.from(bytes)], 'guard.png', { type: 'image/png' }));
      field.files = files.files;
      field.dispatchEvent(new Event('change', { bubbles: true }));
    },
    [...pixel],
  );
  await waitForText(tablet, '4 entries wait on this device');
  await tablet.waitForSelector('#action-pipe-unions');
});

test('another page says what is held, and what waits: who, when, what', async () => {
  await tablet.goto(`${addressOf(tablet)}/parts`);
  await waitForText(tablet, 'The page that you asked for is the shop’s, and nobody answers since');
  const said = await tablet.$eval('section[aria-label="What waits"]', (all) => all.innerText);
  expect(said).toContain(first);
  expect(said).toContain('Isolated, locked, tried: both by Odile Fennimoor');
  expect(said).toContain('Picture:');
  await press(await tablet.waitForSelector(`section[aria-label="Jobs held"] a[href="/jobs/${first}"]`));
  await waitForText(tablet, 'Shown as this device holds it');
});

test('when the line is back all goes in its order, and a field that another answered is chosen', async () => {
  // Meanwhile somebody else answered the first.
  await actAs(other, 'answer-action', {
    ...{ tag: first, phase: 'teardown', actionId: 'isolated-by', typed: 'breaker', basedOn: 0 },
    cautionsRead: ['residual-liquid', 'trapped-pressure'],
  });
  await line.mend();
  // What followed it leans on the cautions that were read with it, and is tried again once it is settled.
  await waitForText(tablet, '2 entries were not taken');
  await waitForText(tablet, 'Sunniva Kettle entered otherwise');
  await click(tablet, 'button', 'Mine stands: both');
  await tablet.waitForFunction(() => !document.body.innerText.includes('not taken'));
  await settled(tablet, 500);
  await tablet.waitForFunction(() => localStorage.getItem('puddlestone.waiting.2') === '[]');
  const [ofFirst, ofSecond] = [await answersOf(first), await answersOf(second)];
  expect(ofFirst.map(({ actionId, typed }) => [actionId, typed]).sort()).toEqual([
    ['isolated-by', 'both'],
    ['kit-tag', 'KW1-N10'],
  ]);
  const pictured = present(ofSecond.find(({ actionId }) => actionId === 'guard-photo'));
  const picture = await fetchAs(other, `/files/photo/${pictured.photoId}/thumb`);
  expect([picture.status, picture.type]).toEqual([200, 'image/jpeg']);
});

test('whoever signs out leaves nothing of the shop on the device', async () => {
  await open(tablet, '/');
  await tablet.click('header button[aria-haspopup=dialog]');
  await click(tablet, 'button', 'Sign out');
  await tablet.waitForFunction(() => window.location.pathname === '/sign-in');
  const left = await tablet.evaluate(async () => {
    const names = await caches.keys();
    const held = await new Promise<number>((done) => {
      const request = indexedDB.open('puddlestone');
      request.onsuccess = () => {
        const names = ['marks', 'views', 'families'];
        const within = request.result.transaction(names);
        const counts = names.map((name) => within.objectStore(name).count());
        within.oncomplete = () => done(counts.reduce((sum, count) => sum + count.result, 0));
      };
    });
    return { names: names.filter((name) => name.startsWith('puddlestone')), held };
  });
  expect(left).toEqual({ names: [], held: 0 });
});
