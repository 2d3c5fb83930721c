import * as z from 'zod';
import { PlanFault, readProblem, type JobAsked, type PlanAsked, type Problem } from '../planning';
import { SumRefusal } from './notebook';
import { notNegative } from './sum';

const name = z.string().trim().min(1).max(80);
const time = z
  .string()
  .regex(/^\d{4}-\d{2}-\d{2}(T\d{2}:\d{2})?$/, 'a time looks like 2026-11-23T07:00, a day like 2026-11-23');
const timeOfDay = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$|^24:00$/, 'a time of day looks like 07:00');
const day = z.string().regex(/^\d{4}-\d{2}-\d{2}$/, 'a day looks like 2026-12-25');

const calendar = z.strictObject({
  id: name,
  weekly: z
    .array(
      z
        .strictObject({ weekday: z.number().int().min(1).max(7), from: timeOfDay, to: timeOfDay })
        .refine(({ from, to }) => from < to, { message: 'it closes before it opens', path: ['to'] }),
    )
    .max(100),
  closed: z.array(day).max(2000).default([]),
});
const resource = z.strictObject({ id: name, calendar: name.optional(), skills: z.array(name).min(1).max(40) });
const operation = z.strictObject({
  id: name,
  /** A skill each; none for what only takes its time, such as curing. */
  needs: z.array(name).max(6),
  minutes: z.number().int('whole minutes').min(1, 'must be at least 1').max(1_000_000),
  ready: time.optional(),
  after: z.array(name).max(200).optional(),
  split: z.boolean().default(false),
});
export const jobInput = z.strictObject({
  id: name,
  ready: time.optional(),
  due: time.optional(),
  weight: notNegative.max(1e6).default(1),
  operations: z.array(operation).min(1, 'a job has at least one operation').max(500),
});
export const planFields = {
  start: time,
  calendars: z.array(calendar).max(300).default([]),
  resources: z.array(resource).min(1, 'nobody is there').max(300),
  jobs: z.array(jobInput).min(1, 'there is no job').max(2000),
  objective: z.enum(['lateness', 'makespan']).default('lateness'),
  budget_ms: z.number().int().min(1).max(10_000).default(1000),
};
export const planInput = z.strictObject(planFields);
export type PlanInput = z.output<typeof planInput>;

/** A plan's question as core asks it. */
export const asAsked = ({ budget_ms: budgetMs, ...given }: PlanInput, more: readonly JobAsked[] = []): PlanAsked => ({
  ...given,
  budgetMs,
  jobs: [...given.jobs, ...more],
});

/** Reads a plan's question; what cannot be planned is refused by the name of its field. */
export function problemOf(asked: PlanAsked): Problem {
  const count = asked.jobs.reduce((sum, { operations }) => sum + operations.length, 0);
  if (count > 5000) throw new SumRefusal('jobs', `there are ${count} operations; at most 5000 are planned at once`);
  try {
    return readProblem(asked);
  } catch (error) {
    if (error instanceof PlanFault) throw new SumRefusal(error.path, error.message);
    throw error;
  }
}
