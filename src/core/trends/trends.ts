import { heldBy, type HeldBy, type HeldStay } from './held';
import type { z } from 'zod';
import { quantileBetween, turnaround } from '../sums';

/** A job as trends look at it. Times are those of the shop’s clock, `YYYY-MM-DDTHH:MM`; days `YYYY-MM-DD`. */
export interface TrendJob {
  readonly tag: string;
  readonly family: string;
  readonly liquid: string;
  readonly opened: string;
  /** When the pump was ready to go out; null while it is here. */
  readonly ready: string | null;
  /** The day that was promised first, whatever was promised later; null where none was. */
  readonly promised: string | null;
  readonly stays: readonly HeldStay[];
  readonly runs: number;
  /** The earlier job under whose warranty it came back. */
  readonly comebackOf: string | null;
  /** Days from the quote to its answer; null where none came. */
  readonly answerDays: number | null;
  /** Parts that were renewed or worked on, by name. */
  readonly renewed: readonly string[];
  /** Minutes that were worked on it, and those of its family for the same stations; null where nobody was timed. */
  readonly worked: { readonly minutes: number; readonly standard: number } | null;
  /** What was judged of its warranty, where it came back. */
  readonly judged: string;
}

type Turnaround = z.infer<typeof turnaround.result>;

/** Figures of some jobs; null where there is none to judge by. */
export interface TrendFigures extends Pick<
  Turnaround,
  'closed' | 'days' | 'kept_pct' | 'first_pass_pct' | 'comeback_pct'
> {
  readonly answer: { readonly of: number; readonly p50: number | null; readonly p90: number | null };
  /** Hours that were worked, and what that is of the families' minutes; null of none that was timed. */
  readonly work: { readonly hours: number; readonly standard_pct: number | null };
}

/** The jobs behind the figures of a month: what went out, and of it what was late, failed its first test, came back. */
export interface TrendTags {
  readonly closed: readonly string[];
  readonly late: readonly string[];
  readonly failedFirst: readonly string[];
  readonly comebacks: readonly string[];
  /** Answered after more than a week. */
  readonly slow: readonly string[];
  /** Took more than half as much again as the family reckons. */
  readonly long: readonly string[];
  readonly timed: number;
  readonly promised: number;
  readonly tested: number;
}

export interface TrendMonth extends TrendFigures {
  /** `YYYY-MM` */
  readonly month: string;
  readonly tags: TrendTags;
}

/** A part that is renewed more often than others, of pumps of one construction with one liquid. */
export interface Failing {
  readonly family: string;
  readonly liquid: string;
  readonly part: string;
  readonly tags: readonly string[];
  /** How many such pumps there were. */
  readonly of: number;
}

export interface Trends {
  readonly from: string;
  readonly to: string;
  readonly all: TrendFigures & { readonly tags: TrendTags };
  readonly byStation: Turnaround['by_station'];
  readonly openByAge: Turnaround['open_by_age'];
  readonly months: readonly TrendMonth[];
  readonly failing: readonly Failing[];
  readonly held: readonly HeldBy[];
  /** What was judged of each that came back. */
  readonly judged: readonly { readonly tag: string; readonly words: string }[];
}

function sumOf(jobs: readonly TrendJob[], from: string, to: string): Turnaround {
  return turnaround.compute({
    ...{ from, to },
    jobs: jobs.map(({ opened, ready, promised, stays, runs, comebackOf }) => ({
      ...{ opened, runs },
      ...(ready !== null && { closed: ready }),
      ...(promised !== null && { promised }),
      ...(comebackOf !== null && { comeback_of: comebackOf }),
      stations: stays.map(({ station, from: begin, to: end }) => ({
        ...{ station, from: begin },
        ...(end !== null && { to: end }),
      })),
    })),
  }).result;
}

const dayOf = (time: string) => time.slice(0, 10);

/** An answer that took longer is slow, in days; work that took more times its family's minutes is long. */
const [slowDays, longTimes] = [7, 1.5];

function tagsOf(jobs: readonly TrendJob[]): TrendTags {
  const of = (is: (job: TrendJob) => boolean) => jobs.filter(is).map(({ tag }) => tag);
  return {
    closed: of(() => true),
    late: of(({ ready, promised }) => ready !== null && promised !== null && dayOf(ready) > promised),
    failedFirst: of(({ runs }) => runs > 1),
    comebacks: of(({ comebackOf }) => comebackOf !== null),
    slow: of(({ answerDays }) => answerDays !== null && answerDays > slowDays),
    long: of(({ worked }) => worked !== null && worked.minutes > longTimes * worked.standard),
    timed: jobs.filter(({ worked }) => worked !== null).length,
    promised: jobs.filter(({ promised }) => promised !== null).length,
    tested: jobs.filter(({ runs }) => runs > 0).length,
  };
}

const sum = (values: readonly number[]) => values.reduce((all, one) => all + one, 0);

function figuresOf(jobs: readonly TrendJob[], from: string, to: string): TrendFigures {
  const days = jobs.flatMap(({ answerDays }) => answerDays ?? []);
  const timed = jobs.flatMap(({ worked }) => worked ?? []);
  const [minutes, standard] = [sum(timed.map((one) => one.minutes)), sum(timed.map((one) => one.standard))];
  const work = { hours: minutes / 60, standard_pct: standard > 0 ? (100 * minutes) / standard : null };
  const answer = { of: days.length, p50: quantileBetween(days, 50), p90: quantileBetween(days, 90) };
  if (!jobs.length) {
    const none = { mean: null, p50: null, p90: null };
    return { closed: 0, days: none, kept_pct: null, first_pass_pct: null, comeback_pct: null, answer, work };
  }
  const { closed, days: house, kept_pct, first_pass_pct, comeback_pct } = sumOf(jobs, from, to);
  return { closed, days: house, kept_pct, first_pass_pct, comeback_pct, answer, work };
}

/** Months from that of one day to that of another, both with. */
function monthsBetween(from: string, to: string): readonly string[] {
  const [year = 0, month = 1] = from.split('-').map(Number);
  const [lastYear = 0, lastMonth = 1] = to.split('-').map(Number);
  const count = (lastYear - year) * 12 + lastMonth - month + 1;
  return Array.from({ length: Math.max(0, count) }, (_, i) => {
    const at = month - 1 + i;
    return `${year + Math.floor(at / 12)}-${String((at % 12) + 1).padStart(2, '0')}`;
  });
}

/** Fewer pumps of a construction with a liquid than this tell nothing of their parts. */
const leastAlike = 3;

function failingOf(jobs: readonly TrendJob[]): readonly Failing[] {
  const alike = new Map<string, TrendJob[]>();
  for (const job of jobs) {
    const key = JSON.stringify([job.family, job.liquid]);
    alike.set(key, [...(alike.get(key) ?? []), job]);
  }
  return [...alike.values()]
    .filter((own) => own.length >= leastAlike)
    .flatMap((own) => {
      const parts = [...new Set(own.flatMap(({ renewed }) => renewed))];
      return parts.map((part) => ({
        ...{ family: own[0]?.family ?? '', liquid: own[0]?.liquid ?? '', part, of: own.length },
        tags: own.filter(({ renewed }) => renewed.includes(part)).map(({ tag }) => tag),
      }));
    })
    .filter(({ tags }) => tags.length > 1)
    .sort((a, b) => b.tags.length / b.of - a.tags.length / a.of || b.of - a.of || a.part.localeCompare(b.part));
}

/**
 * What the shop’s jobs of some months say: how long pumps were here, how often the day that was promised first was kept,
 * how many passed their first test, came back, how long answers took, and which parts are renewed again and again.
 * @param period days, both with; the months that they touch have figures of their own
 */
export function trendsOf(
  jobs: readonly TrendJob[],
  { from, to }: { readonly from: string; readonly to: string },
): Trends {
  const gone = jobs.filter(({ ready }) => ready !== null && dayOf(ready) >= from && dayOf(ready) <= to);
  const whole = jobs.length ? sumOf(jobs, from, to) : null;
  return {
    ...{ from, to },
    all: { ...figuresOf(gone, from, to), tags: tagsOf(gone) },
    byStation: whole?.by_station ?? [],
    openByAge: whole?.open_by_age ?? [],
    months: monthsBetween(from, to).map((month) => {
      const own = gone.filter(({ ready }) => ready?.startsWith(month));
      return { month, ...figuresOf(own, from, to), tags: tagsOf(own) };
    }),
    failing: failingOf(gone),
    held: heldBy(gone.flatMap(({ stays }) => stays)),
    judged: gone.flatMap(({ tag, judged }) => (judged ? [{ tag, words: judged }] : [])),
  };
}
