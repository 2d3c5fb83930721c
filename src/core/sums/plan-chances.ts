import * as z from 'zod';
import { lastOf, quantileAmong, simulate, writeDay, type Problem, type Schedule, type Spread } from '../planning';
import { notNegative, positive } from './sum';

const rising = ({ p10, p50, p90 }: Spread) => p10 <= p50 && p50 <= p90;
const order = { message: 'p10, p50 and p90 do not rise', path: ['p50'] };
const days = z.strictObject({ p10: notNegative, p50: notNegative, p90: notNegative.max(3650) }).refine(rising, order);
const factor = z.strictObject({ p10: positive, p50: positive, p90: positive.max(100) }).refine(rising, order);

/** What is not known for certain, as a caller may say it. */
export const chanceFields = {
  runs: z.number().int().min(1).max(10_000).default(2000),
  seed: z.number().int().min(0).max(4_294_967_295).default(1),
  answer_days: days.optional(),
  lead_factor: factor.optional(),
  work_factor: factor.optional(),
  fail_rate: z.number().min(0).max(0.9, 'more than nine of ten tests fail').default(0),
};
export interface Chances {
  readonly runs: number;
  readonly seed: number;
  readonly answer_days?: Spread | undefined;
  readonly lead_factor?: Spread | undefined;
  readonly work_factor?: Spread | undefined;
  readonly fail_rate: number;
}

/** What is taken where nobody knows better: standard times a little long rather than short. */
export const usualWork: Spread = { p10: 0.85, p50: 1, p90: 1.35 };
export const answerId = 'the customer’s answer';
const minutesADay = 1440;

/** The answer as work that needs nobody: its middle, and what it varies by. */
export function answerWork({ p10, p50, p90 }: Spread) {
  const minutes = Math.max(1, Math.round(p50 * minutesADay));
  const share = (value: number) => (value * minutesADay) / minutes;
  return { minutes, factor: { p10: share(p10), p50: 1, p90: share(p90) } };
}

/**
 * When a job ends over all runs, rising, in minutes from the start.
 * @param isFirst it goes before all others in each of them
 */
export function endsOfRuns(
  problem: Problem,
  schedule: Schedule,
  j: number,
  { isFirst = false, ...chances }: Chances & { readonly isFirst?: boolean },
): readonly number[] {
  const { runs, seed, answer_days, lead_factor, work_factor = usualWork, fail_rate } = chances;
  const answer = answer_days && answerWork(answer_days).factor;
  const ends = simulate(schedule, {
    ...{ runs, seed, leadOf: () => lead_factor ?? null, failRate: fail_rate },
    factorOf: (i) => (problem.operations[i]?.id === answerId && answer ? answer : work_factor),
    againOf: (one) => lastOf(problem, one),
    ...(isFirst && { first: j }),
  });
  return ends[j] ?? [];
}

/** The day by whose end a share of the runs is done. */
export const dayAt = (ends: readonly number[], pct: number, startMs: number) =>
  writeDay(quantileAmong(ends, pct), startMs);
