import * as z from 'zod';
import type { Solver } from './solver';

/** One line of a careful engineer's notebook: what is reckoned, by which formula, with which numbers, and what comes out. */
export interface WorkingStep {
  readonly what: string;
  readonly formula?: string;
  readonly put?: string;
  readonly outcome: string;
  readonly source?: string;
}

export interface Warning {
  readonly code: string;
  readonly sentence: string;
}

export interface Outcome<Result> {
  readonly result: Result;
  readonly working: readonly WorkingStep[];
  readonly warnings: readonly Warning[];
}

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

/** An input that fits the schema but makes no sense for the sum; names the field. */
export class SumRefusal extends Error {
  constructor(
    readonly path: string,
    message: string,
  ) {
    super(message);
    this.name = 'SumRefusal';
  }
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
export const finite = z.number().min(-1e12, 'is beyond anything a pump shop measures').max(1e12, 'is beyond anything a pump shop measures');
export const positive = finite.gt(0, 'must be more than 0');
export const notNegative = finite.min(0, 'must not be negative');
export const lengthMm = positive.max(1e5, 'is longer than 100 m');
export const limits = z
  .strictObject({ min: finite, max: finite })
  .refine((band) => band.min <= band.max, { message: 'the lower limit is above the upper one', path: ['min'] });

/** Number for the notebook: at most `digits` decimals, trailing zeros dropped. Display only. @example show(-0.5) // '−0.5' */
export function show(value: number, digits = 3): string {
  const text = value.toFixed(digits);
  const trimmed = text.includes('.') ? text.replace(/\.?0+$/, '') : text;
  return (trimmed === '-0' ? '0' : trimmed).replace('-', '−');
}

export function meanOf(values: readonly number[]): number {
  return values.reduce((total, value) => total + value, 0) / values.length;
}
