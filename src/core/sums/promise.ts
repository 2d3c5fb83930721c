import * as z from 'zod';
import { drawUpPlan, madeLater, planInTurn, putFirst, type Plan } from '../planning';
import { present } from '../present';
import { chanceFields, dayAt, endsOfRuns } from './plan-chances';
import { asAsked, jobInput, planFields, problemOf } from './plan-input';
import { defineSum, type WorkingStep } from './sum';

const { answer_days: _answer, ...chances } = chanceFields;
const input = z.strictObject({
  ...planFields,
  jobs: z.array(jobInput).max(2000),
  add: jobInput,
  at_pct: z.array(z.number().min(1).max(99)).min(1).max(20).default([50, 80, 95]),
  first: z.boolean().default(false),
  ...chances,
});
type Input = z.output<typeof input>;
const result = z.object({
  dates: z.array(z.object({ pct: z.number(), date: z.string() })),
  makes_later: z.array(z.object({ job: z.string(), minutes: z.number() })),
});

/** The plan with the new job, when that is ready in the runs, and whom it makes later. */
function reckon({ add, at_pct, first, runs, seed, lead_factor, work_factor, fail_rate, ...plan }: Input) {
  const problem = problemOf(asAsked(plan, [add]));
  const place = problem.jobs.length - 1;
  const varies = { runs, seed, lead_factor, work_factor, fail_rate };
  const endsOf = ({ schedule }: Plan, isFirst = false) => endsOfRuns(problem, schedule, place, { ...varies, isFirst });
  const before = plan.jobs.length ? drawUpPlan(problemOf(asAsked(plan))) : null;
  const turn = before ? planInTurn(problem, before.schedule) : drawUpPlan(problem);
  const inTurn = { made: turn, ends: endsOf(turn) };
  const told = first && before ? putFirst(problem, inTurn, (made) => endsOf(made, true), at_pct) : inTurn;
  return { problem, place, ...told, later: madeLater(before?.ends ?? [], told.made.ends) };
}

/**
 * What a caller is told: the days by whose end one more job is ready with the chances asked for, in its turn between what
 * is planned, or put first, and then whom that makes later and by how many minutes of the clock.
 * Source: Monte Carlo simulation on a finite plan, as in `ready-date`.
 */
export const promise = defineSum<Input, z.infer<typeof result>>({
  id: 'promise',
  title: 'What to promise a caller',
  ask: ['promise', 'when if it came tomorrow', 'put it first', 'delivery date'],
  needsSolver: true,
  input,
  result,
  example: {
    input: {
      start: '2026-11-23T07:00',
      calendars: [{ id: 'day', weekly: [1, 2, 3, 4, 5].map((weekday) => ({ weekday, from: '07:00', to: '15:00' })) }],
      resources: [{ id: 'Joss', calendar: 'day', skills: ['hand'] }],
      jobs: [{ id: 'P-0001', due: '2026-11-24', operations: [{ id: 'rebuild', needs: ['hand'], minutes: 480 }] }],
      add: { id: 'P-0002', operations: [{ id: 'rebuild', needs: ['hand'], minutes: 240 }] },
      first: true,
      at_pct: [50],
      work_factor: { p10: 1, p50: 1, p90: 1 },
    },
    // By hand: the new one takes Monday morning; the other does not fit behind it and moves from Monday to Tuesday.
    result: { dates: [{ pct: 50, date: '2026-11-23' }], makes_later: [{ job: 'P-0001', minutes: 1440 }] },
  },
  compute(given) {
    const { problem, place, made, ends, later } = reckon(given);
    const dates = given.at_pct.map((pct) => ({ pct, date: dayAt(ends, pct, problem.startMs) }));
    const makesLater = later.map(({ j, minutes }) => ({ job: present(problem.jobs[j]).id, minutes }));
    const working: readonly WorkingStep[] = [
      {
        what: given.first ? 'Put first' : 'In its turn',
        put: `${problem.jobs.length - 1} other jobs`,
        outcome: `ready ${dayAt([made.ends[place] ?? 0], 50, problem.startMs)} if nothing varies`,
      },
      ...dates.map(({ pct, date }) => ({
        what: `${pct} of 100 runs are done by`,
        put: `${given.runs} runs`,
        outcome: date,
      })),
      ...makesLater
        .slice(0, 8)
        .map(({ job, minutes }) => ({ what: `${job} becomes later`, outcome: `${minutes} minutes` })),
    ];
    return { result: { dates, makes_later: makesLater }, working, warnings: [] };
  },
});
