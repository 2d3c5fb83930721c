export const closureRules = {
  'single-id': 'every id stands once',
  'known-choice': 'every axis, choice and set that is named exists',
  'size-figures': 'every figure of the size table exists in every row, and fits where it is used',
  'known-part': 'every part that is named exists',
  removed: 'every part comes off at teardown',
  fitted: 'every part goes on at rebuild',
  sequence: 'what comes after another stands behind it in the list',
  order: 'nothing is fitted behind what is already closed, nothing taken off behind what is still on',
  'soft-consumed': 'every soft part is asked for by a rebuild step and is in a kit or has a price of its own',
  'captured-again':
    'every mark, position, count, orientation and thread hand of teardown is asked for again at rebuild, unless the file says once',
  oriented: 'every lip seal comes off at a step that keeps which way a lip or a groove faces',
  counted: 'a count expects as many as the parts list has',
  'point-limits':
    'every point has limits or is derived from points that have, new limits inside those for reuse, and names its source',
  'critical-point': 'a point at least is critical as found, or the inspection would let everything pass',
  'setting-inputs': 'every setting calls a sum that exists, with inputs that it takes',
  'torque-thread': 'every torque has a thread of a part at its step',
  caution: 'every caution exists',
  drawn: 'every shape that is named exists for its view, knows the figures that it is given, and can be drawn',
} as const;
export type ClosureRule = keyof typeof closureRules;

/** One thing that is not closed: where in the file, which rule, and what is wrong. */
export interface ClosureFault {
  readonly path: string;
  readonly rule: ClosureRule;
  readonly what: string;
}

export type Faults = readonly ClosureFault[];
export const fault = (path: string, rule: ClosureRule, what: string): ClosureFault => ({ path, rule, what });
