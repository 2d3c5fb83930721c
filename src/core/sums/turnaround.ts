import { quantileBetween } from './quantile';
import * as z from 'zod';
import { minuteOf } from '../planning';
import { meanOf } from './notebook';
import { defineSum, show, SumRefusal, type WorkingStep } from './sum';

const time = z
  .string()
  .regex(/^\d{4}-\d{2}-\d{2}(T\d{2}:\d{2})?$/, 'a time looks like 2026-11-23T07:00, a day like 2026-11-23');
const name = z.string().trim().min(1).max(80);
const stay = z.strictObject({ station: name, from: time, to: time.optional() });
const job = z.strictObject({
  opened: time,
  closed: time.optional(),
  promised: time.optional(),
  stations: z.array(stay).max(500).default([]),
  /** How many tests it took. */
  runs: z.number().int().min(0).max(1000).optional(),
  comeback_of: name.optional(),
});
const input = z.strictObject({ jobs: z.array(job).min(1, 'there is no job').max(20_000), from: time, to: time });
type Input = z.output<typeof input>;
type Job = Input['jobs'][number];

const share = z.number().nullable();
const result = z.object({
  closed: z.number(),
  days: z.object({ mean: share, p50: share, p90: share }),
  kept_pct: share,
  first_pass_pct: share,
  comeback_pct: share,
  by_station: z.array(z.object({ station: z.string(), days_p50: z.number(), days_p90: z.number() })),
  open_by_age: z.array(z.object({ up_to_days: z.number(), count: z.number() })),
});
type Result = z.infer<typeof result>;

const minutesADay = 1440;
/** In days from the first of January 1970, with their fraction. */
function dayOf(text: string, path: string): number {
  const minute = minuteOf(text);
  if (minute === null) throw new SumRefusal(path, `“${text}” is no time`);
  return minute / minutesADay;
}

/** The end of a day that is written without a time, so that what ends on it is within it. */
const endOf = (text: string, path: string) => dayOf(text, path) + (text.includes('T') ? 0 : 1 - 1 / minutesADay);

const tidy = (value: number) => Math.round(value * 1e6) / 1e6;
const tidyOrNull = (value: number | null) => (value === null ? null : tidy(value));
const pctOf = <Item>(items: readonly Item[], is: (item: Item) => boolean) =>
  items.length ? tidy((100 * items.filter(is).length) / items.length) : null;

interface Dated {
  readonly job: Job;
  readonly opened: number;
  readonly closed: number | null;
  readonly stays: readonly { readonly station: string; readonly days: number }[];
}

function dated(one: Job, i: number): Dated {
  const path = `jobs.${i}`;
  const opened = dayOf(one.opened, `${path}.opened`);
  const closed = one.closed === undefined ? null : dayOf(one.closed, `${path}.closed`);
  if (closed !== null && closed < opened) throw new SumRefusal(`${path}.closed`, 'it is closed before it was opened');
  const stays = one.stations.flatMap(({ station, from, to }, k) => {
    const at = `${path}.stations.${k}`;
    const begin = dayOf(from, `${at}.from`);
    const end = to === undefined ? closed : dayOf(to, `${at}.to`);
    if (end !== null && end < begin) throw new SumRefusal(`${at}.to`, 'it leaves before it comes');
    return end === null ? [] : [{ station, days: end - begin }];
  });
  return { job: one, opened, closed, stays };
}

/** Days of each job at each station, in the order in which stations are met first. */
function stationsOf(jobs: readonly Dated[]): Result['by_station'] {
  const days = new Map<string, number[]>();
  for (const { stays } of jobs) {
    const own = new Map<string, number>();
    for (const { station, days: more } of stays) own.set(station, (own.get(station) ?? 0) + more);
    for (const [station, sum] of own) days.set(station, [...(days.get(station) ?? []), sum]);
  }
  return [...days].map(([station, own]) => ({
    ...{ station, days_p50: tidy(quantileBetween(own, 50) ?? 0), days_p90: tidy(quantileBetween(own, 90) ?? 0) },
  }));
}

const ages = [7, 14, 30, 60, 90] as const;

/** Jobs that are open at a time, by their age; the oldest have a row of their own. */
function openByAge(jobs: readonly Dated[], at: number): Result['open_by_age'] {
  const open = jobs.filter(({ opened, closed }) => opened <= at && (closed === null || closed > at));
  const days = open.map(({ opened }) => at - opened);
  const oldest = Math.ceil(Math.max(0, ...days));
  const limits = [...ages, ...(oldest > (ages.at(-1) ?? 0) ? [oldest] : [])];
  return limits.map((upTo, i) => {
    const above = limits[i - 1] ?? -Infinity;
    return { up_to_days: upTo, count: days.filter((age) => age > above && age <= upTo).length };
  });
}

function reckon({ jobs, from, to }: Input): Result {
  const [begin, end] = [dayOf(from, 'from'), endOf(to, 'to')];
  if (end < begin) throw new SumRefusal('to', 'the period ends before it begins');
  const all = jobs.map(dated);
  const closed = all.filter((one) => one.closed !== null && one.closed >= begin && one.closed <= end);
  const days = closed.map((one) => (one.closed ?? 0) - one.opened);
  const promised = closed.filter(({ job: { promised: day } }) => day !== undefined);
  const tested = closed.filter(({ job: { runs = 0 } }) => runs > 0);
  return {
    closed: closed.length,
    days: {
      mean: days.length ? tidy(meanOf(days)) : null,
      p50: tidyOrNull(quantileBetween(days, 50)),
      p90: tidyOrNull(quantileBetween(days, 90)),
    },
    kept_pct: pctOf(promised, (one) => (one.closed ?? 0) <= endOf(one.job.promised ?? '', 'jobs')),
    first_pass_pct: pctOf(tested, ({ job: { runs } }) => runs === 1),
    comeback_pct: pctOf(closed, ({ job: { comeback_of } }) => comeback_of !== undefined),
    by_station: stationsOf(closed),
    open_by_age: openByAge(all, end),
  };
}

const sayPct = (pct: number | null) => (pct === null ? 'none to judge by' : `${show(pct, 1)} %`);

function workingOf(found: Result): readonly WorkingStep[] {
  const { closed, days, kept_pct, first_pass_pct, comeback_pct, by_station } = found;
  const slow = by_station.toSorted((a, b) => b.days_p50 - a.days_p50)[0];
  return [
    { what: 'Closed in the period', outcome: String(closed) },
    {
      what: 'Days from opened to closed',
      formula: 'mean, half below, nine of ten below',
      outcome: closed ? [days.mean, days.p50, days.p90].map((one) => show(one ?? 0, 2)).join(', ') : 'none',
      source: 'Hyndman and Fan 1996, type 7',
    },
    { what: 'Promise kept', formula: 'closed by the end of the promised day', outcome: sayPct(kept_pct) },
    { what: 'Passed the first test', formula: 'one run of those that were tested', outcome: sayPct(first_pass_pct) },
    { what: 'Came back', formula: 'closed jobs that were a comeback', outcome: sayPct(comeback_pct) },
    ...(slow
      ? [{ what: 'Longest stay', outcome: `${slow.station}, ${show(slow.days_p50, 2)} days in half of the jobs` }]
      : []),
  ];
}

/**
 * How long pumps stay, how often the promise was kept, how many passed their first test, how many were comebacks: of the
 * jobs closed in a period; and how old those are that are open at its end. Shares in per cent; null where there is none to
 * judge by. Days at a station are summed over a job's stays there.
 */
export const turnaround = defineSum<Input, Result>({
  id: 'turnaround',
  title: 'Turnaround and promises kept',
  ask: ['turnaround', 'days in the shop', 'promise kept', 'first pass', 'comebacks'],
  input,
  result,
  example: {
    input: {
      from: '2026-11-01',
      to: '2026-11-30',
      jobs: [
        {
          ...{ opened: '2026-11-02', closed: '2026-11-12', promised: '2026-11-12', runs: 1 },
          stations: [
            { station: 'inspect', from: '2026-11-03', to: '2026-11-05' },
            { station: 'inspect', from: '2026-11-08', to: '2026-11-09' },
          ],
        },
        { opened: '2026-11-04', closed: '2026-11-24', promised: '2026-11-20', runs: 2, comeback_of: 'P-0100' },
        { opened: '2026-11-20' },
      ],
    },
    // By hand: 10 and 20 days; one of two kept; the third is eleven days old at the end of November.
    result: {
      closed: 2,
      days: { mean: 15, p50: 15, p90: 19 },
      kept_pct: 50,
      first_pass_pct: 50,
      comeback_pct: 50,
      by_station: [{ station: 'inspect', days_p50: 3, days_p90: 3 }],
    },
  },
  compute(given) {
    const found = reckon(given);
    return { result: found, working: workingOf(found), warnings: [] };
  },
});
