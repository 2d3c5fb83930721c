import { present } from '../present';
import fc from 'fast-check';
import f1 from '../../../test-support/plain-overhung.json';
import { buildFamily, loadFamily } from '../family';
import { exampleDisposition, exampleFinding, exampleLine, exampleQuote, exampleRecord } from '../record/example-record';
import { asId, type Action, type Finding, type FindingId, type JobRecord } from '../record';
import { decisionText, growLines, lineTotalMinor, quoteText, totalQuote } from '.';
import { costingFindings } from '../scope';
import { bundleParts } from './bundle-parts';

const family = buildFamily(loadFamily(f1));
const rates = {
  labourMinorPerHour: 6800,
  machiningMinorPerHour: 8400,
  testMinor: 24000,
  freightMinor: 9500,
  partsMarkupPct: 10,
  wageMinorPerHour: null,
};
const finding = (id: string, partRef: string, action: Action | null, plain = `${partRef} is worn.`) =>
  exampleFinding({
    id: asId(id),
    partRef,
    words: `${partRef} worn`,
    plain,
    disposition: action && exampleDisposition(action),
  });
const grow = (findings: readonly Finding[], parts: JobRecord['parts'] = []) =>
  growLines({ family, record: { findings, parts, readings: [], looks: [], sheets: [] }, rates });

describe('lines out of dispositions', () => {
  test('without findings: soft parts, labour, test and freight only', () => {
    const lines = grow([]);
    expect(lines.filter((line) => line.findingIds.length)).toEqual([]);
    const bought = lines.flatMap((line) => line.parts.map((part) => part.ref)).sort();
    expect(bought).toEqual(
      family.parts
        .filter((part) => part.soft)
        .map((part) => part.ref)
        .sort(),
    );
    expect(lines.map((line) => line.kind)).toEqual(expect.arrayContaining(['labour', 'test', 'freight']));
  });
  test('a replaced part is bought with its mark-up and fitted by its machining', () => {
    const [ring, turning] = grow([finding('a', 'front-ring', 'replace')]);
    const price = present(family.parts.find((part) => part.ref === 'front-ring')).price_minor;
    expect(ring).toMatchObject({
      kind: 'part',
      unitPriceMinor: Math.round(price * 1.1),
      findingIds: ['a'],
      parts: [{ ref: 'front-ring', qty: 1 }],
    });
    expect(turning).toMatchObject({ kind: 'machining', quantity: 0.75, unitPriceMinor: 8400, findingIds: ['a'] });
  });
  test('two findings on one part share its line', () => {
    const own = grow([
      finding('a', 'impeller', 'replace', 'Pitted.'),
      finding('b', 'impeller', 'replace', 'Cracked.'),
    ]).filter((line) => line.parts.some((part) => part.ref === 'impeller'));
    expect(own).toHaveLength(1);
    expect(own[0]).toMatchObject({ findingIds: ['a', 'b'], plain: 'Pitted. Cracked.' });
  });
  test('rework, making and a donor are work, not a part', () => {
    const kinds = (action: Action) =>
      grow([finding('a', 'shaft', action)])
        .filter((line) => line.findingIds.includes(asId<FindingId>('a')))
        .map((line) => line.kind);
    expect([kinds('rework'), kinds('make in the shop'), kinds('take from a donor')]).toEqual([
      ['machining'],
      ['made'],
      ['labour'],
    ]);
  });
  test('what the customer reads of a line are sentences, each once, however the findings were typed', () => {
    const [shaft] = grow([
      finding('a', 'shaft', 'rework', 'worn under the seal'),
      finding('b', 'shaft', 'rework', 'Worn under the seal.'),
      finding('c', 'shaft', 'rework', ' is the keyway cracked? '),
      finding('d', 'shaft', 'rework', ''),
    ]);
    expect(shaft?.plain).toBe('Worn under the seal. Is the keyway cracked?');
  });
  test('parts of a kit are named once, however many of them are in it', () => {
    const alike = {
      ...family,
      parts: family.parts.map((part) => (part.soft ? { ...part, name: 'O-ring' } : part)),
    };
    const lines = growLines({
      family: alike,
      record: { findings: [], parts: [], readings: [], looks: [], sheets: [] },
      rates,
    }).filter((line) => line.kind === 'part');
    expect(lines.length).toBeGreaterThan(0);
    for (const { plain } of lines) expect(plain).toBe('Seals, bearings and gaskets that are always renewed: o-ring.');
  });
  test('a finding on a soft part stands on the line that buys it, once', () => {
    const lines = grow([finding('a', 'seal-face', 'replace')]);
    const own = lines.filter((line) => line.findingIds.includes(asId<FindingId>('a')));
    expect(own).toHaveLength(1);
    expect(present(own[0]).description).toBe('Seal kit');
  });
  test('missing and broken parts are bought, those never fitted are not', () => {
    const account = (ref: string, state: 'missing' | 'broken' | 'not fitted') => ({
      ref,
      state,
      note: '',
      version: 1,
      personId: null,
      personName: 'Ines',
      at: '',
    });
    const refs = grow(
      [],
      [account('spacer', 'missing'), account('coupling-key', 'broken'), account('deflector', 'not fitted')],
    ).flatMap((line) => line.parts.map((part) => part.ref));
    expect(refs).toEqual(expect.arrayContaining(['spacer', 'coupling-key']));
  });
  test('every disposition that costs is covered by a line', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.tuple(
            fc.constantFrom(...family.parts.map((part) => part.ref)),
            fc.constantFrom<Action>(
              'replace',
              'rework',
              'make in the shop',
              'take from a donor',
              'clean',
              'reuse as it is',
            ),
          ),
          { maxLength: 10 },
        ),
        (given) => {
          const findings = given.map(([ref, action], i) => finding(String(i), ref, action));
          const covered = new Set(grow(findings).flatMap((line) => line.findingIds));
          expect(costingFindings(findings, family).filter((one) => !covered.has(one.id))).toEqual([]);
        },
      ),
    );
  });
});

describe('kits against singles', () => {
  const priced = (need: ReadonlyMap<string, number>) =>
    bundleParts(family, need).reduce((sum, bundle) => sum + bundle.priceMinor, 0);
  const price = (ref: string) => present(family.parts.find((part) => part.ref === ref)).price_minor;
  test('the choice is never dearer than singles, and gives all that is needed', () => {
    fc.assert(
      fc.property(
        fc.dictionary(fc.constantFrom(...family.parts.map((part) => part.ref)), fc.integer({ min: 1, max: 3 })),
        (wanted) => {
          const need = new Map(Object.entries(wanted));
          expect(priced(need)).toBeLessThanOrEqual([...need].reduce((sum, [ref, qty]) => sum + qty * price(ref), 0));
          const given = new Map<string, number>();
          for (const { ref, qty } of bundleParts(family, need).flatMap((bundle) => bundle.parts))
            given.set(ref, (given.get(ref) ?? 0) + qty);
          for (const [ref, qty] of need) expect(given.get(ref) ?? 0).toBeGreaterThanOrEqual(qty);
        },
      ),
    );
  });
  test('one seal of a kit alone is bought singly', () =>
    expect(bundleParts(family, new Map([['seal-spring', 1]])).map((bundle) => bundle.title)).toEqual(['Seal spring']));
});

describe('totals', () => {
  test('lines are rounded one by one, tax once; a struck line is nothing', () => {
    const lines = [
      exampleLine({ quantity: 0.333, unitPriceMinor: 1000 }),
      exampleLine({ quantity: 0.333, unitPriceMinor: 1000 }),
      exampleLine({ unitPriceMinor: 99999, struckReason: 'later' }),
    ];
    expect(totalQuote(lines, { taxPct: 20, discountPct: 0 })).toEqual({
      linesMinor: 666,
      discountMinor: 0,
      netMinor: 666,
      taxMinor: 133,
      grossMinor: 799,
    });
  });
  test('half a cent goes up, binary crumbs or not', () => {
    expect(lineTotalMinor(exampleLine({ quantity: 0.5, unitPriceMinor: 1 }))).toBe(1);
    expect(lineTotalMinor(exampleLine({ quantity: 1.005, unitPriceMinor: 100 }))).toBe(101);
  });
  test('the sum is the sum of the lines', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            quantity: fc.integer({ min: 1, max: 1000 }).map((n) => n / 100),
            unitPriceMinor: fc.integer({ min: 0, max: 1e6 }),
            struckReason: fc.constantFrom(null, 'x'),
            discountPct: fc.constantFrom(0, 12.5),
          }),
          { maxLength: 20 },
        ),
        (lines) =>
          totalQuote(lines, { taxPct: 0, discountPct: 0 }).grossMinor ===
          lines.reduce((sum, line) => sum + lineTotalMinor(line), 0),
      ),
    );
  });
});

describe('the text that is fingerprinted', () => {
  const quote = exampleQuote([
    exampleLine(),
    exampleLine({ id: asId('line-2'), description: 'Sleeve', unitPriceMinor: 5000 }),
    exampleLine({ id: asId('line-3'), description: 'Struck one', struckReason: 'no' }),
  ]);
  test('names pump, lines and totals, and not what is struck', () => {
    const text = quoteText(exampleRecord(), quote);
    expect(text).toContain('Quillmere QB 50-160, serial QB-22871');
    expect(text).toContain('1. Wear ring: 1 pc at €100.00 = €100.00. A new ring.');
    expect(text).toContain('together €180.00.');
    expect(text).not.toContain('Struck one');
  });
  test('any change of a line changes it', () => {
    expect(
      quoteText(exampleRecord(), {
        ...quote,
        lines: [{ ...present(quote.lines[0]), unitPriceMinor: 10001 }, ...quote.lines.slice(1)],
      }),
    ).not.toBe(quoteText(exampleRecord(), quote));
  });
  test('a part answer says in writing what is not covered', () => {
    expect(decisionText(quote, { decisions: { 'line-1': 'approved', 'line-2': 'declined' }, option: null })).toBe(
      'Approved: Wear ring.\nTogether €100.00, with tax €120.00.\nNot approved and therefore not covered by this repair: Sleeve.',
    );
    expect(decisionText(quote, { decisions: { 'line-1': 'declined', 'line-2': 'declined' }, option: null })).toContain(
      'goes back as it is',
    );
    expect(decisionText(quote, { decisions: { 'line-1': 'approved', 'line-2': 'approved' }, option: null })).toContain(
      'Nothing was declined.',
    );
  });
});
