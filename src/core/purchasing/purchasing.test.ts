import fc from 'fast-check';
import { loadSolver } from '@/solver/highs-solver';
import { orderPlan, type Solver } from '../sums';
import {
  afterCount,
  buyingPlan,
  buyingTask,
  interchangeOf,
  piecesToCount,
  reliabilityOf,
  shareCount,
  shareOut,
  type BuyingAsked,
  type CatalogueNumber,
  type ShopOrder,
  type SupplyLine,
} from '.';

let solver: Solver;
beforeAll(async () => void (solver = await loadSolver()));

const line = (over: Partial<SupplyLine>): SupplyLine => ({
  ...{
    tag: 'P-0001',
    partRef: 'ring',
    name: 'Ring',
    number: 'R-1',
    elastomer: '',
    quantity: 1,
    ordered: 0,
    received: 0,
  },
  ...{ toBuy: 1, leadDays: 7, dueOn: null, neededBy: '2026-12-20', blocks: [], isAtRisk: false },
  ...over,
});
const house = (over: Partial<BuyingAsked['suppliers'][number]>) => ({
  ...{ id: 'S', name: 'Sillwater', contact: '', email: '', telephone: '', currency: 'EUR', rate: 1, freightMinor: 0 },
  ...{ minimumMinor: 0, cutOff: '', isUsual: false, isActive: true },
  ...over,
});
const offer = (over: Partial<BuyingAsked['offers'][number]>) => ({
  ...{
    id: 'o',
    supplierId: 'S',
    code: 'R-1',
    kind: 'single' as const,
    title: 'Ring',
    priceMinor: 100,
    leadDays: 5,
    least: 1,
  },
  ...{ validUntil: null, pieces: [{ number: 'R-1', elastomer: '', quantity: 1 }] },
  ...over,
});
const asked = (over: Partial<BuyingAsked>): BuyingAsked => ({
  ...{ lines: [line({})], suppliers: [house({})], offers: [offer({})], numbers: [], stock: [] },
  ...{ today: '2026-11-27', time: '10:00' },
  ...over,
});
function planOf(over: Partial<BuyingAsked>) {
  const given = asked(over);
  const task = buyingTask(given);
  const solved = task.sum && orderPlan.compute(orderPlan.input.parse(task.sum), solver).result;
  return buyingPlan(given, task, solved);
}
const number = (over: Partial<CatalogueNumber>): CatalogueNumber => ({
  ...{ number: 'R-1', title: '', elastomer: '', variant: '', interchangeGroup: '', supersededBy: '' },
  ...over,
});

describe('the buying plan', () => {
  test('one bag of two serves two jobs, and costs less than two singles', () => {
    const lines = [line({}), line({ tag: 'P-0002', neededBy: '2026-12-10' })];
    const bag = offer({
      id: 'bag',
      code: 'R-1-2',
      priceMinor: 150,
      pieces: [{ number: 'R-1', elastomer: '', quantity: 2 }],
    });
    const { orders, costMinor, isProven } = planOf({ lines, offers: [offer({}), bag] });
    expect([orders.length, costMinor, isProven]).toEqual([1, 150, true]);
    expect(orders[0]?.lines).toMatchObject([{ code: 'R-1-2', count: 1, dueOn: '2026-12-02' }]);
    expect(orders[0]?.shares.map(({ tag }) => tag)).toEqual(['P-0002', 'P-0001']);
    // Needed by 10 December, five days of lead.
    expect(orders[0]?.orderBy).toBe('2026-12-05');
  });
  test('the shelf gives first, to whoever needs it first; what falls below its minimum is bought for the shelf', () => {
    const lines = [line({}), line({ tag: 'P-0002', neededBy: '2026-12-10' })];
    const item = { number: 'R-1', elastomer: '', title: 'Ring', bin: 'A1', quantity: 1, minimum: 2, unitCostMinor: 90 };
    const { takes, orders } = planOf({ lines, stock: [item] });
    expect(takes.map((one) => [one.line.tag, one.count])).toEqual([['P-0002', 1]]);
    expect(orders[0]?.shares.map(({ tag, quantity }) => [tag, quantity])).toEqual([
      ['P-0001', 1],
      ['', 2],
    ]);
  });
  test('three of one number out of a bag of two and a single are one line of the job', () => {
    const bag = offer({
      ...{ id: 'bag', code: 'R-1-2', priceMinor: 150, leadDays: 6 },
      pieces: [{ number: 'R-1', elastomer: '', quantity: 2 }],
    });
    const { orders } = planOf({ lines: [line({ toBuy: 3, quantity: 3 })], offers: [offer({}), bag] });
    expect(orders[0]?.lines.map(({ code, count }) => [code, count]).sort()).toEqual([
      ['R-1', 1],
      ['R-1-2', 1],
    ]);
    expect(orders[0]?.shares.map(({ quantity, dueOn }) => [quantity, dueOn])).toEqual([[3, '2026-12-03']]);
  });
  test('a rubber that is wanted is ordered in it, and does not serve another; one that is fixed serves its own alone', () => {
    const lines = [line({ elastomer: 'EPDM' }), line({ tag: 'P-0002', elastomer: 'FKM' })];
    const { orders } = planOf({ lines });
    expect(orders[0]?.lines.map(({ pieces }) => pieces[0]?.elastomer).sort()).toEqual(['EPDM', 'FKM']);
    const fixed = offer({ pieces: [{ number: 'R-1', elastomer: 'FKM', quantity: 1 }] });
    const other = planOf({ lines, offers: [fixed] });
    expect(other.orders[0]?.shares.map(({ tag }) => tag)).toEqual(['P-0002']);
    expect(other.cannot.map(({ tag }) => tag)).toEqual(['P-0001']);
  });
  test('a number that took the place of another is bought for it, and both are named', () => {
    const newer = offer({ code: 'R-9', pieces: [{ number: 'R-9', elastomer: '', quantity: 1 }] });
    const { orders } = planOf({ offers: [newer], numbers: [number({ supersededBy: 'R-9' })] });
    expect(orders[0]?.shares).toMatchObject([{ number: 'R-9', listedNumber: 'R-1' }]);
  });
  test('what nobody offers is asked of the usual supplier, without a price; of nobody where there is none', () => {
    const odd = [line({ number: 'X-1', name: 'Cap' })];
    expect(planOf({ lines: odd }).cannot.map(({ name }) => name)).toEqual(['Cap']);
    const { orders, cannot } = planOf({ lines: odd, suppliers: [house({ isUsual: true, freightMinor: 900 })] });
    expect(cannot).toEqual([]);
    expect(orders[0]).toMatchObject({ goodsMinor: 0, freightMinor: 900, lines: [{ priceMinor: null, code: 'X-1' }] });
  });
  test('prices are compared in the shop’s money; a price that has run out and a house that is left are not asked', () => {
    const suppliers = [
      house({}),
      house({ id: 'T', name: 'Tarrowby', currency: 'CHF', rate: 1.1 }),
      house({ id: 'U', isActive: false }),
    ];
    const offers = [
      offer({ priceMinor: 100 }),
      offer({ id: 'p', supplierId: 'T', priceMinor: 95 }),
      offer({ id: 'q', supplierId: 'U', priceMinor: 1 }),
      offer({ id: 'r', priceMinor: 2, validUntil: '2026-11-26' }),
    ];
    // 95 of theirs are 104.5 of ours.
    expect(planOf({ suppliers, offers })).toMatchObject({ costMinor: 100, orders: [{ supplier: 'Sillwater' }] });
  });
  test('after the cut-off a day is lost; what comes late is said, with the last day to order', () => {
    const lines = [line({ neededBy: '2026-12-02' })];
    const suppliers = [house({ cutOff: '12:00' })];
    expect(planOf({ lines, suppliers }).orders[0]).toMatchObject({ late: 0, orderBy: '2026-11-27' });
    expect(planOf({ lines, suppliers, time: '12:01' }).orders[0]).toMatchObject({ late: 1 });
  });
  test('every piece that is bought goes to a job or to the shelf, and no job gets more than it asked for', () => {
    const some = fc.array(
      fc.record({
        tag: fc.constantFrom('P-0001', 'P-0002', 'P-0003'),
        number: fc.constantFrom('R-1', 'R-2'),
        toBuy: fc.integer({ min: 1, max: 4 }),
      }),
      { minLength: 1, maxLength: 6 },
    );
    const kit = offer({
      ...{ id: 'kit', code: 'K', kind: 'kit', priceMinor: 120 },
      pieces: [
        { number: 'R-1', elastomer: '', quantity: 2 },
        { number: 'R-2', elastomer: '', quantity: 1 },
      ],
    });
    const second = offer({ id: 'p', code: 'R-2', pieces: [{ number: 'R-2', elastomer: '', quantity: 1 }] });
    fc.assert(
      fc.property(some, (rows) => {
        const lines = rows.map((row, i) => line({ ...row, partRef: `part-${i}` }));
        const { orders } = planOf({ lines, offers: [offer({}), second, kit] });
        const bought = orders.flatMap((order) => order.lines.flatMap(({ pieces }) => pieces));
        const shares = orders.flatMap((order) => order.shares);
        for (const each of ['R-1', 'R-2']) {
          const total = (list: readonly { number: string; quantity: number }[]) =>
            list.filter((one) => one.number === each).reduce((sum, { quantity }) => sum + quantity, 0);
          expect(total(shares)).toBe(total(bought));
        }
        for (const { tag, partRef, toBuy } of lines) {
          const got = shares.filter((one) => one.tag === tag && one.partRef === partRef);
          expect(got.reduce((sum, { quantity }) => sum + quantity, 0)).toBe(toBuy);
        }
      }),
      { numRuns: 60 },
    );
  });
});

test('numbers of a chain and of a group have one key; a circle ends; strangers keep their own', () => {
  const same = interchangeOf([
    number({ number: 'A', supersededBy: 'B' }),
    number({ number: 'B', supersededBy: 'C' }),
    number({ number: 'C', supersededBy: 'A' }),
    number({ number: 'D', interchangeGroup: 'g' }),
    number({ number: 'E-1', interchangeGroup: 'g', supersededBy: 'F' }),
  ]);
  expect(new Set(['a', 'B', 'c'].map(same)).size).toBe(1);
  expect(new Set(['D', 'e 1', 'F'].map(same)).size).toBe(1);
  expect(same('A')).not.toBe(same('D'));
  expect(same('z-9')).toBe('Z9');
});

const order = (pieces: ShopOrder['lines'][number]['pieces']): ShopOrder => ({
  ...{
    number: 'PO-1',
    supplierId: 's',
    supplier: 'S',
    currency: 'EUR',
    rate: 1,
    freightMinor: 0,
    state: 'acknowledged',
  },
  ...{ reference: 'A', placedOn: '2026-11-20', endedOn: null, history: [], personName: 'Bram', at: '', version: 1 },
  lines: [
    {
      ...{ position: 1, code: 'c', kind: 'single', title: 't', quantity: 1, priceMinor: 1, saidPriceMinor: null },
      ...{ leadDays: 1, firstDueOn: '2026-11-25', dueOn: '2026-11-26', pieces },
    },
  ],
});
const piece = (sent: number, received: number, over = {}) => ({
  ...{ number: 'R-1', elastomer: '', quantity: 5, sent, received, struck: 0 },
  ...over,
});
const claimant = (tag: string, open: number, neededBy = '2026-12-01') => ({
  ...{ tag, partRef: 'ring', number: 'R-1', elastomer: '', open, neededBy },
});

describe('what comes in', () => {
  test('is what left the supplier and is not counted, by number and rubber over all lines', () => {
    const rings = [piece(4, 1), piece(2, 0, { elastomer: 'EPDM', quantity: 2 }), piece(0, 0, { number: 'R-2' })];
    expect(piecesToCount(order(rings))).toEqual([
      { number: 'R-1', elastomer: '', variant: '', listed: 3, open: 4 },
      { number: 'R-1', elastomer: 'EPDM', variant: '', listed: 2, open: 2 },
    ]);
  });
  test('goes to the most urgent first; the rest to the shelf', () => {
    const { handed, over } = shareOut({ number: 'r1', elastomer: '', quantity: 4 }, [
      claimant('P-0002', 2, '2026-12-09'),
      claimant('P-0001', 1, '2026-12-02'),
    ]);
    expect(handed.map(({ tag, quantity }) => [tag, quantity])).toEqual([
      ['P-0001', 1],
      ['P-0002', 2],
    ]);
    expect(over).toBe(1);
  });
  test('what is wrong is missed where it is claimed: with the job that did not get its own', () => {
    const claimants = [claimant('P-0001', 2), claimant('P-0002', 2, '2026-12-09'), claimant('P-0003', 0)];
    const count = { number: 'R-1', elastomer: '', counted: 3, wrong: 1 };
    const { jobs, shelf } = shareCount(count, claimants);
    expect(jobs.map(({ tag, counted, wrong }) => [tag, counted, wrong])).toEqual([
      ['P-0001', 2, 0],
      ['P-0002', 1, 1],
    ]);
    expect(shelf).toBe(0);
  });
  test('of one number that is two parts of a pump, both counts are of one pile', () => {
    const bearing = { number: 'R-1', elastomer: '', right: 1, again: 0 };
    const rings = [piece(1, 0, { quantity: 1 }), piece(1, 0, { quantity: 1 })];
    expect(afterCount(order(rings), [bearing, bearing], '2026-11-27').state).toBe('ended');
  });
  test('is received, what is to be sent again was not sent; an order that has all of it has ended', () => {
    const first = afterCount(
      order([piece(5, 0)]),
      [{ number: 'R-1', elastomer: '', right: 3, again: 2 }],
      '2026-11-27',
    );
    expect([first.state, first.lines[0]?.pieces[0]]).toMatchObject(['acknowledged', { received: 3, sent: 3 }]);
    const whole = afterCount(
      order([piece(5, 3)]),
      [{ number: 'R-1', elastomer: '', right: 2, again: 0 }],
      '2026-11-28',
    );
    expect([whole.state, whole.endedOn]).toEqual(['ended', '2026-11-28']);
  });
});

test('a supplier is as good as it was complete by the day it named first', () => {
  const ended = (firstDueOn: string, endedOn: string) => ({ firstDueOn, endedOn });
  expect(
    reliabilityOf([
      ended('2026-11-20', '2026-11-20'),
      ended('2026-11-20', '2026-11-24'),
      ended('2026-11-20', '2026-11-18'),
    ]),
  ).toEqual({
    ended: 3,
    onTime: 2,
    worstDays: 4,
  });
  expect(reliabilityOf([{ firstDueOn: null, endedOn: '2026-11-20' }])).toEqual({ ended: 0, onTime: 0, worstDays: 0 });
});
