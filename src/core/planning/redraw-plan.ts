import { present } from '../present';
import { drawUpPlan, placesOf, provenBy, type DrawnUp } from './draw-up-plan';
import { planByOperations, type Plan } from './first-plans';
import { improvePlan } from './improve-plan';
import { boundOf } from './plan-bound';
import { minuteOf } from './plan-clock';
import type { Crew, Problem } from './plan-problem';
import { bestPlace, placeFor, type Schedule } from './schedule';

/** Where an operation stood in the plan before this one. */
export interface StoodAt {
  readonly job: string;
  readonly operation: string;
  /** Local time, as YYYY-MM-DDTHH:MM. */
  readonly start: string;
  readonly resources: readonly string[];
}

/** A hand keeps what it was given, unless somebody else is done with it this many minutes sooner: half a day’s work. */
const patience = 240;
/** People keep to a plan unless another one saves this much: one pump, one day late, of usual weight. */
const worthMoving = 1440;
/** After all that stood before. */
const afterAll = 1e9;

interface Stood {
  readonly rank: number;
  readonly crew: Crew | null;
}

function crewOf({ resources, operations }: Problem, i: number, ids: readonly string[]): Crew | null {
  const nameOf = (r: number) => present(resources[r]).id;
  const isSame = (crew: Crew) =>
    crew.resources.length === ids.length && crew.resources.every((r, k) => nameOf(r) === ids[k]);
  return present(operations[i]).crews.find(isSame) ?? null;
}

/** Rank and crew of each operation in the plan before; what is new in a pump goes with what it follows, a new pump last. */
function stoodBefore(problem: Problem, standing: readonly StoodAt[]): readonly Stood[] {
  const keyOf = (job: string, operation: string) => `${job} ${operation}`;
  const before = new Map(standing.map((one) => [keyOf(one.job, one.operation), one]));
  const found = problem.operations.map(({ job, id }, i): Stood | null => {
    const at = before.get(keyOf(present(problem.jobs[job]).id, id));
    return at
      ? { rank: minuteOf(at.start, problem.startMs) ?? afterAll, crew: crewOf(problem, i, at.resources) }
      : null;
  });
  return problem.operations.map(({ job }, i) => {
    const own = found[i];
    if (own) return own;
    const { operations, due } = present(problem.jobs[job]);
    const known = operations.flatMap((one) => (found[one] ? [{ at: operations.indexOf(one), ...found[one] }] : []));
    const next = known.find(({ at }) => at > operations.indexOf(i)) ?? known.at(-1);
    return { rank: next?.rank ?? afterAll + (due ?? afterAll), crew: null };
  });
}

/** The plan as it stood, with what has changed since: everything in the order in which it was planned, with its hands. */
function flowAround(problem: Problem, standing: readonly StoodAt[]): Plan {
  const stood = stoodBefore(problem, standing);
  const placeOf = (schedule: Schedule, i: number, from: number) => {
    const crew = stood[i]?.crew;
    return crew ? placeFor(schedule, i, from, crew, patience) : bestPlace(schedule, i, from);
  };
  return planByOperations(problem, (i) => stood[i]?.rank ?? afterAll, placeOf);
}

/**
 * Draws a plan up anew that sets out from the one that stands: its order and its hands are kept, unless another plan
 * saves more than one pump’s day of lateness. Without one that stands, as if there had been none.
 */
export function redrawPlan(problem: Problem, standing: readonly StoodAt[]): DrawnUp {
  if (!standing.length) return drawUpPlan(problem);
  const flowed = flowAround(problem, standing);
  const better = improvePlan(flowed, placesOf(problem));
  const best = flowed.cost.first - better.cost.first > worthMoving ? better : flowed;
  return provenBy(best, boundOf(problem));
}
