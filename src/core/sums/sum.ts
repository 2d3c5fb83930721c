import * as z from 'zod';
import type { Outcome } from './notebook';
import type { Solver } from './solver';

export { meanOf, show, SumRefusal, type Outcome, type Warning, type WorkingStep } from './notebook';

/** One bench sum: its schemas, a worked example that is run as a test, and the pure function. */
export interface Sum<Input = unknown, Result = unknown> {
  readonly id: string;
  readonly title: string;
  /** What a person would type to find it. */
  readonly ask: readonly string[];
  readonly input: z.ZodType<Input>;
  readonly result: z.ZodType<Result>;
  readonly example: { readonly input: unknown; readonly result: Partial<Result> };
  /** Heavy: wants a solver and belongs off the main thread. */
  readonly needsSolver?: boolean;
  readonly compute: (input: Input, solver?: Solver) => Outcome<Result>;
}

export function defineSum<Input, Result>(sum: Sum<Input, Result>): Sum<Input, Result> {
  return sum;
}

export const workingStepSchema = z.object({
  what: z.string(),
  formula: z.string().optional(),
  put: z.string().optional(),
  outcome: z.string(),
  source: z.string().optional(),
});
export const warningSchema = z.object({ code: z.string(), sentence: z.string() });

/** A finite number within what a pump shop can meet; the absurd is refused by name. */
export const finite = z
  .number()
  .min(-1e12, 'is beyond anything a pump shop measures')
  .max(1e12, 'is beyond anything a pump shop measures');
export const positive = finite.gt(0, 'must be more than 0');
export const notNegative = finite.min(0, 'must not be negative');
export const lengthMm = positive.max(1e5, 'is longer than 100 m');
export const limits = z
  .strictObject({ min: finite, max: finite })
  .refine((band) => band.min <= band.max, { message: 'the lower limit is above the upper one', path: ['min'] });
