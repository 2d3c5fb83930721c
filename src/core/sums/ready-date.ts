import * as z from 'zod';
import { drawUpPlan, limitOf, type JobAsked } from '../planning';
import { answerId, answerWork, chanceFields, dayAt, endsOfRuns } from './plan-chances';
import { limitResult } from './plan';
import { asAsked, planFields, problemOf, type PlanInput } from './plan-input';
import { defineSum, SumRefusal } from './sum';

const input = z.strictObject({ ...planFields, job: z.string().trim().min(1).max(80), ...chanceFields });
type Input = z.output<typeof input>;
const result = z.object({
  early: z.string(),
  likely: z.string(),
  late: z.string(),
  quantiles: z.array(z.object({ pct: z.number(), date: z.string() })),
  limited_by: limitResult,
});
const shares = [5, 10, 25, 50, 75, 80, 90, 95] as const;

/** The job with its answer before all that it does. */
function withAnswer(job: JobAsked, minutes: number): JobAsked {
  const operations = job.operations.map((operation, i) => {
    const isFirst = operation.after ? operation.after.length === 0 : i === 0;
    return isFirst ? { ...operation, after: [answerId] } : operation;
  });
  return { ...job, operations: [{ id: answerId, needs: [], minutes, split: false, after: [] }, ...operations] };
}

function askedOf({
  job,
  runs: _runs,
  seed: _seed,
  answer_days,
  lead_factor: _lead,
  work_factor: _work,
  fail_rate: _fail,
  ...plan
}: Input) {
  const asked = asAsked(plan satisfies PlanInput);
  const place = asked.jobs.findIndex(({ id }) => id === job);
  if (place < 0) throw new SumRefusal('job', `there is no job “${job}”`);
  if (!answer_days) return { asked, place };
  const { minutes } = answerWork(answer_days);
  return {
    place,
    asked: { ...asked, jobs: asked.jobs.map((one, j) => (j === place ? withAnswer(one, minutes) : one)) },
  };
}

/**
 * When a job is ready, from many runs of the plan with times as they may turn out: early, likely and late are the days by
 * whose end 10, 50 and 90 of 100 runs are done. Minutes of work vary by `work_factor` (usually 0.85, 1, 1.35), what is
 * waited for until its `ready` by `lead_factor`; with `answer_days` the job waits for an answer first; the last operation
 * is done again with the chance `fail_rate`. Hands, places and their order stay as planned.
 * Source: Monte Carlo simulation; spreads are normal in the logarithm on each side of their middle.
 */
export const readyDate = defineSum<Input, z.infer<typeof result>>({
  id: 'ready-date',
  title: 'When a job is ready: early, likely, late',
  ask: ['when is it ready', 'ready range', 'early likely late', 'simulation'],
  needsSolver: true,
  input,
  result,
  example: {
    input: {
      start: '2026-11-23T07:00',
      calendars: [{ id: 'day', weekly: [1, 2, 3, 4, 5].map((weekday) => ({ weekday, from: '07:00', to: '15:00' })) }],
      resources: [{ id: 'Joss', calendar: 'day', skills: ['hand'] }],
      jobs: [{ id: 'P-0001', operations: [{ id: 'rebuild', needs: ['hand'], minutes: 960, split: true }] }],
      job: 'P-0001',
      runs: 500,
      work_factor: { p10: 0.5, p50: 0.9, p90: 2 },
    },
    // By hand: 480, 864 and 1920 minutes at 480 a day end on the first, second and fourth day.
    result: { early: '2026-11-23', likely: '2026-11-24', late: '2026-11-26' },
  },
  compute(given) {
    const { asked, place } = askedOf(given);
    const problem = problemOf(asked);
    const { schedule } = drawUpPlan(problem);
    const ends = endsOfRuns(problem, schedule, place, given);
    const at = (pct: number) => dayAt(ends, pct, problem.startMs);
    const limit = limitOf(schedule, place);
    const [early, likely, late] = [at(10), at(50), at(90)];
    return {
      result: { early, likely, late, quantiles: shares.map((pct) => ({ pct, date: at(pct) })), limited_by: limit },
      working: [
        { what: 'Plan', put: `${problem.jobs.length} jobs`, outcome: `limited by ${limit.kind} ${limit.id}` },
        {
          what: 'Runs',
          formula: 'days by whose end 10, 50 and 90 of 100 runs are done',
          put: `${given.runs} runs, seed ${given.seed}`,
          outcome: `${early}, ${likely}, ${late}`,
          source: 'Monte Carlo simulation',
        },
      ],
      warnings: [],
    };
  },
});
