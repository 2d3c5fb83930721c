import { present } from '../present';
import { firstPlan, judged, type Plan } from './first-plans';
import { improvePlan } from './improve-plan';
import { asShop } from './job-shop';
import { boundOf } from './plan-bound';
import { compareCost } from './plan-cost';
import type { Problem } from './plan-problem';
import { emptySchedule, put } from './schedule';
import { searchShop } from './search-shop';

/** Places that are looked at in a millisecond on a usual machine. */
const placesPerMs = 250;
/** How many microseconds a move takes in a shop of so many operations, on a usual machine: see docs/planning.md. */
const microsecondsOfMove = (count: number) => 12 + 0.24 * count;

export interface DrawnUp extends Plan {
  /** No plan’s first figure is less. */
  readonly bound: number;
  readonly proven: boolean;
}

/** How many places the search may look at. */
export const placesOf = ({ budgetMs }: Pick<Problem, 'budgetMs'>) => budgetMs * placesPerMs;

export const provenBy = (plan: Plan, bound: number): DrawnUp => ({ ...plan, bound, proven: plan.cost.first <= bound });

/** A plan from starts, each operation with the one resource that can do it. */
function planFromStarts(problem: Problem, starts: readonly number[]): Plan {
  const schedule = emptySchedule(problem);
  for (const [i, { minutes, crews }] of problem.operations.entries()) {
    const start = starts[i] ?? 0;
    put(schedule, i, { crew: present(crews[0]), start, end: start + minutes });
  }
  return judged(schedule);
}

/**
 * A finite plan: nobody and nothing in two places, calendars and what follows what respected, as good as the budget lets
 * be found. The same question has the same answer: the budget is counted in places looked at, not by a clock.
 */
export function drawUpPlan(problem: Problem): DrawnUp {
  const bound = boundOf(problem);
  const first = firstPlan(problem);
  const shop = asShop(problem);
  const better = shop
    ? planFromStarts(
        problem,
        searchShop(shop, (i) => first.schedule.placed[i]?.start ?? 0, {
          floor: bound,
          steps: Math.ceil((problem.budgetMs * 1000) / microsecondsOfMove(shop.count)),
        }).starts,
      )
    : improvePlan(first, placesOf(problem));
  return provenBy(compareCost(better.cost, first.cost) < 0 ? better : first, bound);
}
