import { present } from '../present';
import type { Problem } from './plan-problem';

/** What a plan is judged by: the first figure, and among equals the second. */
export interface PlanCost {
  readonly first: number;
  readonly second: number;
}

/** Minutes after the promise, times the weight. */
export function lateCost({ jobs }: Problem, j: number, end: number): number {
  const { due, weight } = present(jobs[j]);
  return due === null ? 0 : weight * Math.max(0, end - due);
}

/** Lateness: the sum of weight and minutes late, then the sum of ends. Makespan: the last end, then the sum of ends. */
export function costOf(problem: Problem, ends: readonly number[]): PlanCost {
  const second = ends.reduce((sum, end) => sum + end, 0);
  if (problem.objective === 'makespan') return { first: Math.max(0, ...ends), second };
  return { first: ends.reduce((sum, end, j) => sum + lateCost(problem, j, end), 0), second };
}

const slight = 1e-9;

/** Below 0 where the one is better. */
export function compareCost(one: PlanCost, other: PlanCost): number {
  const first = one.first - other.first;
  return Math.abs(first) > slight ? first : one.second - other.second;
}
