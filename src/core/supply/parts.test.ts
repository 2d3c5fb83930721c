import { present } from '../present';
import f1 from '../../../test-support/plain-overhung.json';
import { buildFamily, loadFamily } from '../family';
import { exampleLine, exampleQuote, exampleRecord } from '../record/example-record';
import { asId, type JobRecord, type OrderId, type OrderLineId } from '../record';
import { approvedLines, awaited, hasQuoteAnswer, missingOf, needsOf, stepsBlockedBy, toOrder } from '.';

const family = buildFamily(loadFamily(f1));
const quote = exampleQuote(
  [
    exampleLine({ parts: [{ ref: 'lip-seal', qty: 2 }] }),
    exampleLine({
      id: asId('line-2'),
      parts: [
        { ref: 'lip-seal', qty: 1 },
        { ref: 'seal-face', qty: 1 },
      ],
    }),
    exampleLine({ id: asId('line-3'), parts: [{ ref: 'shaft', qty: 1 }] }),
  ],
  { state: 'answered' },
);
const order = (received: number) => ({
  id: asId<OrderId>('o'),
  number: 'PO-00001',
  supplier: 's',
  acknowledgement: 'a',
  atRiskMinor: null,
  dueOn: '2026-12-01',
  personId: null,
  personName: 'Bram',
  at: '',
  lines: [
    { id: asId<OrderLineId>('l'), partRef: 'lip-seal', number: 'n', quantity: 3, sent: 3, dueOn: null, received },
  ],
});
const record = (change: Partial<JobRecord> = {}) =>
  exampleRecord({
    quotes: [quote],
    approvals: [
      {
        id: 'a',
        quoteId: quote.id,
        way: 'link',
        name: 'Fern',
        reference: '',
        decisions: { 'line-1': 'approved', 'line-2': 'approved', 'line-3': 'declined' },
        signature: '',
        option: null,
        corrects: null,
        text: '',
        fingerprint: '',
        personId: null,
        personName: 'Customer',
        at: '',
      },
    ],
    ...change,
  });

test('nothing is needed before an answer', () =>
  expect(needsOf(exampleRecord({ quotes: [quote] }), family)).toEqual([]));
test('needs of the approved lines add up by part; declined lines buy nothing', () => {
  expect(approvedLines(record()).map((line) => line.id)).toEqual(['line-1', 'line-2']);
  expect(needsOf(record(), family).map((need) => [need.ref, need.quantity, need.ordered, need.received])).toEqual([
    ['lip-seal', 3, 0, 0],
    ['seal-face', 1, 0, 0],
  ]);
});
test('orders and receipts count against the need', () => {
  const short = needsOf(record({ orders: [order(2)] }), family);
  expect(toOrder(short).map((need) => need.ref)).toEqual(['seal-face']);
  expect(awaited(short).find((need) => need.ref === 'lip-seal')).toMatchObject({
    ordered: 3,
    received: 2,
    dueOn: '2026-12-01',
  });
  expect(awaited(needsOf(record({ orders: [order(3)] }), family)).map((need) => need.ref)).toEqual(['seal-face']);
});
test('a step says which of its parts are not here; a short part names its steps', () => {
  const short = needsOf(record({ orders: [order(2)] }), family);
  const lips = present(family.rebuild.find((step) => step.needs.includes('lip-seal')));
  expect(missingOf(lips.needs, short).map((need) => need.ref)).toEqual(['lip-seal']);
  expect(missingOf(['casing'], short)).toEqual([]);
  expect(stepsBlockedBy('lip-seal', family)).toEqual([lips.title]);
});
test('the answer belongs to the latest revision only', () => {
  expect(hasQuoteAnswer(record())).toBe(true);
  expect(hasQuoteAnswer(record({ quotes: [quote, { ...quote, id: asId('quote-2'), revision: 2 }] }))).toBe(false);
});
