import { present } from '../present';
import f1 from '../../../test-support/plain-overhung.json';
import { buildFamily, loadFamily } from '../family';
import { asId, type PurchaseOrder, type QuoteId } from '../record';
import { exampleLine, exampleQuote, exampleRecord } from '../record/example-record';
import { approvedLines, awaited, hasQuoteAnswer, missingOf, needsOf, stepsBlockedBy, partsOfStep, toOrder } from '.';

const family = buildFamily(loadFamily(f1));
const quote = exampleQuote(
  [
    exampleLine({ id: asId('ring'), parts: [{ ref: 'front-ring', qty: 1 }] }),
    exampleLine({
      id: asId('kit'),
      parts: [
        { ref: 'secondary-seal', qty: 2 },
        { ref: 'front-ring', qty: 1 },
      ],
    }),
    exampleLine({ id: asId('struck'), parts: [{ ref: 'impeller', qty: 1 }], struckReason: 'not wanted' }),
    exampleLine({ id: asId('declined'), parts: [{ ref: 'shaft', qty: 1 }] }),
    exampleLine({ id: asId('odd'), parts: [{ ref: 'no-such-part', qty: 1 }] }),
  ],
  { id: asId('quote-1') },
);
const approval = (quoteId: string, decisions: Readonly<Record<string, 'approved' | 'declined'>>) => ({
  ...{ id: `a-${quoteId}`, quoteId: asId<QuoteId>(quoteId), way: 'telephone' as const, name: 'Fern', reference: '' },
  ...{
    decisions,
    signature: '',
    option: null,
    corrects: null,
    text: '',
    fingerprint: '',
    personId: null,
    personName: 'Ines',
    at: '',
  },
});
const answered = approval('quote-1', {
  ...{ ring: 'approved', kit: 'approved', struck: 'approved', declined: 'declined', odd: 'approved' },
});
const order = (
  id: string,
  dueOn: string | null,
  lines: readonly (readonly [string, number, number])[],
): PurchaseOrder => ({
  ...{ id: asId(id), number: `PO-${id}`, supplier: 'Sillwater', acknowledgement: 'A', atRiskMinor: null, dueOn },
  ...{ personId: null, personName: 'Bram', at: '' },
  lines: lines.map(([partRef, quantity, received], i) => ({
    ...{
      id: asId(`${id}-${i}`),
      orderId: asId(id),
      partRef,
      number: 'n',
      quantity,
      sent: quantity,
      dueOn: null,
      received,
    },
  })),
});
const record = (orders: readonly PurchaseOrder[] = [], approvals = [answered]) =>
  exampleRecord({ quotes: [quote], approvals, orders });
const need = (ref: string, orders: readonly PurchaseOrder[] = []) =>
  needsOf(record(orders), family).find((one) => one.ref === ref);

test('only lines that stand and are approved are bought for', () => {
  expect(approvedLines(record()).map((line) => line.id)).toEqual(['ring', 'kit', 'odd']);
  expect(approvedLines(record([], []))).toEqual([]);
  expect(approvedLines(record([], [approval('another', { ring: 'approved' })]))).toEqual([]);
});
test('the last answer counts', () => {
  const first = approval('quote-1', { kit: 'approved' });
  expect(approvedLines(record([], [first, answered]))).toHaveLength(3);
  expect(approvedLines(record([], [answered, first])).map((line) => line.id)).toEqual(['kit']);
});
test('a part on two lines is needed for both; what is ordered and received adds up over orders', () => {
  expect(need('front-ring')).toEqual({
    ...{ ref: 'front-ring', name: 'Front wear ring', number: 'KW1-0502', quantity: 2, leadDays: 5 },
    ...{ ordered: 0, received: 0, dueOn: null, source: 'bought', bought: 2 },
  });
  const orders = [
    order('1', '2026-12-04', [['front-ring', 1, 1]]),
    order('2', '2026-12-09', [
      ['secondary-seal', 2, 0],
      ['front-ring', 1, 0],
    ]),
    order('3', '2026-12-07', [['secondary-seal', 1, 0]]),
    order('4', null, [['secondary-seal', 1, 0]]),
  ];
  // The day of what is here already does not count; the latest of the others does.
  expect(need('front-ring', orders)).toMatchObject({ ordered: 2, received: 1, dueOn: '2026-12-09' });
  expect(need('secondary-seal', orders)).toMatchObject({ ordered: 4, received: 0, dueOn: '2026-12-09' });
});
test('a part that the family does not know is asked for by its reference', () => {
  expect(need('no-such-part')).toMatchObject({ name: 'no-such-part', number: '', leadDays: 0 });
});
test('to order is what is not ordered in full, awaited what is not here in full', () => {
  const partly = needsOf(
    record([
      order('1', null, [
        ['front-ring', 2, 1],
        ['secondary-seal', 1, 1],
      ]),
    ]),
    family,
  );
  expect(toOrder(partly).map((one) => one.ref)).toEqual(['secondary-seal', 'no-such-part']);
  expect(awaited(partly).map((one) => one.ref)).toEqual(['front-ring', 'secondary-seal', 'no-such-part']);
  const whole = needsOf(record([order('1', null, [['front-ring', 2, 2]])]), family);
  expect(awaited(whole).map((one) => one.ref)).not.toContain('front-ring');
});
test('a step waits for its own parts, and a part stops the steps that need it', () => {
  const needs = needsOf(record(), family);
  expect(missingOf(['front-ring', 'lip-seal'], needs).map((one) => one.ref)).toEqual(['front-ring']);
  expect(missingOf([], needs)).toEqual([]);
  expect(stepsBlockedBy('front-ring', family)).toEqual(['Wear rings']);
  expect(stepsBlockedBy('no-such-part', family)).toEqual([]);
});
test('where the pump goes together a step waits for what it handles too, and once only; what comes apart is there', () => {
  const step = { needs: ['joint'], parts: ['casing', 'joint', 'cover'] };
  expect(partsOfStep(step, 'rebuild')).toEqual(['joint', 'casing', 'cover']);
  expect(partsOfStep(step, 'test')).toEqual(['joint', 'casing', 'cover']);
  expect(partsOfStep(step, 'teardown')).toEqual(['joint']);
});
test('a part that no step uses up stops the first step that takes it', () => {
  const rebuild = [
    { title: 'Bearings', needs: ['bearing'], parts: ['shaft'] },
    { title: 'Casing', needs: [], parts: ['casing', 'bearing'] },
    { title: 'Cover', needs: [], parts: ['casing', 'cover'] },
  ].map((own) => ({ ...present(family.rebuild[0]), ...own }));
  const blocked = (ref: string) => stepsBlockedBy(ref, { rebuild });
  expect(['casing', 'cover', 'bearing', 'base'].map(blocked)).toEqual([['Casing'], ['Cover'], ['Bearings'], []]);
});
test('a quote is answered by an answer to its own revision', () => {
  expect(hasQuoteAnswer(record())).toBe(true);
  expect(hasQuoteAnswer(record([], [approval('an-older-one', {})]))).toBe(false);
  expect(hasQuoteAnswer(exampleRecord())).toBe(false);
});
