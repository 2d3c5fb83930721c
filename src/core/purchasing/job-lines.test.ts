import f1 from '../../../test-support/plain-overhung.json';
import { CoreJob, terms } from '../../../test-support/core-job';
import { orderOfAll } from '../../../test-support/order-facts';
import { quote, supply } from '../change';
import { loadFamily } from '../family';
import { standingOf } from '../lifecycle';
import { present } from '../present';
import type { PurchaseOrder } from '../record';
import {
  costsOf,
  effectOf,
  pieceCost,
  standingOf as packsOf,
  supplyLinesOf,
  totalOf,
  type ShopOrder,
  type ShopOrderLine,
} from '.';

const script = {
  duty: { flowM3h: 25, headM: 32, speedRpm: 2900 },
  found: { 'ring-bore': '100.70' },
  dispose: { 'ring-bore': ['replace', 'worn'] },
  policies: { 'parts before approval': 'at risk' },
} as const;
const file = loadFamily(f1);
const jobAt = (station: 'inspect' | 'quote' | 'parts' | 'rebuild') => new CoreJob(file, script).playTo(station);
const linesOf = ({ record, family }: CoreJob) =>
  supplyLinesOf({ record, family, standing: standingOf(record, family) });
const ringOf = (job: CoreJob) => linesOf(job).find(({ partRef }) => partRef === 'front-ring');
const refusedWords = (job: CoreJob, command: object) => {
  try {
    job.act('Bram', ['cut-order', supply.cutOrder], undefined, command as never);
  } catch (error) {
    return String(error);
  }
  return '';
};

describe('what an open job waits for', () => {
  test('is nothing before a quote, at risk before the answer, to be bought after it, and nothing once it is here', () => {
    expect(linesOf(jobAt('inspect'))).toEqual([]);
    const quoted = jobAt('quote');
    quoted.act('Ines', ['draw-up-quote', quote.drawUpQuote], terms, null);
    expect(ringOf(quoted)).toMatchObject({ isAtRisk: true, toBuy: 1, received: 0 });
    expect(ringOf(jobAt('parts'))).toMatchObject({
      isAtRisk: false,
      source: 'bought',
      toBuy: 1,
      ordered: 0,
      dueOn: null,
    });
    expect(linesOf(jobAt('rebuild'))).toEqual([]);
  });
  test('names the rubber that the job needs, the steps that wait, and the last day for the promise', () => {
    const job = jobAt('parts');
    const seal = present(linesOf(job).find(({ partRef }) => partRef === 'secondary-seal'));
    // Where nobody said otherwise at receiving, the list's own rubber.
    expect(seal.elastomer).toBe('EPDM');
    expect(seal.blocks.length).toBeGreaterThan(0);
    expect(present(seal.neededBy) < job.record.promisedOn).toBe(true);
  });
  test('ordered with its own day, it is to be bought no more; moved and cut, it follows', () => {
    const job = jobAt('parts');
    const { tag } = job.record;
    job.act('Bram', ['order-parts', supply.orderParts], orderOfAll(job, 'PO-0007'), { tag, atRisk: null });
    const number = present(ringOf(job)).number;
    const about = { tag, orderNumber: 'PO-0007' };
    const days = { ...about, dueOn: '2026-12-09', lines: [{ number, dueOn: '2026-12-03' }] };
    job.act('Bram', ['acknowledge-order', supply.acknowledgeOrder], undefined, { ...days, reference: 'A' });
    expect(ringOf(job)).toMatchObject({ toBuy: 0, ordered: 1, dueOn: '2026-12-03' });
    const moved = { ...days, lines: [{ number, dueOn: '2026-12-07' }], words: 'the foundry is late' };
    job.act('Bram', ['move-order', supply.moveOrder], undefined, moved);
    expect(ringOf(job)?.dueOn).toBe('2026-12-07');
    const cut = (quantity: number) => ({ ...about, lines: [{ partRef: 'front-ring', quantity }], words: 'by mistake' });
    expect(refusedWords(job, cut(2))).toContain('only 1 have not left the supplier');
    job.act('Bram', ['cut-order', supply.cutOrder], undefined, cut(1));
    expect(ringOf(job)).toMatchObject({ toBuy: 1, ordered: 0 });
  });
  test('a part that stands on two lines of one order gets what came for it once, line by line', () => {
    const job = jobAt('parts');
    const { tag } = job.record;
    const [order] = orderOfAll(job, 'PO-0007').orders;
    const seals = present(order?.shares.find(({ partRef }) => partRef === 'secondary-seal'));
    const shares = present(order).shares.flatMap((share) =>
      share === seals
        ? [
            { ...share, quantity: 1 },
            { ...share, number: 'KW1-4334-A', quantity: 1 },
          ]
        : [share],
    );
    const facts = { orders: [{ ...present(order), shares }] };
    job.act('Bram', ['order-parts', supply.orderParts], facts, { tag, atRisk: null });
    // Out of two bags of the parcel.
    const bag = { lineId: 'secondary-seal', quantity: 1 };
    const parcel = { lines: [bag, bag], restOn: null, sentBefore: {} };
    job.act('Bram', ['take-parcel', supply.takeParcel], parcel, { tag, orderNumber: 'PO-0007' });
    const sent = present(job.record.orders[0]).lines.filter(({ partRef }) => partRef === 'secondary-seal');
    expect(sent.map((one) => one.sent)).toEqual([1, 1]);
  });
  test('nothing is ordered twice: a plan that was drawn up before another order is refused', () => {
    const job = jobAt('parts');
    const { tag } = job.record;
    const twice = orderOfAll(job, 'PO-0008');
    job.act('Bram', ['order-parts', supply.orderParts], orderOfAll(job, 'PO-0007'), { tag, atRisk: null });
    const again = () => job.act('Bram', ['order-parts', supply.orderParts], twice, { tag, atRisk: null });
    expect(again).toThrow();
  });
});

test('a day that is named is no guess; one that nobody named is today and the lead', () => {
  const job = jobAt('parts');
  const { remaining } = standingOf(job.record, job.family);
  const about = {
    remaining: { ...remaining, benchMinutesAfterParts: 240, standMinutes: 0 },
    promisedOn: '2026-12-11',
    today: '2026-11-27',
  };
  // Monday the 7th, a day of slip, a day of work: ready on Wednesday the 9th.
  expect(effectOf({ dueOn: '2026-12-07', leadDays: 1 }, about)).toEqual({
    ...{ arrivesOn: '2026-12-07', isGuess: false, readyOn: '2026-12-09', spareDays: 2 },
  });
  expect(effectOf({ dueOn: null, leadDays: 20 }, about)).toMatchObject({ arrivesOn: '2026-12-17', isGuess: true });
  expect(effectOf({ dueOn: '2026-11-02', leadDays: 1 }, about).arrivesOn).toBe('2026-11-27');
});

describe('what a job’s parts came to', () => {
  const line = (over: Partial<ShopOrderLine>): ShopOrderLine => ({
    ...{ position: 1, code: 'K', kind: 'kit', title: 'Kit', quantity: 2, priceMinor: 6000, saidPriceMinor: null },
    ...{ leadDays: 1, firstDueOn: null, dueOn: null },
    pieces: [
      { number: 'A', elastomer: '', quantity: 2, sent: 0, received: 0, struck: 0 },
      { number: 'B', elastomer: '', quantity: 4, sent: 0, received: 0, struck: 0 },
    ],
    ...over,
  });
  const listed = (prices: Readonly<Record<string, number>>) => ({
    rate: 1,
    listPriceOf: (number: string) => prices[number] ?? null,
  });
  test('what was struck off is paid no more; a kit of which a piece is left stands whole', () => {
    const struck = (a: number, b: number) => {
      const [first, second] = line({}).pieces;
      return line({
        pieces: [
          { ...present(first), struck: a },
          { ...present(second), struck: b },
        ],
      });
    };
    // Two kits, each of one A and two B, at 60.
    expect([struck(0, 0), struck(1, 2), struck(1, 1), struck(2, 4)].map(packsOf)).toEqual([2, 1, 2, 0]);
    expect(totalOf({ lines: [struck(1, 2)], freightMinor: 500 })).toEqual({
      ...{ goodsMinor: 6000, freightMinor: 500, totalMinor: 6500 },
    });
  });
  test('a piece of a kit has its share by the list prices; by count where one is not listed', () => {
    // 2 A at 50 and 4 B at 25 list for 200; the kits cost 120: an A is 30, a B 15.
    expect(pieceCost(line({}), 'A', listed({ A: 5000, B: 2500 }))).toBe(3000);
    expect(pieceCost(line({}), 'b', listed({ A: 5000, B: 2500 }))).toBe(1500);
    expect(pieceCost(line({}), 'B', listed({ A: 5000 }))).toBe(2000);
  });
  test('the price that was acknowledged counts, at the rate of the order; none while nobody has said one', () => {
    const priced = line({ saidPriceMinor: 6600 });
    expect(pieceCost(priced, 'B', { ...listed({}), rate: 1.1 })).toBeCloseTo(2420, 9);
    expect(pieceCost(line({ priceMinor: null }), 'A', listed({}))).toBeNull();
    expect(pieceCost(line({}), 'Z', listed({}))).toBeNull();
  });
  test('quoted and true stand side by side', () => {
    const job = jobAt('parts');
    job.act('Bram', ['order-parts', supply.orderParts], orderOfAll(job, 'PO-0007'), {
      tag: job.record.tag,
      atRisk: null,
    });
    const own: PurchaseOrder = present(job.record.orders[0]);
    const order: ShopOrder = {
      ...{
        number: 'PO-0007',
        supplierId: 's',
        supplier: 'S',
        currency: 'EUR',
        rate: 1,
        freightMinor: 0,
        state: 'placed',
      },
      ...{ reference: null, placedOn: '2026-11-27', endedOn: null, history: [], personName: '', at: '', version: 1 },
      lines: own.lines.map(({ number, quantity }, i) =>
        line({
          ...{ position: i + 1, kind: 'single', code: number, quantity, priceMinor: i ? 100 : null },
          pieces: [{ number, elastomer: '', quantity, sent: 0, received: 0, struck: 0 }],
        }),
      ),
    };
    const { record, family } = job;
    const [parts] = costsOf({ record, family, orders: [order], stock: [], wageMinorPerHour: null, workedMinutes: 0 });
    const pieces = own.lines.slice(1).reduce((sum, { quantity }) => sum + quantity, 0);
    expect(parts).toMatchObject({ what: 'Parts', trueMinor: pieces * 100, note: '1 line has no price yet' });
    const listPrice = family.parts
      .filter(({ ref }) => own.lines.some(({ partRef }) => partRef === ref))
      .reduce(
        (sum, part) => sum + part.price_minor * present(own.lines.find(({ partRef }) => partRef === part.ref)).quantity,
        0,
      );
    // Kits of the quote may be cheaper than their pieces; it is never dearer than the list.
    expect(present(parts?.quotedMinor)).toBeLessThanOrEqual(listPrice);
    expect(present(parts?.quotedMinor)).toBeGreaterThan(0);
  });
  test('our hands: the hours that were worked beside those that were sold', () => {
    const { record, family } = new CoreJob(file, script).playTo('parts');
    const cost = (wageMinorPerHour: number | null, workedMinutes: number) =>
      costsOf({ record, family, orders: [], stock: [], wageMinorPerHour, workedMinutes })[0];
    // 90 minutes at 40.00 an hour.
    expect(cost(4000, 90)).toMatchObject({ what: 'Our hands', trueMinor: 6000 });
    expect(cost(4000, 90)?.note).toContain('1.5 h worked');
    expect(cost(null, 90)).toMatchObject({ trueMinor: null });
    expect(cost(null, 90)?.note).toContain('not said');
  });
});
