import { present } from '@/core/present';
import { PlanFault, type StoodAt } from '@/core/planning';
import { findSum, SumRefusal } from '@/core/sums';
import {
  answerPromise,
  forecastReady,
  planShop,
  type ForecastAsked,
  type PromiseAsked,
  type ShopChances,
  type ShopPlanAsked,
} from '@/core/workload';
import { loadSolver } from '@/solver/highs-solver';

/** What a plan of the shop is sent with: plain data, for it goes from thread to thread. */
export interface ShopPlanTask {
  readonly asked: ShopPlanAsked;
  readonly chances: ShopChances;
  /** Where everything stood in the plan before. */
  readonly standing: readonly StoodAt[];
}

function plainPlan({ asked, chances, standing }: ShopPlanTask) {
  const { operations, pumps, drawn } = planShop(asked, chances, standing);
  return { operations, pumps, proven: drawn.proven };
}
export type PlainPlan = ReturnType<typeof plainPlan>;

/** Carries out heavy work: the plan of the shop, a promise to a caller, or a sum that wants a solver. */
export async function doHeavy(id: string, input: unknown): Promise<unknown> {
  try {
    return await carryOut(id, input);
  } catch (error) {
    if (error instanceof PlanFault) throw new SumRefusal(error.path, error.message);
    throw error;
  }
}

async function carryOut(id: string, input: unknown): Promise<unknown> {
  // Whoever sends these is this program: what is sent is what was asked, checked where it came in.
  if (id === 'shop-plan') return plainPlan(input as ShopPlanTask);
  if (id === 'shop-forecast') return forecastReady(input as ForecastAsked);
  if (id === 'shop-promise') return answerPromise(input as PromiseAsked);
  return present(findSum(id)).compute(input, await loadSolver());
}
