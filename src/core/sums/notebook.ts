/**
 * One line of a careful engineer's notebook: what is reckoned, by which formula, with which numbers, and what comes
 * out.
 */
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

/**
 * Number for the notebook: at most `digits` decimals, trailing zeros dropped. Display only.
 * @example show(-0.5) // '−0.5'
 */
export function show(value: number, digits = 3): string {
  const text = value.toFixed(digits);
  const trimmed = text.includes('.') ? text.replace(/\.?0+$/, '') : text;
  return (trimmed === '-0' ? '0' : trimmed).replace('-', '−');
}

export function meanOf(values: readonly number[]): number {
  return values.reduce((total, value) => total + value, 0) / values.length;
}

/** Whether a figure somewhere in a result is no number that can be written down. */
function hasNoNumber(value: unknown): boolean {
  if (typeof value === 'number') return !Number.isFinite(value);
  return typeof value === 'object' && value !== null && Object.values(value).some(hasNoNumber);
}

/** An outcome as it is. Throws SumRefusal where a figure of it is no number. */
export function inNumbers<Result>(outcome: Outcome<Result>): Outcome<Result> {
  if (hasNoNumber(outcome.result))
    throw new SumRefusal('', 'These figures lie too far apart to be reckoned with: one of them is mistyped.');
  return outcome;
}
