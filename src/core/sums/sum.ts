import * as z from 'zod';
import { inNumbers, type Outcome } from './notebook';
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
  // A method, so that sums of different inputs stand in one list; each is called with what its own schema read.
  compute(input: Input, solver?: Solver): Outcome<Result>;
}

/** Finds a sum: among all of them, or the one that was fetched. */
export type FindSum = (id: string) => Sum | undefined;

/**
 * Declares a sum. Its compute refuses, rather than answering with something that is no number.
 */
export function defineSum<Input, Result>(sum: Sum<Input, Result>): Sum<Input, Result> {
  const compute: Sum<Input, Result>['compute'] = (input, solver) => inNumbers(sum.compute(input, solver));
  return { ...sum, compute };
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
const beyond = 'is beyond anything a pump shop measures';
/** The smallest figure that is told from nothing, in whatever unit. */
const smallest = 1e-12;
export const finite = z
  .number()
  .min(-1e12, beyond)
  .max(1e12, beyond)
  .refine((value) => value === 0 || Math.abs(value) >= smallest, beyond);
export const positive = finite.gt(0, 'must be more than 0');
export const notNegative = finite.min(0, 'must not be negative');
export const lengthMm = positive.max(1e5, 'is longer than 100 m');
export const limits = z
  .strictObject({ min: finite, max: finite })
  .refine((band) => band.min <= band.max, { message: 'the lower limit is above the upper one', path: ['min'] });
/** Limits of what cannot be negative: a size, a torque. */
export const sizeLimits = z
  .strictObject({ min: notNegative, max: notNegative })
  .refine((band) => band.min <= band.max, { message: 'the lower limit is above the upper one', path: ['min'] });
