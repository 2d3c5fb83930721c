import * as z from 'zod';
import { defineSum, limits, notNegative, positive, show, SumRefusal, type WorkingStep } from './sum';

const pieces = z.number().int('count whole shims').min(0).max(1000);
const input = z.strictObject({
  shims: z
    .array(z.strictObject({ shim_mm: positive.max(100), found: pieces, stock: pieces, fitted: pieces, left: pieces }))
    .min(1)
    .max(100),
  gap_mm: notNegative.max(1000),
  window_mm: limits,
});
const result = z.object({
  fitted_mm: z.number(),
  rest_mm: z.number(),
  missing: z.number(),
  verdict: z.enum(['within', 'under', 'over', 'not accounted for']),
});
type Input = z.infer<typeof input>;
type Shim = Input['shims'][number];

/** Shims that came, from the pump or from stock, less those that are on the pump or left over. */
const missingOf = ({ found, stock, fitted, left }: Shim) => found + stock - fitted - left;

function workingOf({ shims, gap_mm, window_mm }: Input, fitted: number, rest: number): readonly WorkingStep[] {
  return [
    ...shims.map((shim) => ({
      what: `Shim of ${show(shim.shim_mm)} mm`,
      formula: 'off the pump + from stock − on the pump − left over',
      put: `${shim.found} + ${shim.stock} − ${shim.fitted} − ${shim.left}`,
      outcome:
        missingOf(shim) === 0
          ? 'accounted for'
          : `${Math.abs(missingOf(shim))} ${missingOf(shim) > 0 ? 'missing' : 'too many'}`,
    })),
    { what: 'On the pump', formula: 'Σ thickness · count', outcome: `${show(fitted)} mm` },
    {
      what: 'Rest of the gap',
      formula: 'gap − shims on the pump',
      put: `${show(gap_mm)} − ${show(fitted)} mm`,
      outcome: `${show(rest)} mm, window ${show(window_mm.min)} to ${show(window_mm.max)}`,
    },
  ];
}

/**
 * A ledger of shims: each is on the pump or left over, and the rest of the gap lies in its window. Lengths in mm,
 * shims in pieces. A missing shim goes before a wrong gap: it may lie inside. Source: counting and geometry.
 */
export const shimLedger = defineSum<Input, z.infer<typeof result>>({
  id: 'shim-ledger',
  title: 'Ledger of shims',
  ask: ['shims off and on', 'where is the shim', 'count shims', 'shim left over'],
  input,
  result,
  example: {
    input: {
      shims: [
        { shim_mm: 0.5, found: 2, stock: 0, fitted: 1, left: 1 },
        { shim_mm: 0.2, found: 0, stock: 2, fitted: 2, left: 0 },
      ],
      gap_mm: 1.3,
      window_mm: { min: 0.3, max: 0.5 },
    },
    result: { fitted_mm: 0.9, rest_mm: 0.4, missing: 0, verdict: 'within' },
  },
  compute(given) {
    const twice = given.shims.findIndex(
      ({ shim_mm }, i) => given.shims.findIndex((one) => one.shim_mm === shim_mm) < i,
    );
    if (twice > 0)
      throw new SumRefusal(
        `shims.${twice}.shim_mm`,
        `${given.shims[twice]?.shim_mm} mm stands there twice; add them up`,
      );
    const fitted = Number(given.shims.reduce((sum, { shim_mm, fitted: count }) => sum + shim_mm * count, 0).toFixed(9));
    const rest = Number((given.gap_mm - fitted).toFixed(9));
    const missing = given.shims.reduce((sum, shim) => sum + Math.abs(missingOf(shim)), 0);
    const { min, max } = given.window_mm;
    const verdict = missing ? 'not accounted for' : rest < min - 1e-9 ? 'under' : rest > max + 1e-9 ? 'over' : 'within';
    return {
      result: { fitted_mm: fitted, rest_mm: rest, missing, verdict },
      working: workingOf(given, fitted, rest),
      warnings: missing
        ? [{ code: 'missing', sentence: 'A shim that is not accounted for may lie inside the pump: find it first.' }]
        : [],
    };
  },
});
