import * as z from 'zod';
import { defineSum, finite, positive, show, SumRefusal, type Warning, type WorkingStep } from './sum';
import { behaviour, elastomerNames, liquidNames, ranges, type Behaviour } from './tables/elastomers';

const order: readonly Behaviour[] = ['suits', 'care', 'no'];
const verdictOf = z.enum(['suits', 'with care', 'no']);
const elastomerInput = z.strictObject({
  elastomer: z.enum(elastomerNames),
  liquid: z.enum(liquidNames),
  temperature_c: finite.min(-100).max(400),
  contact: z.enum(liquidNames).optional(),
});
const elastomerResult = z.object({
  verdict: verdictOf,
  why: z.string(),
  range_c: z.object({ min: z.number(), max: z.number() }),
  others: z.array(z.string()),
});
const said = { suits: 'suits', care: 'with care', no: 'no' } as const;

type ElastomerInput = z.infer<typeof elastomerInput>;
function reckonElastomer({ elastomer: name, liquid, temperature_c, contact }: ElastomerInput) {
  const [from, to] = ranges[name];
  const heat: Behaviour =
    temperature_c < from || temperature_c > to ? 'no' : temperature_c > to - 10 ? 'care' : 'suits';
  const parts = [
    { what: liquid, of: behaviour[liquid][name], words: `${name} in ${liquid}` },
    { what: 'temperature', of: heat, words: `${show(temperature_c)} °C, range ${from} to ${to} °C` },
    ...(contact ? [{ what: contact, of: behaviour[contact][name], words: `${name} against ${contact}` }] : []),
  ];
  const worst = parts.reduce((top, one) => (order.indexOf(one.of) > order.indexOf(top.of) ? one : top));
  const others = elastomerNames.filter(
    (other) =>
      other !== name &&
      behaviour[liquid][other] === 'suits' &&
      (!contact || behaviour[contact][other] === 'suits') &&
      temperature_c >= ranges[other][0] &&
      temperature_c <= ranges[other][1],
  );
  return {
    result: {
      verdict: said[worst.of],
      why: worst.of === 'suits' ? 'liquid, temperature and contact suit it' : `${worst.words}: ${said[worst.of]}`,
      range_c: { min: from, max: to },
      others,
    },
    parts,
    worst,
    others,
  };
}
type ElastomerReckoned = ReturnType<typeof reckonElastomer>;

function elastomerWorking({ parts, worst, others }: ElastomerReckoned): readonly WorkingStep[] {
  return [
    ...parts.map((one) => ({
      what: one.words,
      outcome: said[one.of],
      ...(one.what !== 'temperature' && {
        source: 'coarse table of general practice; the maker’s list comes first',
      }),
    })),
    { what: 'The worst decides', outcome: said[worst.of] },
    { what: 'Others that suit', outcome: others.join(', ') || 'none of the table' },
  ];
}

function elastomerWarnings({ elastomer: name, temperature_c }: ElastomerInput): readonly Warning[] {
  return [
    {
      code: 'maker-decides',
      sentence: 'The maker’s list for the compound and the safety sheet of the liquid come first.',
    },
    ...(name === 'FKM' && temperature_c > 300
      ? [{ code: 'burnt', sentence: 'Overheated fluoro-elastomer may leave corrosive residue: do not touch.' }]
      : []),
  ];
}

/**
 * Whether an elastomer stands a liquid, a temperature and a lubricant or cleaner; the worst of the three decides.
 * Source: the table's own, general practice.
 */
export const elastomer = defineSum<ElastomerInput, z.infer<typeof elastomerResult>>({
  id: 'elastomer',
  title: 'Does this elastomer stand it?',
  ask: ['o-ring', 'elastomer', 'swell', 'grease on a ring', 'compatible'],
  input: elastomerInput,
  result: elastomerResult,
  example: {
    input: { elastomer: 'EPDM', liquid: 'water', temperature_c: 60, contact: 'mineral grease' },
    result: { verdict: 'no', range_c: { min: -45, max: 140 } },
  },
  compute(given) {
    const reckoned = reckonElastomer(given);
    return { result: reckoned.result, working: elastomerWorking(reckoned), warnings: elastomerWarnings(given) };
  },
});

const thickeners = [
  'lithium',
  'lithium complex',
  'calcium',
  'calcium sulfonate',
  'polyurea',
  'sodium',
  'clay',
  'PTFE',
] as const;
type Thickener = (typeof thickeners)[number];
/**
 * Pairs of thickeners that may be mixed: y yes, c at the border, n no. Source: general practice, not transcribed from a
 * chart; a maker's test comes first.
 */
const mixes: Readonly<Record<Thickener, string>> = {
  lithium: 'yycnnnnc',
  'lithium complex': 'yycynnnc',
  calcium: 'ccynnnnc',
  'calcium sulfonate': 'nynynnnc',
  polyurea: 'nnnnynnc',
  sodium: 'nnnnnync',
  clay: 'nnnnnnyc',
  PTFE: 'cccccccy',
};
/** Highest continuous temperature of a thickener with mineral oil, °C. Source: general practice for usual grades. */
const hottest: Readonly<Record<Thickener, number>> = {
  lithium: 120,
  'lithium complex': 150,
  calcium: 60,
  'calcium sulfonate': 160,
  polyurea: 160,
  sodium: 90,
  clay: 140,
  PTFE: 260,
};
const greaseInput = z.strictObject({
  bore_mm: positive.max(2000),
  outside_mm: positive.max(3000),
  speed_rpm: positive.max(1e5),
  temperature_c: finite.min(-60).max(300),
  thickener: z.enum(thickeners),
  old_thickener: z.enum(thickeners).optional(),
  wet: z.boolean().optional(),
});
const greaseResult = z.object({
  speed_factor: z.number(),
  speed: z.enum(['slow', 'usual', 'fast', 'too fast for usual grease']),
  base_viscosity_mm2_s: z.number(),
  suits: z.boolean(),
  mixing: z.enum(['yes', 'border', 'no', 'nothing old']),
  why: z.string(),
});

const mixingOf = (old: Thickener, fresh: Thickener) =>
  (({ y: 'yes', c: 'border', n: 'no' }) as const)[mixes[old][thickeners.indexOf(fresh)] as 'y' | 'c' | 'n'];

type GreaseInput = z.infer<typeof greaseInput>;
function reckonGrease({
  bore_mm,
  outside_mm,
  speed_rpm,
  temperature_c,
  thickener,
  old_thickener,
  wet = false,
}: GreaseInput) {
  if (outside_mm <= bore_mm)
    throw new SumRefusal('outside_mm', `the outside ${outside_mm} mm is not larger than the bore ${bore_mm} mm`);
  const mean = (bore_mm + outside_mm) / 2;
  const factor = speed_rpm * mean;
  const speed =
    factor < 50_000 ? 'slow' : factor <= 350_000 ? 'usual' : factor <= 600_000 ? 'fast' : 'too fast for usual grease';
  const viscosity = speed_rpm < 1000 ? 45000 * speed_rpm ** -0.83 * mean ** -0.5 : 4500 * (speed_rpm * mean) ** -0.5;
  const mixing = old_thickener ? mixingOf(old_thickener, thickener) : 'nothing old';
  const reasons = [
    temperature_c > hottest[thickener] &&
      `${show(temperature_c)} °C passes the ${hottest[thickener]} °C of ${thickener} grease`,
    speed === 'too fast for usual grease' && 'the speed factor asks for a special grease',
    wet && thickener === 'sodium' && 'sodium grease washes out in water',
    mixing === 'no' && `${thickener} does not mix with the old ${old_thickener}: wash it out first`,
  ].filter((one): one is string => Boolean(one));
  return {
    result: {
      speed_factor: factor,
      speed,
      base_viscosity_mm2_s: viscosity,
      suits: !reasons.length,
      mixing,
      why: reasons.join('; ') || 'temperature, speed and mixing suit',
    } satisfies z.infer<typeof greaseResult>,
    mean,
    factor,
    speed,
    viscosity,
    mixing,
  };
}
type GreaseReckoned = ReturnType<typeof reckonGrease>;

function greaseWorking(
  { speed_rpm, temperature_c, thickener }: GreaseInput,
  { mean, factor, speed, viscosity, mixing }: GreaseReckoned,
): readonly WorkingStep[] {
  return [
    {
      what: 'Speed factor',
      formula: 'n · dm',
      put: `${show(speed_rpm)} · ${show(mean, 1)}`,
      outcome: `${show(factor, 0)} mm/min: ${speed}`,
    },
    {
      what: 'Base oil at service temperature',
      formula: speed_rpm < 1000 ? '45000·n^−0.83·dm^−0.5' : '4500·(n·dm)^−0.5',
      outcome: `${show(viscosity, 1)} mm²/s`,
      source: 'ISO 281:2007',
    },
    {
      what: 'Temperature',
      outcome: `${show(temperature_c)} °C, ${thickener} to ${hottest[thickener]} °C`,
      source: 'general practice for usual grades',
    },
    { what: 'Mixing with what was there', outcome: mixing },
  ];
}

function greaseWarnings({ mixing }: GreaseReckoned): readonly Warning[] {
  return mixing === 'border'
    ? [{ code: 'border', sentence: 'At the border of mixing: wash out as far as can be, and grease again soon.' }]
    : [];
}

/**
 * Grease by temperature, speed and what was there before. Speed factor n·dm; base oil wanted at service temperature
 * ν1 = 45000·n^−0.83·dm^−0.5 below 1000 1/min, 4500·(n·dm)^−0.5 above. Source: ISO 281:2007, reference viscosity; the
 * rest general practice.
 */
export const grease = defineSum<GreaseInput, z.infer<typeof greaseResult>>({
  id: 'grease',
  title: 'Which grease',
  ask: ['grease', 'mix greases', 'speed factor', 'base oil'],
  input: greaseInput,
  result: greaseResult,
  example: {
    input: {
      bore_mm: 45,
      outside_mm: 100,
      speed_rpm: 2900,
      temperature_c: 80,
      thickener: 'lithium',
      old_thickener: 'polyurea',
    },
    result: { speed_factor: 210250, speed: 'usual', mixing: 'no', suits: false },
  },
  compute(given) {
    const reckoned = reckonGrease(given);
    return { result: reckoned.result, working: greaseWorking(given, reckoned), warnings: greaseWarnings(reckoned) };
  },
});
