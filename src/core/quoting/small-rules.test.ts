import f1 from '../../../test-support/plain-overhung.json';
import { buildFamily, loadFamily, type Family } from '../family';
import { asId, type JobRecord, type Quote } from '../record';
import { exampleLine, exampleQuote, exampleRecord } from '../record/example-record';
import { partsAtRisk } from './at-risk';
import {
  buyingKey,
  fittingKey,
  handKey,
  isAlwaysNew,
  isClosingUp,
  isFitting,
  isHandMade,
  isStandingWork,
  materialKey,
  outsideKey,
} from './line-keys';
import { addedMinutes, leadOfLines, linesAhead } from './quoted-work';
import { criticalDeclines, unsettledDecline } from './unsettled-decline';

const family = buildFamily(loadFamily(f1));
const line = (id: string, change: object = {}) => exampleLine({ id: asId(id), key: id, ...change });

test('what kind of line it is stands in its key', () => {
  const keys = [handKey('7'), 'work:strip', 'freight', buyingKey('seal-kit'), fittingKey('replace:ring')];
  expect([...keys, outsideKey('O-1'), materialKey('make:cap')]).toEqual([
    ...['hand:7', 'work:strip', 'freight', 'buy:seal-kit', 'replace:ring/fit', 'outside:O-1', 'make:cap/material'],
  ]);
  const which = (is: (keyed: { key: string }) => boolean) => keys.filter((key) => is({ key }));
  expect(which(isHandMade)).toEqual(['hand:7']);
  expect(which(isStandingWork)).toEqual(['work:strip']);
  // The work up to the answer and the way back are paid even where nothing else is done.
  expect(which(isClosingUp)).toEqual(['work:strip', 'freight']);
  expect(which(isAlwaysNew)).toEqual(['buy:seal-kit']);
  expect(which(isFitting)).toEqual(['replace:ring/fit']);
});

describe('what would be bought before the answer', () => {
  const buys = (ref: string, qty: number, change: object = {}) =>
    line(`replace:${ref}`, { kind: 'part', parts: [{ ref, qty }], quantity: qty, ...change });
  const atRisk = (
    quote: Partial<Quote>,
    lines = [buys('front-ring', 1), buys('coupling-half', 2)],
    change: object = {},
  ) => partsAtRisk(exampleRecord({ quotes: [exampleQuote(lines, quote)], ...change }), family);
  const leadOf = (ref: string) => family.parts.find((part) => part.ref === ref)?.lead_days ?? 0;

  test.each(['draft', 'sent'] as const)('of a quote that is %s has its list price and its longest lead', (state) => {
    // A ring of 88.00 and two halves of 98.00.
    expect(atRisk({ state })).toMatchObject({
      valueMinor: 28400,
      longestDays: Math.max(leadOf('front-ring'), leadOf('coupling-half')),
    });
  });
  test.each(['answered', 'superseded'] as const)('is nothing of one that is %s, or where there is none', (state) => {
    expect(atRisk({ state })).toBeNull();
    expect(partsAtRisk(exampleRecord(), family)).toBeNull();
  });
  test('is of the option that is advised', () => {
    const lines = [buys('front-ring', 1, { options: ['as new'] }), buys('coupling-half', 1)];
    const options = ['recommended', 'as new'] as const;
    expect(atRisk({ state: 'sent', options, advised: 'recommended' }, lines)?.valueMinor).toBe(9800);
    expect(atRisk({ state: 'sent', options, advised: 'as new' }, lines)?.valueMinor).toBe(18600);
  });
  test('has no lead and no value where nothing is bought', () =>
    expect(atRisk({ state: 'draft' }, [line('work:strip', { kind: 'labour', parts: [] })])).toEqual({
      ...{ needs: [], valueMinor: 0, longestDays: 0 },
    }));
});

describe('what lies ahead of a quote', () => {
  const kits = [{ id: 'seal-kit', lead_days: 5 }] as unknown as Family['kits'];
  const parts = [
    { ref: 'ring', lead_days: 4 },
    { ref: 'shaft', lead_days: 12 },
  ] as unknown as Family['parts'];
  const lead = (...lines: ReturnType<typeof line>[]) => leadOfLines(lines, { parts, kits });

  test('a kit comes as the kit, a part as the part; the longest counts', () => {
    const kit = line('buy:seal-kit', { parts: [{ ref: 'shaft', qty: 1 }] });
    expect(lead(kit)).toBe(5);
    expect(lead(kit, line('replace:shaft', { parts: [{ ref: 'shaft', qty: 1 }] }))).toBe(12);
    expect(lead(line('replace:ring', { parts: [{ ref: 'ring', qty: 1 }] }))).toBe(4);
    expect(lead()).toBe(0);
    expect(lead(line('freight', { parts: [] }))).toBe(0);
  });
  test('hours that lines add to the standing work are minutes, all or of one kind', () => {
    const lines = [
      line('work:strip', { kind: 'labour', unit: 'h', quantity: 3.5 }),
      line('rework:shaft', { kind: 'machining', unit: 'h', quantity: 2 }),
      line('hand:1', { kind: 'labour', unit: 'h', quantity: 0.5 }),
      line('replace:ring', { kind: 'part', unit: 'pc', quantity: 9 }),
    ];
    expect(addedMinutes(lines)).toBe(150);
    expect(addedMinutes(lines, 'machining')).toBe(120);
    expect(addedMinutes(lines, 'labour')).toBe(30);
  });
  test('are the lines that it advises until it is answered, then what was approved; none before a quote', () => {
    const lines = [line('a'), line('b', { options: ['as new'] })];
    const quote = exampleQuote(lines, { options: ['recommended', 'as new'], advised: 'recommended', state: 'sent' });
    const ids = (record: JobRecord) => linesAhead(record)?.map(({ id }) => id);
    expect(linesAhead(exampleRecord())).toBeNull();
    expect(ids(exampleRecord({ quotes: [quote] }))).toEqual(['a']);
    const single = { ...quote, options: [] };
    expect(ids(exampleRecord({ quotes: [single] }))).toEqual(['a', 'b']);
    const answer = { id: 'x', quoteId: quote.id, decisions: { a: 'declined', b: 'approved' }, option: 'as new' };
    const answered = { ...quote, state: 'answered' as const };
    expect(ids(exampleRecord({ quotes: [answered], approvals: [answer] as never }))).toEqual(['b']);
  });
});

describe('a critical decline', () => {
  const quote = exampleQuote([line('seal', { critical: true }), line('ring'), line('gear', { critical: true })]);
  const supplement = exampleQuote([line('hub', { critical: true })], { id: asId('s'), kind: 'supplement' });
  const answer = (id: string, quoteId: Quote['id'], decisions: object) => ({ id, quoteId, decisions, option: null });
  const of = (...approvals: object[]) =>
    ({ quotes: [quote, supplement], approvals, declines: [] }) as unknown as JobRecord;
  const named = (record: JobRecord) =>
    criticalDeclines(record).map(({ approval, lines }) => [approval.id, lines.map(({ id }) => id)]);

  test('is of critical lines alone, where something else was approved', () => {
    const some = answer('a', quote.id, { seal: 'declined', ring: 'declined', gear: 'approved' });
    expect(named(of(some))).toEqual([['a', ['seal']]]);
    expect(named(of(answer('a', quote.id, { seal: 'approved', ring: 'declined', gear: 'approved' })))).toEqual([]);
  });
  test('is none where the whole repair is declined: the pump goes back; of a supplement it is one', () => {
    expect(named(of(answer('a', quote.id, { seal: 'declined', ring: 'declined', gear: 'declined' })))).toEqual([]);
    expect(named(of(answer('b', supplement.id, { hub: 'declined' })))).toEqual([['b', ['hub']]]);
  });
  test('waits until the shop has said how it goes on', () => {
    const record = of(answer('b', supplement.id, { hub: 'declined' }));
    expect(unsettledDecline(record)?.approval.id).toBe('b');
    const settled = { ...record, declines: [{ approvalId: 'b' }] } as unknown as JobRecord;
    expect(unsettledDecline(settled)).toBeNull();
    expect(unsettledDecline(of())).toBeNull();
  });
});
