import { present } from '@/core/present';
import { sheetsOf } from '@/core/record';
import { openTestShop, type TestShop } from '../../test-support/open-test-shop';
import { carryOutDue } from '.';

/** Every source of a part through every state that it has, as the desk of all jobs reads it from the database. */
let shop: TestShop;
beforeAll(async () => void (shop = await openTestShop('sources')));
afterAll(() => shop.close());

const partRef = 'retaining-ring';
const number = 'KW1-0932';
const here = { count: 1, number, elastomer: '', lot: 'L-3', note: '' };
const choose = (tag: string, source: string, over: object = {}) =>
  shop.act('bram', 'choose-source', {
    ...{ tag, partRef, basedOn: 0, donorId: null, ...over },
    source: { source, count: 1, from: 'Fern Okonjo', dueOn: '2026-12-08', reason: 'it is there' },
  });
const lay = (tag: string) => shop.act('bram', 'lay-ready', { tag, partRef, basedOn: 1, here });

/** How the desk has the part of a job: source, what is to buy, ordered, received, day; gone once it is here. */
async function standing(tag: string, ref = partRef) {
  const { lines } = await shop.act('bram', 'read-parts-desk', {});
  const line = lines.find((one) => one.tag === tag && one.partRef === ref);
  return line ? [line.source, line.toBuy, line.ordered, line.received, line.dueOn] : 'gone';
}

test('bought: to order, ordered, acknowledged, sent, counted', async () => {
  const tag = await shop.play({ at: 'parts' });
  expect(await standing(tag)).toEqual(['bought', 1, 0, 0, null]);
  const { number: order } = await shop.act('bram', 'order-parts', { tag });
  await carryOutDue(shop.contextOf('sunniva'), 200);
  const [, toBuy, ordered, received, dueOn] = (await standing(tag)) as unknown[];
  expect([toBuy, ordered, received]).toEqual([0, 1, 0]);
  expect(dueOn).toMatch(/^\d{4}-\d\d-\d\d$/);
  for (let parcel = 0; parcel < 4 && (await standing(tag)) !== 'gone'; parcel++) {
    await shop.act('bram', 'take-parcel', { tag, orderNumber: order }).catch(() => undefined);
    const lines = present((await shop.load(tag))?.orders[0]).lines.filter((line) => line.sent > line.received);
    const counts = lines.map(({ id, sent, received: before }) => ({ lineId: id, counted: sent - before }));
    if (counts.length) await shop.act('bram', 'receive-parts', { tag, orderNumber: order, counts, note: '' });
  }
  expect(await standing(tag)).toBe('gone');
});

test('the shelf: spoken for, laid ready, and off the shelf', async () => {
  const tag = await shop.play({ at: 'parts' });
  const item = { number, elastomer: '', title: 'Retaining ring', bin: 'C-1', counted: 1, unitCostMinor: 40000 };
  await shop.act('bram', 'count-stock', { ...item, minimum: 0, reason: 'first count', basedOn: 0 });
  await choose(tag, 'shelf');
  expect(await standing(tag)).toEqual(['shelf', 0, 1, 0, '2026-12-08']);
  await lay(tag);
  expect(await standing(tag)).toBe('gone');
  const { items } = await shop.act('bram', 'read-shelf', {});
  expect(items.find((one) => one.number === number)).toMatchObject({ quantity: 0, reserved: 0 });
  const { costs } = await shop.act('bram', 'read-costs', { tag });
  expect(costs.find(({ what }) => what === 'Parts')?.trueMinor).toBe(40000);
});

test('the customer’s own: promised for a day, looked at, here; bought again where they change their mind', async () => {
  const tag = await shop.play({ at: 'parts' });
  await choose(tag, 'customer');
  expect(await standing(tag)).toEqual(['customer', 0, 1, 0, '2026-12-08']);
  await choose(tag, 'bought', { basedOn: 1 });
  expect(await standing(tag)).toEqual(['bought', 1, 0, 0, null]);
  await choose(tag, 'customer', { basedOn: 2 });
  await shop.act('bram', 'lay-ready', { tag, partRef, basedOn: 3, here });
  expect(await standing(tag)).toBe('gone');
});

/** A job whose approved quote buys a part; which parts are worn differs from job to job. */
async function jobNeeding(ref: string): Promise<string> {
  for (let tries = 0; tries < 8; tries++) {
    const tag = await shop.play({ at: 'parts' });
    if ((await standing(tag, ref)) !== 'gone') return tag;
  }
  throw new Error(`no job of eight needs its ${ref}`);
}

test('a donor: reserved in both records, given back, taken again, laid ready', async () => {
  const ref = 'impeller';
  // Nobody has measured it yet.
  const unit = await shop.play({ at: 'clean' });
  const tag = await jobNeeding(ref);
  const about = { donorId: `${unit}/${ref}`, partRef: ref };
  const holeIn = async () => sheetsOf(present(await shop.load(unit)), 'given').map(({ body }) => body.to);
  await choose(tag, 'donor', about);
  expect(await standing(tag, ref)).toEqual(['donor', 0, 1, 0, '2026-12-08']);
  expect(await holeIn()).toEqual([tag]);
  await choose(tag, 'bought', { partRef: ref, basedOn: 1 });
  expect([await standing(tag, ref), await holeIn()]).toEqual([['bought', 1, 0, 0, null], ['']]);
  await choose(tag, 'donor', { ...about, basedOn: 2 });
  const own = { ...here, number: 'KW1-0230' };
  await shop.act('bram', 'lay-ready', { tag, partRef: ref, basedOn: 3, here: own });
  expect([await standing(tag, ref), await holeIn()]).toEqual(['gone', [tag]]);
});

test('made here: chosen, drawn with its day, released, worked on, measured, handed over', async () => {
  const tag = await shop.play({ at: 'parts' });
  const ref = partRef;
  await shop.act('bram', 'choose-source', {
    ...{ tag, partRef: ref, basedOn: 0, donorId: null },
    source: { source: 'made', count: 1, from: '', dueOn: '', reason: 'none is to be had' },
  });
  expect(await standing(tag, ref)).toEqual(['made', 0, 0, 0, null]);
  const about = (basedOn: number) => ({ tag, partRef: ref, basedOn });
  const made = {
    ...{ why: 'none is to be had', from: 'mating part', fromWords: 'hub as measured', shape: 'bush', bears: true },
    dimensions: [
      { id: 'bore', nominal: 100, tolerance: 'H7' },
      { id: 'outside', nominal: 120, tolerance: '' },
      { id: 'length', nominal: 18, tolerance: '' },
    ],
    ...{ material: 'bronze', lot: 'B-7', hardness: '', oldMaterial: 'bronze', machine: 'lathe', minutesGuess: 90 },
    ...{ materialMinor: 2400, dueOn: '2026-12-03' },
  };
  await shop.act('ines', 'write-made', { ...about(0), made });
  expect(await standing(tag, ref)).toEqual(['made', 0, 1, 0, '2026-12-03']);
  await shop.act('marek', 'release-made', { ...about(1), words: 'seen' });
  await shop.act('ines', 'work-on-made', { ...about(2), machine: 'lathe', minutes: 80 });
  const readings = [
    { id: 'bore', value: 100.02 },
    { id: 'outside', value: 120 },
    { id: 'length', value: 18 },
  ];
  await shop.act('ines', 'measure-made', { ...about(3), gauge: 'M-07', readings });
  expect(await standing(tag, ref)).toEqual(['made', 0, 1, 0, '2026-12-03']);
  await shop.act('ines', 'hand-over-made', { ...about(4), fitted: 'slides on by hand' });
  expect(await standing(tag, ref)).toBe('gone');
});

test('out for work: written down, sent, sent back again, taken', async () => {
  const tag = await shop.play({ at: 'rebuild' });
  const ref = 'shaft';
  const outside = {
    ...{ work: 'machining', what: 'straightened', parts: [ref], to: 'Sill Shafts', priceMinor: 9000, dueOn: '' },
    asks: [{ ask: 'run-out at the seal', unit: 'mm', min: null, max: 0.03 }],
  };
  const { number: job } = await shop.act('bram', 'write-outside', { tag, number: null, basedOn: 0, outside });
  expect(await standing(tag, ref)).toEqual(['outside', 0, 0, 0, null]);
  const about = (basedOn: number) => ({ tag, number: job, basedOn });
  await shop.act('bram', 'send-outside', { ...about(1), on: '2026-11-27', dueOn: '2026-12-04' });
  expect(await standing(tag, ref)).toEqual(['outside', 0, 1, 0, '2026-12-04']);
  const back = { on: '2026-12-04', words: 'still bent' };
  await shop.act('bram', 'take-back', { ...about(2), ...back, values: [0.08], isTaken: false });
  expect(await standing(tag, ref)).not.toBe('gone');
  await shop.act('bram', 'send-outside', { ...about(3), on: '2026-12-04', dueOn: '2026-12-09' });
  await shop.act('bram', 'take-back', { ...about(4), ...back, words: '', values: [0.02], isTaken: true });
  expect(await standing(tag, ref)).toBe('gone');
});
