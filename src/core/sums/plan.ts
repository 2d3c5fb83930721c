import * as z from 'zod';
import { drawUpPlan, writePlan, type WrittenPlan } from '../planning';
import { asAsked, planInput, problemOf, type PlanInput } from './plan-input';
import { defineSum, show, type Warning, type WorkingStep } from './sum';

const span = { start: z.string(), end: z.string() };
export const limitResult = z.object({ kind: z.enum(['resource', 'parts', 'operation', 'calendar']), id: z.string() });
const result = z.object({
  operations: z.array(
    z.object({
      job: z.string(),
      operation: z.string(),
      resources: z.array(z.string()),
      ...span,
      pieces: z.array(z.object(span)).optional(),
    }),
  ),
  jobs: z.array(z.object({ id: z.string(), end: z.string(), late_minutes: z.number(), limited_by: limitResult })),
  makespan_minutes: z.number(),
  weighted_late_minutes: z.number(),
  bound_minutes: z.number(),
  proven: z.boolean(),
});
type Result = z.infer<typeof result>;

function workingOf({ objective, jobs, resources }: PlanInput, plan: WrittenPlan): readonly WorkingStep[] {
  const isLateness = objective === 'lateness';
  const late = plan.jobs.filter(({ lateMinutes }) => lateMinutes > 0);
  const worst = late.toSorted((a, b) => b.lateMinutes - a.lateMinutes).slice(0, 5);
  return [
    {
      what: 'Planned',
      put: `${jobs.length} jobs of ${plan.operations.length} operations on ${resources.length} hands and places`,
      outcome: `the last ends after ${plan.makespanMinutes} minutes`,
    },
    {
      what: isLateness ? 'Weight × minutes late' : 'The last end',
      formula: isLateness ? 'Σ weight · max(0, end − due)' : 'max end',
      outcome: show(isLateness ? plan.weightedLateMinutes : plan.makespanMinutes),
      source: 'finite capacity; taboo search on longest paths, large neighbourhood search',
    },
    {
      what: 'No plan is below',
      put: isLateness
        ? 'each job as if it had the shop to itself'
        : 'each job alone, each resource breaking off its work',
      outcome: `${show(plan.boundMinutes)}${plan.proven ? ': this plan is the best there is' : ''}`,
    },
    ...worst.map(({ id, lateMinutes, limitedBy }) => ({
      what: `${id} is late`,
      put: `limited by ${limitedBy.kind} ${limitedBy.id}`,
      outcome: `${lateMinutes} minutes`,
    })),
  ];
}

function warningsOf({ jobs, proven }: WrittenPlan): readonly Warning[] {
  const late = jobs.filter(({ lateMinutes }) => lateMinutes > 0).length;
  const warn = (isSo: boolean, code: string, sentence: string) => (isSo ? [{ code, sentence }] : []);
  return [
    ...warn(late > 0, 'late', `${late} of ${jobs.length} jobs are later than they are due.`),
    ...warn(!proven, 'not-proven', 'The best plan found; a better one is not ruled out.'),
  ];
}

/**
 * A finite plan: who does what where and when, nobody and nothing in two places. Each operation needs one resource with
 * each skill named, all at once; it runs in one piece, or with `split` pauses while one of its resources is closed.
 * `lateness` makes the sum of weight and minutes late least, then the sum of ends; `makespan` the last end. Times are the
 * shop's local time. The same question has the same answer.
 * Source: taboo search after E. Nowicki and C. Smutnicki (1996) with the moves of E. Balas and A. Vazacopoulos (1998);
 * large neighbourhood search after P. Shaw (1998); bound after J. R. Jackson (1955).
 */
export const plan = defineSum<PlanInput, Result>({
  id: 'plan',
  title: 'Plan of hands and places',
  ask: ['plan', 'schedule', 'who does what when', 'when is it ready', 'capacity'],
  needsSolver: true,
  input: planInput,
  result,
  example: {
    input: {
      start: '2026-11-23T07:00',
      calendars: [
        {
          id: 'day',
          weekly: [
            { weekday: 1, from: '07:00', to: '12:00' },
            { weekday: 2, from: '07:00', to: '12:00' },
          ],
        },
      ],
      resources: [
        { id: 'Joss', calendar: 'day', skills: ['hand'] },
        { id: 'Bench 1', skills: ['bench'] },
      ],
      jobs: [
        {
          id: 'P-0001',
          due: '2026-11-23T12:00',
          operations: [{ id: 'rebuild', needs: ['hand', 'bench'], minutes: 180 }],
        },
        {
          id: 'P-0002',
          due: '2026-11-24T12:00',
          operations: [{ id: 'rebuild', needs: ['hand', 'bench'], minutes: 240, split: true }],
        },
      ],
    },
    // By hand: P-0001 first, 7 to 10; P-0002 has two hours until noon and the other two the next morning.
    result: {
      operations: [
        {
          job: 'P-0001',
          operation: 'rebuild',
          resources: ['Joss', 'Bench 1'],
          start: '2026-11-23T07:00',
          end: '2026-11-23T10:00',
        },
        {
          ...{ job: 'P-0002', operation: 'rebuild', resources: ['Joss', 'Bench 1'] },
          ...{ start: '2026-11-23T10:00', end: '2026-11-24T09:00' },
          pieces: [
            { start: '2026-11-23T10:00', end: '2026-11-23T12:00' },
            { start: '2026-11-24T07:00', end: '2026-11-24T09:00' },
          ],
        },
      ],
      weighted_late_minutes: 0,
      bound_minutes: 0,
      proven: true,
    },
  },
  compute(given) {
    const written = writePlan(drawUpPlan(problemOf(asAsked(given))));
    return {
      result: {
        operations: written.operations.map(({ resources, pieces, ...one }) => ({
          ...{ ...one, resources: [...resources] },
          ...(pieces && { pieces: [...pieces] }),
        })),
        jobs: written.jobs.map(({ id, end, lateMinutes, limitedBy }) => ({
          ...{ id, end, late_minutes: lateMinutes, limited_by: limitedBy },
        })),
        makespan_minutes: written.makespanMinutes,
        weighted_late_minutes: written.weightedLateMinutes,
        bound_minutes: written.boundMinutes,
        proven: written.proven,
      },
      working: workingOf(given, written),
      warnings: warningsOf(written),
    };
  },
});
