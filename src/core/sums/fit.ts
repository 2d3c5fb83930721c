import * as z from 'zod';
import { classLimits } from './iso-286-limits';
import { defineSum, limits, positive, show, type WorkingStep } from './sum';

const source = 'ISO 286-1:2010, tables 1 to 3';

const input = z.strictObject({
  nominal_mm: positive.max(500, 'ISO 286-1 is tabled here for sizes over 0 to 500 mm'),
  hole: z
    .string()
    .regex(
      /^(E|F|G|H|J|JS|K|M|N|P|R|S)([5-9]|1[01])$/,
      'a hole class is a letter E F G H J JS K M N P R S and a grade 5 to 11, such as H7',
    ),
  shaft: z
    .string()
    .regex(
      /^(e|f|g|h|j|js|k|m|n|p|r|s)([5-9]|1[01])$/,
      'a shaft class is a letter e f g h j js k m n p r s and a grade 5 to 11, such as k6',
    ),
});
const result = z.object({
  hole_mm: limits,
  shaft_mm: limits,
  clearance_um: limits,
  kind: z.enum(['clearance', 'transition', 'interference']),
});

type FitInput = z.infer<typeof input>;
function reckonFit({ nominal_mm, hole, shaft }: FitInput) {
  const bore = classLimits({ nominalMm: nominal_mm, of: 'hole', text: hole });
  const journal = classLimits({ nominalMm: nominal_mm, of: 'shaft', text: shaft });
  const least = bore.lowerUm - journal.upperUm;
  const largest = bore.upperUm - journal.lowerUm;
  const kind = largest <= 0 ? 'interference' : least >= 0 ? 'clearance' : 'transition';
  const signed = (um: number) => `${um > 0 ? '+' : ''}${show(um, 1)}`;
  return {
    result: {
      hole_mm: { min: bore.min, max: bore.max },
      shaft_mm: { min: journal.min, max: journal.max },
      clearance_um: { min: least, max: largest },
      kind,
    } satisfies z.infer<typeof result>,
    bore,
    journal,
    least,
    largest,
    kind,
    signed,
  };
}
type FitReckoned = ReturnType<typeof reckonFit>;

function fitWorking(
  { hole, shaft }: FitInput,
  { bore, journal, least, largest, kind, signed }: FitReckoned,
): readonly WorkingStep[] {
  return [
    {
      what: `Hole ${hole}`,
      put: `${signed(bore.lowerUm)} / ${signed(bore.upperUm)} µm`,
      outcome: `${bore.min.toFixed(4)} to ${bore.max.toFixed(4)} mm`,
      source,
    },
    {
      what: `Shaft ${shaft}`,
      put: `${signed(journal.lowerUm)} / ${signed(journal.upperUm)} µm`,
      outcome: `${journal.min.toFixed(4)} to ${journal.max.toFixed(4)} mm`,
      source,
    },
    {
      what: 'Least clearance',
      formula: 'least hole − largest shaft',
      put: `${signed(bore.lowerUm)} − (${signed(journal.upperUm)})`,
      outcome: `${show(least, 1)} µm`,
    },
    {
      what: 'Largest clearance',
      formula: 'largest hole − least shaft',
      put: `${signed(bore.upperUm)} − (${signed(journal.lowerUm)})`,
      outcome: `${show(largest, 1)} µm`,
    },
    {
      what: 'Kind of fit',
      outcome: `${kind}${least < 0 ? `; negative clearance is interference, up to ${show(-least, 1)} µm` : ''}`,
    },
  ];
}

/**
 * Fit of a hole and a shaft: limits of size, clearance and its kind.
 * Source: ISO 286-1:2010, tables 1 to 3 and clause 3.3 (fits).
 */
export const fit = defineSum<FitInput, z.infer<typeof result>>({
  id: 'fit',
  title: 'Fit of a hole and a shaft',
  ask: ['limits and fits', 'tolerance class', 'H7', 'how tight', 'interference', 'clearance'],
  input,
  result,
  example: {
    input: { nominal_mm: 50, hole: 'H7', shaft: 'k6' },
    result: {
      hole_mm: { min: 50, max: 50.025 },
      shaft_mm: { min: 50.002, max: 50.018 },
      clearance_um: { min: -18, max: 23 },
      kind: 'transition',
    },
  },
  compute(given) {
    const reckoned = reckonFit(given);
    return { result: reckoned.result, working: fitWorking(given, reckoned), warnings: [] };
  },
});
