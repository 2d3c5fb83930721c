import { asId, type ComparisonBasis, type OptionLevel, type QuoteLine } from '../record';
import { exampleLine, exampleQuote, exampleReading, exampleRecord } from '../record/example-record';
import f4 from '../../../families/f4-bore-hole.json';
import f1 from '../../../test-support/plain-overhung.json';
import { buildFamily, loadFamily } from '../family';
import { present } from '../present';
import {
  changedSinceSent,
  compareRevisions,
  compareWays,
  decisionText,
  defaultBasis,
  distinctOptions,
  draftLine,
  marginOf,
  offeredLines,
  quoteText,
  reviseLines,
  standsIn,
  totalQuote,
  type DraftLine,
} from '.';

const line = (id: string, unitPriceMinor: number, change: Partial<QuoteLine> = {}) =>
  exampleLine({ id: asId(id), key: id, itemKeys: [id], description: id, unitPriceMinor, ...change });
const better: readonly OptionLevel[] = ['recommended', 'as new'];
/** Seal in all, ring from recommended on, wheel as new only: 100, 150 and 650. */
const lines = [
  line('seal', 10000),
  line('ring', 5000, { options: better, instead: 'stays worn' }),
  line('wheel', 50000, { options: ['as new'], instead: 'kept' }),
];
const whole = exampleQuote(lines, { options: ['minimum', 'recommended', 'as new'] });

describe('options', () => {
  test('each is the sum of its own lines', () => {
    const sums = whole.options.map((option) => totalQuote(offeredLines(whole, option), whole).netMinor);
    expect(sums).toEqual([10000, 15000, 65000]);
  });
  test('a line that names none stands in all, and all lines stand where nothing is to choose', () => {
    expect([standsIn({ options: [] }, 'minimum'), standsIn({ options: better }, 'minimum')]).toEqual([true, false]);
    expect(standsIn({ options: ['as new'] }, null)).toBe(true);
  });
  test('only options that differ are offered beside each other', () => {
    expect(distinctOptions(lines)).toEqual(['minimum', 'recommended', 'as new']);
    expect(distinctOptions(lines.slice(0, 2))).toEqual(['minimum', 'recommended']);
    expect(distinctOptions([present(lines[0]), present(lines[2])])).toEqual(['recommended', 'as new']);
    expect(distinctOptions(lines.slice(0, 1))).toEqual([]);
    const struck = [present(lines[0]), { ...present(lines[2]), struckReason: 'not wanted' }];
    expect(distinctOptions(struck)).toEqual([]);
  });
});

describe('discounts', () => {
  test('off a line, off the whole, and as a line below nothing', () => {
    // 100 less 10 % is 90; 50; less 20 off by hand: 120; less 5 % is 114; a fifth of that is 22.80
    const all = [line('a', 10000, { discountPct: 10 }), line('b', 5000), line('c', -2000, { kind: 'discount' })];
    expect(totalQuote(all, { taxPct: 20, discountPct: 5 })).toEqual({
      ...{ linesMinor: 12000, discountMinor: 600, netMinor: 11400, taxMinor: 2280, grossMinor: 13680 },
    });
  });
  test('half a cent of a discount goes to the customer', () => {
    // 12.5 % of 0.20 is 0.025: 0.03 off
    expect(totalQuote([line('a', 20, { discountPct: 12.5 })], { taxPct: 0, discountPct: 0 }).netMinor).toBe(17);
  });
});

test('margin is what is left after costs; lines whose cost nobody knows are counted', () => {
  // 100 + 2 h at 68 = 236; costs 60 + 2 × 39 = 138; 98 of 236 are 41.5 %
  const all = [
    line('part', 10000, { unitCostMinor: 6000 }),
    line('work', 6800, { quantity: 2, unitCostMinor: 3900 }),
    line('paint', 0, { unitCostMinor: null }),
    line('struck', 9900, { unitCostMinor: 9000, struckReason: 'no' }),
    line('off', 0, { kind: 'discount' }),
  ];
  const margin = marginOf(all, { taxPct: 20, discountPct: 0 });
  expect([margin.minor, margin.unknown]).toEqual([9800, 1]);
  expect(margin.pct).toBeCloseTo(41.53, 2);
  expect(marginOf([], { taxPct: 20, discountPct: 0 })).toEqual({ minor: 0, pct: null, unknown: 0 });
});

describe('a revision', () => {
  const grown = (key: string, unitPriceMinor: number, quantity = 1): DraftLine =>
    draftLine({ key, kind: 'part', description: key, plain: key, unitPriceMinor, quantity, itemKeys: [key] });
  test('takes what the record proposes, and keeps what a person changed', () => {
    const last = [
      line('seal', 10000),
      line('ring', 4500, {
        byHand: true,
        description: 'Ring, our price',
        proposed: { quantity: 1, unitPriceMinor: 5000 },
      }),
    ];
    const [seal, ring] = reviseLines([grown('seal', 11000), grown('ring', 5000)], last);
    expect(seal).toMatchObject({ unitPriceMinor: 11000, byHand: false, proposed: null });
    expect(ring).toMatchObject({ unitPriceMinor: 4500, description: 'Ring, our price', byHand: true });
    expect(ring).toMatchObject({ proposed: { quantity: 1, unitPriceMinor: 5000 }, proposalMoved: false });
  });
  test('says where the proposal moved beneath a price by hand', () => {
    const last = [line('ring', 12000, { byHand: true, proposed: { quantity: 1, unitPriceMinor: 11000 } })];
    const [ring] = reviseLines([grown('ring', 13100)], last);
    expect(ring).toMatchObject({ unitPriceMinor: 12000, proposalMoved: true, proposed: { unitPriceMinor: 13100 } });
  });
  test('a price by hand that is what is proposed now has nothing to take', () => {
    const last = [line('ring', 12000, { byHand: true, proposed: { quantity: 1, unitPriceMinor: 11000 } })];
    expect(reviseLines([grown('ring', 12000)], last)).toMatchObject([{ proposed: null, byHand: true }]);
  });
  test('keeps strikes, options and discounts by hand, and lines made by hand; what nothing proposes any more goes', () => {
    const last = [
      line('seal', 10000, {
        byHand: true,
        struckReason: 'they have one',
        options: better,
        instead: 'theirs',
        discountPct: 5,
      }),
      line('gone', 700, { byHand: true }),
      line('hand:1', 12000, { byHand: true, description: 'Carried out by the side door' }),
    ];
    const after = reviseLines([grown('seal', 10000)], last);
    expect(after.map(({ key }) => key)).toEqual(['seal', 'hand:1']);
    expect(after[0]).toMatchObject({
      struckReason: 'they have one',
      options: better,
      instead: 'theirs',
      discountPct: 5,
    });
    expect(after[1]).toMatchObject({ unitPriceMinor: 12000, description: 'Carried out by the side door' });
    expect(after.every((one) => !('id' in one))).toBe(true);
  });
});

describe('what changed since', () => {
  const before = exampleQuote([...lines, line('paint', 900)], { options: whole.options });
  const after = exampleQuote(
    [
      line('seal', 10000, { description: 'seal kit' }),
      line('ring', 6140, { options: better }),
      line('wheel', 50000, { options: better }),
      line('hub', 7400),
    ],
    { options: whole.options, revision: 2, id: asId('quote-2') },
  );
  test('lines new, gone, dearer, elsewhere and in other words', () => {
    expect(compareRevisions(before, after).lines).toEqual([
      { key: 'seal', description: 'seal kit', change: 'words', beforeMinor: 10000, afterMinor: 10000 },
      { key: 'ring', description: 'ring', change: 'price', beforeMinor: 5000, afterMinor: 6140 },
      { key: 'wheel', description: 'wheel', change: 'options', beforeMinor: 50000, afterMinor: 50000 },
      { key: 'hub', description: 'hub', change: 'new', beforeMinor: null, afterMinor: 7400 },
      { key: 'paint', description: 'paint', change: 'gone', beforeMinor: 900, afterMinor: null },
    ]);
  });
  test('and the sums of the options that both offer', () => {
    expect(compareRevisions(before, after).options).toEqual([
      { option: 'minimum', beforeMinor: 10900, afterMinor: 17400 },
      { option: 'recommended', beforeMinor: 15900, afterMinor: 73540 },
      { option: 'as new', beforeMinor: 65900, afterMinor: 73540 },
    ]);
  });
  test('a struck line is none; a price that is struck later is gone', () => {
    const struck = exampleQuote([{ ...present(lines[0]), struckReason: 'no' }]);
    expect(compareRevisions(exampleQuote(lines.slice(0, 1)), struck).lines).toMatchObject([
      { key: 'seal', change: 'gone' },
    ]);
  });
  test('is said against the last revision that the customer saw', () => {
    const unsent = exampleQuote(lines, { revision: 2, sentAt: null, id: asId('unsent') });
    const third = exampleQuote(lines.slice(0, 1), { revision: 3, id: asId('third') });
    expect(changedSinceSent([before, unsent, third], third)?.since).toEqual({ revision: 1, sentAt: before.sentAt });
    expect(changedSinceSent([unsent, third], third)).toBeNull();
    expect(changedSinceSent([before], before)).toBeNull();
    const added = exampleQuote(lines, { kind: 'supplement', revision: 2, id: asId('s') });
    expect(changedSinceSent([before, added], added)).toBeNull();
  });
});

describe('the words of options', () => {
  test('the offer names them, which is advised, and what happens without a line', () => {
    const text = quoteText(exampleRecord(), { ...whole, note: 'As we said on the telephone.' });
    expect(text).toContain('\n\nAs we said on the telephone.\n\n1. seal:');
    expect(text).toContain('2. ring: 1 pc at €50.00 = €50.00. A new ring. (Recommended, As new, otherwise stays worn)');
    expect(text).toContain('Minimum to run: sum of the lines €100.00, tax 20 % €20.00, together €120.00.');
    expect(text).toContain('Recommended, which we advise: sum of the lines €150.00');
    expect(text).toContain('As new: sum of the lines €650.00');
  });
  test('a discount stands on its line and on the sum', () => {
    const off = exampleQuote([line('seal', 10000, { discountPct: 10 })], { discountPct: 5 });
    const text = quoteText(exampleRecord(), off);
    expect(text).toContain('1 pc at €100.00 less 10 % = €90.00');
    expect(text).toContain('Sum of the lines €90.00 less 5 % €4.50 is €85.50, tax 20 % €17.10, together €102.60.');
  });
  test('a supplement is called so', () => {
    const added = exampleQuote(lines.slice(0, 1), { kind: 'supplement', revision: 2 });
    expect(quoteText(exampleRecord(), added)).toContain('Supplement 2 for P-0417\n');
  });
  test('an answer says what was chosen, what that leaves out, and what was declined against advice', () => {
    const critical = { ...whole, lines: [...lines, line('gear', 54000, { critical: true })] };
    const decisions = { seal: 'approved', ring: 'not chosen', wheel: 'not chosen', gear: 'declined' } as const;
    expect(decisionText(critical, { decisions, option: 'minimum' })).toBe(
      [
        ...['Chosen: Minimum to run.', 'Approved: seal.', 'Together €100.00, with tax €120.00.'],
        'Left out of this option: ring: stays worn; wheel: kept.',
        'Declined though the pump may fail without it, which was said and confirmed: gear.',
        'Not approved and therefore not covered by this repair: gear.',
      ].join('\n'),
    );
  });
});

test('a supplement that is declined leaves the damage in, and says whether that was confirmed', () => {
  const added = (critical: boolean) =>
    exampleQuote([line('Gear', 54000, { critical })], { kind: 'supplement', revision: 1 });
  const decisions = { Gear: 'declined' } as const;
  expect(decisionText(added(false), { decisions, option: null })).toBe(
    'Declined: Gear. It stays as it is and is not covered by this repair.',
  );
  expect(decisionText(added(true), { decisions, option: null })).toBe(
    'Declined, though the pump may fail without it, which was said and confirmed: Gear. It stays as it is and is not covered by this repair.',
  );
});

describe('the ways against each other', () => {
  const family = buildFamily(loadFamily(f1));
  const places = present(family.points.find(({ id }) => id === 'ring-bore')).places;
  const read = (pointId: string, value: number) =>
    places.map(({ plane, angle_deg }) => exampleReading(pointId, `${plane}:${angle_deg}`, value));
  /** A gap of 0.83 mm where 0.30 to 0.38 are designed. */
  const record = exampleRecord({ readings: [...read('ring-bore', 100.83), ...read('hub-diameter', 100)] });
  const basis: ComparisonBasis = {
    ...{ hoursPerYear: 8000, pricePerKwhMinor: 25, interestPct: 0, hireMinorPerDay: 1000 },
    lifeYears: { minimum: 2, recommended: 4, 'as new': 5, 'as it is': 1, 'new unit': 10 },
    newUnit: { priceMinor: 374000, days: 30 },
  };
  const ring = { ...present(lines[1]), itemKeys: ['replace:front-ring'] };
  const strip = line('work:strip', 20000);
  const quote = exampleQuote([strip, present(lines[0]), ring, present(lines[2])], { options: whole.options });
  const daysOut = { minimum: 5, recommended: 8, 'as new': 20, 'as it is': 2 };
  const compared = compareWays({ record, family, quote, basis, daysOut });
  const way = (name: string) => present(compared.ways.find((one) => one.way === name));

  test('the gap’s extra leakage becomes energy a year, by the annulus and the duty', () => {
    const [gap] = compared.gaps;
    // By hand: Q = π·D·c·√(2·g·H / (1.5 + λ·L/2c)) with H = 0.75 · 32 m, L 18 mm, λ 0.04:
    // c 415 µm gives 6.67 m³/h at D 100.83, c 170 µm gives 2.21; 4.46 of 25 m³/h, of 3.3 kW over 8000 h
    expect(gap).toMatchObject({ pointId: 'ring-clearance', partRef: 'front-ring' });
    const leak = (c: number) =>
      3600 * Math.PI * 0.10083 * c * Math.sqrt((2 * 9.80665 * 24) / (1.5 + (0.04 * 0.018) / (2 * c)));
    const extra = leak(415e-6) - leak(170e-6);
    expect(present(gap).extraM3h).toBeCloseTo(extra, 6);
    expect(present(gap).kwhYear).toBeCloseTo((extra / 25) * 3.3 * 8000, 3);
    expect(present(gap).powerPct).toBeCloseTo((100 * extra) / 25, 6);
  });
  test('of several stages each gap sees its stage’s head, and wastes its stage’s power', () => {
    const stacked = buildFamily(loadFamily(f4), { counts: { stage: 4 } });
    const point = present(stacked.points.find(({ id }) => id === 'ring-bore-3'));
    const at = (pointId: string, value: number) =>
      point.places.map(({ plane, angle_deg }) => exampleReading(pointId, `${plane}:${angle_deg}`, value));
    const worn = exampleRecord({ readings: [...at('ring-bore-3', 66.9), ...at('neck-3', 65.5)] });
    const { gaps } = compareWays({ record: worn, family: stacked, quote, basis, daysOut });
    // 1.4 mm where 0.30 to 0.50 are designed, 8 mm long, 0.75 of a quarter of 32 m: Q as above at D 66.9
    const leak = (c: number) =>
      3600 * Math.PI * 0.0669 * c * Math.sqrt((2 * 9.80665 * 6) / (1.5 + (0.04 * 0.008) / (2 * c)));
    const extra = leak(700e-6) - leak(200e-6);
    expect(gaps).toMatchObject([{ pointId: 'neck-clearance-3', partRef: 'seal-ring' }]);
    expect(present(gaps[0]).extraM3h).toBeCloseTo(extra, 6);
    expect(present(gaps[0]).kwhYear).toBeCloseTo((extra / 25) * (3.3 / 4) * 8000, 3);
  });
  test('a gap is closed by work on either of its sides, and by no other', () => {
    const lostBy = (key: string) => {
      const on = exampleQuote([{ ...present(lines[1]), options: [], itemKeys: [key] }]);
      return present(compareWays({ record, family, quote: on, basis, daysOut }).ways[0]).lostKwhYear;
    };
    expect([lostBy('replace:front-ring'), lostBy('rework:impeller')]).toEqual([0, 0]);
    expect(lostBy('replace:shaft')).toBe(present(compared.gaps[0]).kwhYear);
  });
  test('power is lost where the ring stays worn, and nowhere else', () => {
    const lost = present(compared.gaps[0]).kwhYear;
    expect(compared.ways.map(({ way: name, lostKwhYear }) => [name, lostKwhYear])).toEqual([
      ['minimum', lost],
      ['recommended', 0],
      ['as new', 0],
      ['as it is', lost],
      ['new unit', 0],
    ]);
  });
  test('price and hire over the life, power beside them: each by hand', () => {
    // recommended: 200 + 100 + 50 = 350 over 4 years is 87.50 a year; 8 days at 10 are 80, 20 a year
    expect(way('recommended')).toMatchObject({
      priceMinor: 35000,
      priceYearMinor: 8750,
      hireYearMinor: 2000,
      yearMinor: 10750,
    });
    // as it is: what was done before the answer, 200 over one year; 2 days; the power of the worn ring
    expect(way('as it is')).toMatchObject({ priceMinor: 20000, priceYearMinor: 20000, hireYearMinor: 2000 });
    expect(way('as it is').lostYearMinor).toBeCloseTo(present(compared.gaps[0]).kwhYear * 25, 6);
    expect(way('new unit')).toMatchObject({
      priceMinor: 374000,
      priceYearMinor: 37400,
      hireYearMinor: 3000,
      yearMinor: 40400,
    });
    expect(compared.least).toBe('recommended');
  });
  test('the answer turns where a way costs as much a year as the best of the others', () => {
    const turn = (name: string) => present(compared.turns.find((one) => one.way === name));
    // as new: 850 over 5 years is 170, hire 20 × 10 / 5 = 40 → 210 a year, dearer than none but recommended
    const minimum = 30000 / 2 + (5 * 1000) / 2 + present(compared.gaps[0]).kwhYear * 25;
    const best = Math.min(way('as new').yearMinor, minimum, way('as it is').yearMinor, 40400);
    expect(way('as new').yearMinor).toBe(21000);
    expect(turn('recommended')).toMatchObject({ isLeast: true, turnsAtMinor: Math.round(35000 + (best - 10750) * 4) });
    // a new unit would have to cost so much less that 40400 becomes 10750: 296500 less
    expect(turn('new unit')).toMatchObject({ isLeast: false, turnsAtMinor: 374000 - 296500, against: 'Recommended' });
  });
  test('where nobody asked for a new unit it is left out; without a duty or readings no power is lost', () => {
    const alone = compareWays({ record: exampleRecord(), family, quote, basis: { ...basis, newUnit: null }, daysOut });
    expect(alone.ways.map(({ way: name }) => name)).toEqual(['minimum', 'recommended', 'as new', 'as it is']);
    expect(alone.gaps).toEqual([]);
    const still = { ...record, intake: { ...record.intake, duty: null } };
    expect(compareWays({ record: still, family, quote, basis, daysOut }).gaps).toEqual([]);
    expect(alone.turns.map(({ way: name }) => name)).toEqual(['recommended']);
  });
  test('a quote with nothing to choose is compared as what is advised', () => {
    const single = compareWays({ record, family, quote: exampleQuote(lines), basis: defaultBasis, daysOut: {} });
    expect(single.ways.map(({ way: name, priceMinor }) => [name, priceMinor])).toEqual([
      ['recommended', 65000],
      ['as it is', 0],
    ]);
  });
});
