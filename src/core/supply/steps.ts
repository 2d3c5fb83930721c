import type { Family, Step } from '../family';
import type { BenchPhase } from '../record';

/**
 * Parts without which a step of the bench cannot be done: what it uses up, and, where the pump goes together, what it
 * handles.
 */
export function partsOfStep({ needs, parts }: Pick<Step, 'needs' | 'parts'>, phase: BenchPhase): readonly string[] {
  return phase === 'teardown' ? needs : [...new Set([...needs, ...parts])];
}

/** The rebuild steps that need a part: those that use it up, else the first that takes it. */
function stepsThatTake(ref: string, { rebuild }: Pick<Family, 'rebuild'>): readonly Step[] {
  const using = rebuild.filter((step) => step.needs.includes(ref));
  const first = rebuild.find((step) => step.parts.includes(ref));
  return using.length || !first ? using : [first];
}

/** Ids of the rebuild steps that need a part. */
export const stepsNeeding = (family: Pick<Family, 'rebuild'>, ref: string): readonly string[] =>
  stepsThatTake(ref, family).map(({ id }) => id);

/** Titles of the rebuild steps that a short delivery stops. */
export const stepsBlockedBy = (ref: string, family: Pick<Family, 'rebuild'>): readonly string[] =>
  stepsThatTake(ref, family).map(({ title }) => title);
