import { asId, type Approval } from '../record';
import { exampleLine, exampleQuote } from '../record/example-record';
import { approvedNet } from './approved-net';

const line = (id: string, unitPriceMinor: number, change = {}) =>
  exampleLine({ id: asId(id), unitPriceMinor, ...change });
const answer = (id: string, quoteId: string, approved: readonly string[]): Approval =>
  ({
    id,
    quoteId,
    at: '',
    decisions: Object.fromEntries(approved.map((one) => [one, 'approved'])),
  }) as unknown as Approval;

const first = exampleQuote([line('a', 10_000), line('b', 5000), line('c', 7000)], { discountPct: 10 });
const second = exampleQuote([line('d', 8000)], { id: asId('quote-2'), revision: 2 });
const added = exampleQuote([line('s', 2000), line('t', 900, { struckReason: 'not needed' })], {
  ...{ id: asId('supplement-1'), kind: 'supplement' },
});

test('by hand: two of three lines less ten per cent, and a supplement without what was struck', () => {
  const approvals = [answer('1', 'quote-1', ['a', 'b']), answer('2', 'supplement-1', ['s', 't'])];
  // 150.00 less 15.00, and 20.00.
  expect(approvedNet({ quotes: [first, added], approvals })).toBe(13_500 + 2000);
});
test('of two answers to the quote the last counts, whichever revision it answers', () => {
  const approvals = [answer('1', 'quote-1', ['a', 'b', 'c']), answer('2', 'quote-2', ['d'])];
  expect(approvedNet({ quotes: [first, second], approvals })).toBe(8000);
});
test('nothing is approved before an answer, or by declining all', () => {
  expect(approvedNet({ quotes: [first], approvals: [] })).toBe(0);
  expect(approvedNet({ quotes: [first], approvals: [answer('1', 'quote-1', [])] })).toBe(0);
});
