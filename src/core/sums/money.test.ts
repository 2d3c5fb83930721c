import { present } from '../present';
import fc from 'fast-check';
import { elastomer, grease } from './materials';
import { quote, repairOrReplace } from './money';
import { recoveryFactor } from './reckon-repair-or-replace';
import { behaviour, elastomerNames, liquidNames } from './tables/elastomers';

describe('totals of a quote', () => {
  const line = (change: object) => ({ what: 'x', quantity: 1, unit_price_minor: 1000, ...change });
  test('lines are rounded one by one, half up, tax once', () => {
    const { result } = quote.compute({
      lines: [line({ quantity: 0.0005 }), line({ quantity: 1.0005 }), line({ quantity: 1.0004 })],
      tax_pct: 20,
    });
    expect(result.lines_minor).toEqual([1, 1001, 1000]);
    expect(result.options).toEqual([expect.objectContaining({ net_minor: 2002, tax_minor: 400, gross_minor: 2402 })]);
  });
  test('a line without an option belongs to every option', () => {
    const { options } = quote.compute({
      lines: [
        line({}),
        line({ option: 'minimum', unit_price_minor: 500 }),
        line({ option: 'as new', unit_price_minor: 5000 }),
      ],
      tax_pct: 0,
    }).result;
    expect(options.map((one) => [one.option, one.net_minor])).toEqual([
      ['minimum', 1500],
      ['as new', 6000],
    ]);
  });
  test('mark-up, discount, rounding steps and margin', () => {
    const { result, warnings } = quote.compute({
      lines: [line({ markup_pct: 20, discount_pct: 10, cost_minor: 900 }), line({ cost_minor: 5000 })],
      tax_pct: 0,
      round_to_minor: 50,
    });
    expect(result.lines_minor).toEqual([1100, 1000]); // 1080 to the next 50
    expect(result.options[0]).toMatchObject({ margin_minor: -3800 });
    expect(present(warnings[0]).code).toBe('below-cost');
  });
  test('the net is the sum of the lines whatever they are', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            what: fc.constant('x'),
            quantity: fc.integer({ min: 1, max: 9999 }).map((n) => n / 1000),
            unit_price_minor: fc.integer({ min: 0, max: 1e6 }),
          }),
          { minLength: 1, maxLength: 12 },
        ),
        (lines) => {
          const { result } = quote.compute({ lines, tax_pct: 19 });
          expect(present(result.options[0]).net_minor).toBe(result.lines_minor.reduce((a, b) => a + b, 0));
          expect(Number.isInteger(present(result.options[0]).gross_minor)).toBe(true);
        },
      ),
    );
  });
});

describe('repair or replace', () => {
  test('capital recovery: 10 years at 5 % is 0.12950 (engineering economics tables)', () => {
    expect(recoveryFactor(0.05, 10)).toBeCloseTo(0.1295, 4);
    expect(recoveryFactor(0.1, 5)).toBeCloseTo(0.2638, 4);
    expect(recoveryFactor(0, 8)).toBe(1 / 8);
  });
  const given = {
    choices: [
      { name: 'repair', price_minor: 300000, life_years: 5, energy_kwh_year: 50000, downtime_days: 2 },
      { name: 'new', price_minor: 900000, life_years: 10, energy_kwh_year: 48000, downtime_days: 20 },
    ],
    price_per_kwh_minor: 20,
    downtime_day_minor: 10000,
    discount_rate_pct: 6,
  };
  test('at the price where it turns, both cost the same a year', () => {
    const { cheapest, turns_at_price_minor } = repairOrReplace.compute(given).result;
    const turned = repairOrReplace.compute({
      ...given,
      choices: given.choices.map((one) =>
        one.name === cheapest ? { ...one, price_minor: Math.round(present(turns_at_price_minor)) } : one,
      ),
    }).result;
    expect(present(turned.yearly[0]).yearly_minor).toBeCloseTo(present(turned.yearly[1]).yearly_minor, -1);
  });
  test('dearer energy favours the efficient one, dearer downtime the quick one', () => {
    expect(repairOrReplace.compute({ ...given, price_per_kwh_minor: 100 }).result.cheapest).toBe('new');
    expect(repairOrReplace.compute({ ...given, downtime_day_minor: 200000 }).result.cheapest).toBe('repair');
  });
  test('two of one name are refused', () =>
    expect(() =>
      repairOrReplace.compute({ ...given, choices: [present(given.choices[0]), present(given.choices[0])] }),
    ).toThrow(expect.objectContaining({ path: 'choices' })));
});

describe('elastomers', () => {
  const ask = (
    name: 'EPDM' | 'NBR' | 'FKM',
    liquid: (typeof liquidNames)[number],
    temperature_c = 20,
    contact?: (typeof liquidNames)[number],
  ) => elastomer.compute({ elastomer: name, liquid, temperature_c, ...(contact && { contact }) }).result.verdict;
  test('the table says of every pair what it is', () => {
    for (const liquid of liquidNames)
      for (const name of elastomerNames) expect(['suits', 'care', 'no']).toContain(behaviour[liquid][name]);
  });
  test.each([
    ['EPDM', 'mineral oil', 'no'],
    ['EPDM', 'hot water over 100 °C or steam', 'suits'],
    ['NBR', 'mineral oil', 'suits'],
    ['NBR', 'ketone such as acetone', 'no'],
    ['FKM', 'petrol', 'suits'],
    ['FKM', 'ketone such as acetone', 'no'],
    ['EPDM', 'glycol and water', 'suits'],
  ] as const)('%s in %s: %s', (name, liquid, verdict) => expect(ask(name, liquid)).toBe(verdict));
  test('the worst of liquid, temperature and contact decides', () => {
    expect(ask('EPDM', 'water', 20, 'mineral grease')).toBe('no');
    expect(ask('EPDM', 'water', 20, 'silicone oil or grease')).toBe('suits');
    expect([ask('NBR', 'water', 89), ask('NBR', 'water', 95), ask('NBR', 'water', 101)]).toEqual([
      'suits',
      'with care',
      'no',
    ]);
  });
  test('others that suit are named', () =>
    expect(elastomer.compute({ elastomer: 'NBR', liquid: 'petrol', temperature_c: 150 }).result.others).toEqual([
      'FKM',
      'FFKM',
    ]));
});

describe('grease', () => {
  const usual = { bore_mm: 45, outside_mm: 100, speed_rpm: 2900, temperature_c: 80, thickener: 'lithium' as const };
  test('reference viscosity of ISO 281: dm 72.5 mm at 2900 1/min is 9.8 mm²/s; both branches meet near 1000 1/min', () => {
    expect(grease.compute(usual).result.base_viscosity_mm2_s).toBeCloseTo(4500 / Math.sqrt(2900 * 72.5), 9);
    const at = (speed_rpm: number) => grease.compute({ ...usual, speed_rpm }).result.base_viscosity_mm2_s;
    expect(at(999.9) / at(1000)).toBeCloseTo(1.02, 1);
  });
  test('mixing does not depend on which was there first', () => {
    const kinds = [
      'lithium',
      'lithium complex',
      'calcium',
      'calcium sulfonate',
      'polyurea',
      'sodium',
      'clay',
      'PTFE',
    ] as const;
    for (const one of kinds)
      for (const other of kinds)
        expect(grease.compute({ ...usual, thickener: one, old_thickener: other }).result.mixing).toBe(
          grease.compute({ ...usual, thickener: other, old_thickener: one }).result.mixing,
        );
  });
  test('heat, water and speed are named as reasons', () => {
    expect(grease.compute({ ...usual, temperature_c: 130 }).result.why).toContain('120 °C of lithium');
    expect(grease.compute({ ...usual, thickener: 'sodium', wet: true }).result.suits).toBe(false);
    expect(grease.compute({ ...usual, speed_rpm: 9000 }).result.speed).toBe('too fast for usual grease');
    expect(grease.compute(usual).result).toMatchObject({ suits: true, mixing: 'nothing old' });
  });
});
