import type { Family } from './format';
import { sayPoint } from './point-limits';

/** What differs between two pumps: what it is, and what either has of it; empty where it has nothing. */
export interface Difference {
  readonly what: string;
  readonly one: string;
  readonly other: string;
}

/** What differs, by what a technician asks: parts, points, the way apart, the way together, the test, the time. */
export type Comparison = Readonly<
  Record<'parts' | 'points' | 'teardown' | 'rebuild' | 'test' | 'labour', readonly Difference[]>
>;

interface Row {
  readonly key: string;
  readonly what: string;
  readonly said: string;
}

/** Rows that only one has, or of which the two say something else; in the order of the first, then of the other. */
function differences(one: readonly Row[], other: readonly Row[]): readonly Difference[] {
  const [here, there] = [one, other].map((rows) => new Map(rows.map((row) => [row.key, row])));
  return [...new Map([...one, ...other].map((row) => [row.key, row.what]))]
    .map(([key, what]) => ({ what, one: here?.get(key)?.said ?? '', other: there?.get(key)?.said ?? '' }))
    .filter((row) => row.one !== row.other);
}

const partsOf = ({ parts }: Family) =>
  parts.map(({ ref, name, quantity, number }) => ({ key: ref, what: name, said: `${quantity} × ${number}` }));

const pointsOf = ({ points }: Family) =>
  points.map((point) => ({ key: point.id, what: point.title, said: sayPoint(point) }));

const stepsOf = (steps: Family['teardown']) =>
  steps.map(({ id, title, actions, hold_point }) => ({
    key: id,
    what: title,
    said: `${actions.length} ${actions.length === 1 ? 'action' : 'actions'}${hold_point ? ', hold point' : ''}`,
  }));

const labourOf = ({ labour }: Family) =>
  labour.map(({ id, title, minutes }) => ({ key: id, what: title, said: `${minutes} min` }));

/**
 * Compares two pumps as they are built: two builds of one family, or of two.
 * @returns only what differs; all lists empty for a build and itself
 */
export function compareBuilds(one: Family, other: Family): Comparison {
  const of = (rows: (family: Family) => readonly Row[]) => differences(rows(one), rows(other));
  return {
    parts: of(partsOf),
    points: of(pointsOf),
    teardown: of(({ teardown }) => stepsOf(teardown)),
    rebuild: of(({ rebuild }) => stepsOf(rebuild)),
    test: of(({ test }) => stepsOf(test.steps)),
    labour: of(labourOf),
  };
}
