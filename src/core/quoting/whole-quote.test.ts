import f1 from '../../../test-support/plain-overhung.json';
import f6 from '@families/f6-internal-gear.json';
import { buildFamily, loadFamily } from '../family';
import { present } from '../present';
import { asId, type Action, type PartAccount, type QuoteLineId } from '../record';
import { exampleDisposition, exampleFinding, exampleQuote, exampleRecord } from '../record/example-record';
import { decisionText, growLines, quoteText, type DraftLine } from '.';
import { costingFindings } from '../scope';
import { bundleParts } from './bundle-parts';

/** One whole quote, line by line as a shop would write it; prices are the family's with 18 % on parts. */
const family = buildFamily(loadFamily(f1));
const rates = {
  ...{ labourMinorPerHour: 6800, machiningMinorPerHour: 8400, testMinor: 24000, freightMinor: 9500 },
  partsMarkupPct: 18,
  wageMinorPerHour: 3900,
};
const finding = (id: string, partRef: string, action: Action | null, plain: string) =>
  exampleFinding({ id: asId(id), partRef, words: plain, plain, disposition: action && exampleDisposition(action) });
const findings = [
  finding('f1', 'front-ring', 'replace', 'the ring is worn'),
  finding('f2', 'shaft', 'rework', 'The seat is loose!'),
  finding('f3', 'bracket', 'make in the shop', 'The frame is cracked.'),
  finding('f4', 'sleeve', 'take from a donor', ' the sleeve is grooved '),
  finding('f5', 'impeller-nut', 'rework', 'The thread is torn.'),
  finding('f6', 'seal-face', 'replace', 'The seal ran dry.'),
  finding('f7', 'impeller', 'clean', 'There is scale.'),
  finding('f8', 'spacer', 'reuse as it is', 'It is scratched.'),
  finding('f9', 'casing', null, 'It is pitted.'),
];
const brief = ({ kind, description, plain, quantity, unit, unitPriceMinor, findingIds, declinable }: DraftLine) =>
  [kind, description, plain, `${quantity} ${unit}`, unitPriceMinor, findingIds.join(), declinable] as const;
const renewed = (parts: string) => `Seals, bearings and gaskets that are always renewed: ${parts}.`;
const grow = (given: typeof findings, parts: readonly PartAccount[] = []) =>
  growLines({ family, record: { findings: given, parts, readings: [], looks: [], sheets: [] }, rates });

const asNew = [
  [
    'part',
    'Impeller nut, KW1-0922',
    'The nut that holds the wheel. It would be new instead of reworked.',
    '1 pc',
    3068,
    '',
    true,
  ],
  ['part', 'Shaft, KW1-0210', 'The shaft. It would be new instead of reworked.', '1 pc', 45430, '', true],
] as const;

test('every line of it: kind, words, amount, price, what it comes out of and whether it can be declined', () => {
  expect(grow(findings).map(brief)).toEqual([
    // 8800 and 18 %
    ['part', 'Front wear ring, KW1-0502', 'The ring is worn.', '1 pc', 10384, 'f1', true],
    ['machining', 'Turn the ring to the hub', 'Needed to fit the new front wear ring.', '0.75 h', 8400, 'f1', true],
    ['machining', 'Sleeve and grind a bearing seat', 'The seat is loose!', '3 h', 8400, 'f2', true],
    ['made', 'Make bearing bracket in the shop', 'The frame is cracked.', '2.5 h', 8400, 'f3', true],
    ['labour', 'Shaft sleeve from a donor, measured like new', 'The sleeve is grooved.', '0.5 h', 6800, 'f4', true],
    ['machining', 'Rework impeller nut', 'The thread is torn.', '1 h', 8400, 'f5', true],
    // 2600 and 38500, each with 18 %: what is reworked would be new in a repair as new
    ...asNew,
    [
      ...(['part', 'Seal kit'] as const),
      `${renewed('seal rotary face, seal stationary seat, seal spring, secondary seal, seal cover gasket')} The seal ran dry.`,
      ...(['1 pc', 25842, 'f6', false] as const),
    ],
    [
      ...(['part', 'Bearing kit'] as const),
      renewed('bearing, wet end; bearing, drive end; retaining ring; lip seal; deflector'),
      ...(['1 pc', 14986, '', false] as const),
    ],
    ['part', 'Casing gasket', renewed('casing gasket'), '1 pc', 1652, '', false],
    ['labour', 'Teardown and cleaning', 'Taking the pump apart and cleaning it.', '3.5 h', 6800, '', false],
    ['labour', 'As-found inspection', 'Measuring every part that matters.', '2 h', 6800, '', false],
    ['labour', 'Rebuild', 'Putting it together again.', '5.5 h', 6800, '', false],
    [
      ...(['test', 'Test on the stand, grade 2B of ISO 9906'] as const),
      'The rebuilt pump is run and measured before it leaves.',
      ...(['1 pc', 24000, '', false] as const),
    ],
    ['freight', 'Return freight', 'Bringing the pump back to you.', '1 pc', 9500, '', true],
  ]);
});

test('only what is bought names parts; nothing is struck at first', () => {
  const lines = grow(findings);
  expect(
    lines.filter((line) => line.parts.length).map((line) => line.parts.map(({ ref, qty }) => `${qty} ${ref}`)),
  ).toEqual([
    ['1 front-ring'],
    ...[['1 impeller-nut'], ['1 shaft']],
    ['1 seal-face', '1 seal-seat', '1 seal-spring', '2 secondary-seal', '1 cover-gasket'],
    ['1 wet-bearing', '1 drive-bearing', '1 retaining-ring', '2 lip-seal', '1 deflector'],
    ['1 casing-gasket'],
  ]);
  expect(lines.every((line) => line.struckReason === null)).toBe(true);
});

test('what costs: all but what is cleaned, used as it is, or not decided', () => {
  expect(costingFindings(findings, family).map((one) => one.id)).toEqual(['f1', 'f2', 'f3', 'f4', 'f5', 'f6']);
});

test('a part reworked and another finding on it: one line an action; replaced, the rest goes with it', () => {
  const both = [finding('a', 'shaft', 'rework', 'One.'), finding('b', 'shaft', 'make in the shop', 'Two.')];
  expect(grow(both).slice(0, 2).map(brief)).toEqual([
    ['machining', 'Sleeve and grind a bearing seat', 'One. Two.', '3 h', 8400, 'a,b', true],
    ['made', 'Make shaft in the shop', 'One. Two.', '2.5 h', 8400, 'a,b', true],
  ]);
  const replaced = [finding('a', 'shaft', 'rework', 'One.'), finding('b', 'shaft', 'replace', 'One.')];
  // 38500 and 18 %; nobody machines a new shaft
  expect(
    grow(replaced)
      .slice(0, 2)
      .map((line) => line.description),
  ).toEqual(['Shaft, KW1-0210', 'Seal kit']);
  expect(grow(replaced)[0]).toMatchObject({ unitPriceMinor: 45430, plain: 'One.', findingIds: ['a', 'b'] });
});

describe('what must be bought for another reason', () => {
  const account = (ref: string, state: PartAccount['state']): PartAccount => ({
    ...{ ref, state, note: '', version: 1, personId: null, personName: 'Odile', at: '' },
  });
  const titles = (parts: readonly PartAccount[]) =>
    grow([], parts)
      .filter((line) => line.kind === 'part')
      .map((line) => `${line.description} ${line.unitPriceMinor}`);
  const usual = ['Seal kit 25842', 'Bearing kit 14986', 'Casing gasket 1652'];
  test('missing and broken parts are, parts that are here are not', () => {
    expect(titles([account('casing', 'present')])).toEqual(usual);
    expect(titles([account('impeller', 'missing')])).toEqual(['Impeller, KW1-0230 48380', ...usual]);
    expect(titles([account('front-ring', 'broken')])).toEqual(['Front wear ring, KW1-0502 10384', ...usual]);
  });
  test('a soft part that was never fitted is not', () => {
    expect(titles([account('casing-gasket', 'not fitted')])).toEqual(usual.slice(0, 2));
    expect(titles([account('impeller', 'not fitted')])).toEqual(usual);
  });
});

describe('kits', () => {
  const need = (...pairs: readonly (readonly [string, number])[]) => new Map(pairs);
  const bought = (given: ReturnType<typeof need>) =>
    bundleParts(family, given).map(({ title, priceMinor }) => `${title} ${priceMinor}`);
  test('are bought where they cost less than their parts singly', () => {
    // face, seat and spring singly: 11800 + 6900 + 2100 = 20800; the kit costs 21900
    expect(bought(need(['seal-face', 1], ['seal-seat', 1], ['seal-spring', 1]))).toEqual([
      ...['Seal rotary face 11800', 'Seal stationary seat 6900', 'Seal spring 2100'],
    ]);
    // with two secondary seals 23200: the kit
    expect(bought(need(['seal-face', 1], ['seal-seat', 1], ['seal-spring', 1], ['secondary-seal', 2]))).toEqual([
      'Seal kit 21900',
    ]);
  });
  test('leave what they do not hold to be bought singly, as many as are still needed', () => {
    expect(bought(need(['seal-face', 1], ['seal-seat', 1], ['seal-spring', 1], ['secondary-seal', 4]))).toEqual([
      ...['Seal kit 21900', 'Secondary seal 2400'],
    ]);
    expect(bought(need())).toEqual([]);
  });
  test('at the same price the single parts are bought', () => {
    const alike = {
      ...family,
      kits: [{ ...present(family.kits[0]), price_minor: 11800, gives: [{ part: 'seal-face', qty: 1 }] }],
    };
    expect(bundleParts(alike, need(['seal-face', 1])).map((one) => one.title)).toEqual(['Seal rotary face']);
  });
});

test('a displacement pump is tested by its flow at pressure', () => {
  const lines = growLines({
    family: buildFamily(loadFamily(f6), {}),
    record: { findings: [], parts: [], readings: [], looks: [], sheets: [] },
    rates,
  });
  expect(lines.find((line) => line.kind === 'test')?.description).toBe('Test on the stand: flow at pressure');
});

describe('what the customer reads and answers', () => {
  const lines = grow([finding('f1', 'front-ring', 'replace', 'The ring is worn.')]).map((line, i) => ({
    ...line,
    id: asId<QuoteLineId>(`l${i + 1}`),
  }));
  const quote = exampleQuote(lines.slice(0, 2), { revision: 2, validUntil: '2026-12-24', taxPct: 20 });
  test('is the whole offer, from its head to its sum', () => {
    // 103.84; 0.75 h at 84.00 are 63.00; together 166.84, a fifth 33.37, in all 200.21
    expect(quoteText(exampleRecord(), quote)).toBe(
      [
        'Quote for P-0417, revision 2',
        'Quillmere QB 50-160, serial QB-22871',
        'For Harrowmere Botanical Garden. Valid until 2026-12-24.',
        '',
        '1. Front wear ring, KW1-0502: 1 pc at €103.84 = €103.84. The ring is worn.',
        '2. Turn the ring to the hub: 0.75 h at €84.00 = €63.00. Needed to fit the new front wear ring.',
        '',
        'Sum of the lines €166.84, tax 20 % €33.37, together €200.21.',
      ].join('\n'),
    );
  });
  test('what is struck is not offered', () => {
    const [ring, turning] = quote.lines;
    const struck = { ...quote, lines: [{ ...present(ring), struckReason: 'they have one' }, present(turning)] };
    expect(quoteText(exampleRecord(), struck)).toContain('\n\n1. Turn the ring to the hub');
    expect(decisionText(struck, { decisions: { l1: 'approved', l2: 'approved' }, option: null })).toBe(
      'Approved: Turn the ring to the hub.\nTogether €63.00, with tax €75.60.\nNothing was declined.',
    );
  });
  test('an answer names what is approved and what is not covered', () => {
    expect(decisionText(quote, { decisions: { l1: 'approved', l2: 'declined' }, option: null })).toBe(
      'Approved: Front wear ring, KW1-0502.\nTogether €103.84, with tax €124.61.\nNot approved and therefore not covered by this repair: Turn the ring to the hub.',
    );
    expect(decisionText(quote, { decisions: { l1: 'approved', l2: 'approved' }, option: null })).toContain(
      'Approved: Front wear ring, KW1-0502; Turn the ring to the hub.',
    );
    const whole = exampleQuote(lines, { taxPct: 20 });
    const few = decisionText(whole, { decisions: { l1: 'approved' }, option: null });
    expect(few).toContain('not covered by this repair: Turn the ring to the hub; Seal kit; Bearing kit');
    expect(decisionText(quote, { decisions: {}, option: null })).toBe(
      'Everything is declined. The pump goes back as it is.',
    );
  });
});
