import { methodsNamed } from '../cleaning';
import { workOf } from '../bench';
import type { Family, StepAction } from '../family';
import { comesBefore, type JobRecord } from '../record';
import { minutesAt } from './minutes';

/** Minutes of work at a place of its own, and what is left for the bench. */
export interface Shared {
  readonly press: number;
  readonly balancer: number;
  readonly bench: number;
}

/** Under so many minutes the cabinet is not worth an operation of its own: it is done in passing. */
const leastMinutes = 10;
/** What an action at a machine takes at least, set up and put away: the shop's own rule. */
const leastAt = { press: 10, balancer: 45 } as const;

function placeOf({ tool, tools }: StepAction): 'press' | 'balancer' | 'bench' {
  const named = [tool, ...tools];
  if (named.includes('balancing machine')) return 'balancer';
  return named.includes('press') ? 'press' : 'bench';
}

/**
 * How the minutes of a rebuild fall to press, balancer and bench: by the actions that name the machine as their tool,
 * each at least as long as setting the machine up takes. What is done counts for nothing; all of it together is what
 * the family says.
 */
export function rebuildMinutes(record: JobRecord, family: Family): Shared {
  const whole = minutesAt(family, 'rebuild');
  const isBefore = comesBefore(record.station, 'rebuild');
  if (!isBefore && record.station !== 'rebuild') return { press: 0, balancer: 0, bench: 0 };
  const steps = isBefore
    ? family.rebuild.map(({ actions }) => ({ actions, isOpen: true }))
    : workOf(record, family, 'rebuild').map(({ step, isDone }) => ({ actions: step.actions, isOpen: !isDone }));
  const each = whole / Math.max(1, steps.length);
  const shares = { press: 0, balancer: 0 };
  const open = steps.filter(({ isOpen }) => isOpen);
  for (const { actions } of open)
    for (const action of actions) {
      const place = placeOf(action);
      if (place !== 'bench') shares[place] += Math.max(leastAt[place], each / actions.length);
    }
  const left = each * open.length - shares.press - shares.balancer;
  return { ...shares, bench: Math.max(0, left) };
}

/** Minutes of the cleaning at the washer, and in the blasting cabinet: by how often the parts name each. */
export function cleaningMinutes(family: Pick<Family, 'labour' | 'parts'>): {
  readonly washer: number;
  readonly cabinet: number;
} {
  const whole = minutesAt(family, 'clean');
  const methods = family.parts
    .filter(({ soft, stays }) => !soft && !stays)
    .flatMap(({ clean }) => methodsNamed(clean.method));
  const cabinet = whole * (methods.filter((method) => method === 'blasting').length / Math.max(1, methods.length));
  return cabinet < leastMinutes ? { washer: whole, cabinet: 0 } : { washer: whole - cabinet, cabinet };
}
