import { sayWindow, type StepAction } from '../family';

/** A value that was got with a tool that read wrong: what it had to lie within, and whether it may lie outside. */
export interface InDoubt {
  readonly window: string;
  /** By the error that was found, too much or too little; null where nobody measured the error. */
  readonly mayBeOut: boolean | null;
}

/**
 * Whether what an action got may lie outside its window, had the tool read by its whole error too much or too little.
 * Null for an action without a window, and for an answer without a value.
 * @param value as it was read, in the unit of the action
 * @param error the largest that was found, in the same unit, zero or more; null where it was not measured
 */
export function beyondWindow({ answer }: StepAction, value: number | null, error: number | null): InDoubt | null {
  if (value === null) return null;
  const isTorque = answer?.kind === 'torque';
  const window = isTorque ? answer.window_nm : answer?.kind === 'value' ? answer.window : undefined;
  if (!window) return null;
  const { min = -Infinity, max = Infinity } = window;
  return {
    window: sayWindow(window, isTorque ? 'N·m' : answer?.kind === 'value' ? answer.unit : ''),
    mayBeOut: error === null ? null : value - error < min || value + error > max,
  };
}
