import * as z from 'zod';
import { defineSum, finite, meanOf, notNegative, positive, show, SumRefusal, type WorkingStep } from './sum';

const input = z.strictObject({
  form: z.enum(['lobe', 'screw']),
  stations: z
    .array(z.strictObject({ one_mm: notNegative.max(100), other_mm: notNegative.max(100) }))
    .min(1)
    .max(60),
  equal_mm: positive.max(10),
  spread_mm: positive.max(10),
  radius_mm: positive.max(2000).optional(),
  lead_mm: positive.max(5000).optional(),
  lead_angle_deg: finite.min(0).max(80).optional(),
  flank_angle_deg: finite.min(0).max(60).optional(),
});
const result = z.object({
  mean_one_mm: z.number(),
  mean_other_mm: z.number(),
  least_mm: z.number(),
  largest_mm: z.number(),
  spread_mm: z.number(),
  turn_deg: z.number(),
  towards: z.enum(['one', 'other', 'neither']),
  verdict: z.enum(['equal', 'turn', 'spread']),
});
type Input = z.infer<typeof input>;
type Result = z.infer<typeof result>;

const round = (value: number) => Number(value.toFixed(9));
const cosine = (degrees = 0) => Math.cos((degrees * Math.PI) / 180);

/** How far one rotor turns to bring half of a difference in gap from one flank to the other, in degrees. */
function turnFor(difference_mm: number, { form, radius_mm, lead_mm, lead_angle_deg, flank_angle_deg }: Input): number {
  if (form === 'lobe') {
    if (radius_mm === undefined) throw new SumRefusal('radius_mm', 'give the radius at which the gaps were gauged');
    return (difference_mm / 2 / radius_mm) * (180 / Math.PI);
  }
  if (lead_mm === undefined) throw new SumRefusal('lead_mm', 'give the lead of the screw');
  return (180 * difference_mm) / (cosine(lead_angle_deg) * cosine(flank_angle_deg)) / lead_mm;
}

function reckon(given: Input): Result {
  const { stations, equal_mm, spread_mm: allowed } = given;
  const one = meanOf(stations.map((station) => station.one_mm));
  const other = meanOf(stations.map((station) => station.other_mm));
  const all = stations.flatMap((station) => [station.one_mm, station.other_mm]);
  const differences = stations.map((station) => station.one_mm - station.other_mm);
  const spread = round(Math.max(...differences) - Math.min(...differences));
  const difference = round(one - other);
  const isEqual = Math.abs(difference) <= equal_mm + 1e-9;
  const verdict = spread > allowed + 1e-9 ? 'spread' : isEqual ? 'equal' : 'turn';
  return {
    mean_one_mm: round(one),
    mean_other_mm: round(other),
    least_mm: Math.min(...all),
    largest_mm: Math.max(...all),
    spread_mm: spread,
    turn_deg: round(Math.abs(turnFor(difference, given))),
    towards: difference === 0 ? 'neither' : difference > 0 ? 'one' : 'other',
    verdict,
  };
}

function workingOf(given: Input, reckoned: Result): readonly WorkingStep[] {
  const { mean_one_mm, mean_other_mm, spread_mm, turn_deg, towards, verdict } = reckoned;
  return [
    {
      what: 'Gap at one flank, and at the other',
      formula: 'mean over the stations',
      outcome: `${show(mean_one_mm)} and ${show(mean_other_mm)} mm`,
    },
    {
      what: 'Spread between stations',
      formula: 'largest − least difference of the flanks',
      outcome: `${show(spread_mm)} mm, allowed ${show(given.spread_mm)}`,
    },
    {
      what: 'Turn of the loose gear',
      formula:
        given.form === 'lobe'
          ? '(one − other) ÷ 2 ÷ radius'
          : '180° · (one − other) ÷ (cos lead angle · cos flank angle) ÷ lead',
      put:
        given.form === 'lobe'
          ? `(${show(mean_one_mm)} − ${show(mean_other_mm)}) ÷ 2 ÷ ${show(given.radius_mm ?? 0)} mm`
          : `180° · (${show(mean_one_mm)} − ${show(mean_other_mm)}) ÷ ${show(given.lead_mm ?? 0)} mm`,
      outcome: towards === 'neither' ? 'none' : `${show(turn_deg)}° towards the ${towards} flank, its larger gap`,
    },
    { what: 'Verdict', put: `equal within ${show(given.equal_mm)} mm`, outcome: verdict },
  ];
}

/**
 * Timing of two rotors by the gaps at both flanks: how far the loose gear is turned, and towards which, so that both are
 * alike. Gaps in mm at several quarters or stations; angles in degrees. Lobe: the radius at which they were gauged.
 * Screw: lead in mm, and the angles by which a feeler between the flanks leans against the shaft. What differs from
 * station to station is bent or worn and cannot be timed away. Source: geometry of an arc, and of a helix (ISO 21771).
 */
export const timingShift = defineSum<Input, Result>({
  id: 'timing-shift',
  title: 'Timing of two rotors',
  ask: ['timing gears', 'flank gaps', 'synchronism of rotors', 'equal gaps on both flanks'],
  input,
  result,
  example: {
    input: {
      form: 'lobe',
      stations: [
        { one_mm: 0.26, other_mm: 0.14 },
        { one_mm: 0.25, other_mm: 0.15 },
      ],
      equal_mm: 0.02,
      spread_mm: 0.04,
      radius_mm: 55,
    },
    result: { mean_one_mm: 0.255, mean_other_mm: 0.145, towards: 'one', verdict: 'turn' },
  },
  compute(given) {
    const reckoned = reckon(given);
    return {
      result: reckoned,
      working: workingOf(given, reckoned),
      warnings:
        reckoned.verdict === 'spread'
          ? [
              {
                code: 'not-timed-away',
                sentence:
                  'The flanks differ from station to station: a shaft, rotor or gear is out, no timing mends it.',
              },
            ]
          : [],
    };
  },
});
