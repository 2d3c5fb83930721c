'use client';

import { dateFormat } from '@/words/formats';
import dynamic from 'next/dynamic';
import { Link } from '../ui/link';
import type { ReactNode } from 'react';
import type { Trends, TrendFigures, TrendMonth } from '@/core/trends';
import { dayWords } from '../plan/plan-words';
import { Tags } from './tags';
import { Comebacks, FailingParts, Stations } from './trend-sections';

// The chart's library is fetched only where it is looked at.
const TrendChart = dynamic(() => import('./trend-chart').then((module) => module.TrendChart), {
  loading: () => <p className="h-[150px]">Drawing the line …</p>,
});

type Row = TrendFigures & Pick<TrendMonth, 'tags'>;

interface Figure {
  readonly title: string;
  /** What is counted, and of what. */
  readonly means: string;
  readonly unit: '%' | 'days' | 'h';
  readonly value: (row: Row) => number | null;
  /** Of all months together, where that is not reckoned as of one. */
  readonly whole?: (trends: Trends) => number | null;
  /** Of how many it speaks. */
  readonly of: (row: Row) => number;
  /** The jobs that it leads to, and what they are. */
  readonly tags: (row: Row) => readonly string[];
  readonly which: string;
}

const figures: readonly Figure[] = [
  {
    title: 'Days in the house',
    means: 'From received until ready to go out, in calendar days; half of the pumps took less.',
    unit: 'days',
    value: ({ days }) => days.p50,
    of: ({ closed }) => closed,
    tags: ({ tags }) => tags.closed,
    which: 'went out',
  },
  {
    title: 'Promise kept',
    means: 'Ready by the end of the day that was promised first, before any move of it; of those with a promise.',
    unit: '%',
    value: ({ kept_pct }) => kept_pct,
    of: ({ tags }) => tags.promised,
    tags: ({ tags }) => tags.late,
    which: 'were late',
  },
  {
    title: 'Passed the first test',
    means: 'One run on the stand was enough; of those that were tested.',
    unit: '%',
    value: ({ first_pass_pct }) => first_pass_pct,
    of: ({ tags }) => tags.tested,
    tags: ({ tags }) => tags.failedFirst,
    which: 'needed another run',
  },
  {
    title: 'Came back',
    means: 'Received within the warranty of an earlier repair of the same pump; of those that went out.',
    unit: '%',
    value: ({ comeback_pct }) => comeback_pct,
    of: ({ closed }) => closed,
    tags: ({ tags }) => tags.comebacks,
    which: 'came back',
  },
  {
    title: 'Answers took',
    means: 'From the quote that was sent first to its answer, in calendar days; half came sooner.',
    unit: 'days',
    value: ({ answer }) => answer.p50,
    of: ({ answer }) => answer.of,
    tags: ({ tags }) => tags.slow,
    which: 'took over a week',
  },
  {
    title: 'Work against the families’ minutes',
    means:
      'Minutes that were worked over those that the family reckons for the same stations; of the pumps that were timed.',
    unit: '%',
    value: ({ work }) => work.standard_pct,
    of: ({ tags }) => tags.timed,
    tags: ({ tags }) => tags.long,
    which: 'took half as much again',
  },
  {
    title: 'Load',
    means:
      'Hours that bench, stand and desk worked on the pumps that went out in a month; over all, on those of an average month. What the weeks ahead ask for stands at the plan.',
    unit: 'h',
    value: ({ work }) => work.hours,
    whole: ({ all, months }) => (months.length ? all.work.hours / months.length : null),
    of: ({ tags }) => tags.timed,
    tags: ({ tags }) => tags.closed,
    which: 'went out',
  },
];

const monthWords = (month: string) => {
  const [year = 0, number = 1] = month.split('-').map(Number);
  const name = dateFormat('en-GB', { month: 'long', timeZone: 'UTC' });
  return `${name.format(new Date(Date.UTC(year, number - 1, 1)))} ${year}`;
};

function say(value: number | null, unit: Figure['unit']): string {
  if (value === null) return 'none to judge by';
  if (unit === 'days') return `${value.toFixed(1)} days`;
  return `${Math.round(value)} ${unit}`;
}

/** A figure: what it is now and by month, what it means, and the jobs behind it. */
function FigureShown({ figure, trends }: { readonly figure: Figure; readonly trends: Trends }) {
  const { title, means, unit, value, whole, of, tags, which } = figure;
  const months = trends.months.filter((row) => of(row) > 0);
  const points = trends.months.map((row) => ({ month: row.month, value: value(row) }));
  return (
    <section aria-label={title} className="border-t border-ink pt-2">
      <h2 className="flex flex-wrap items-baseline gap-x-3 font-bold">
        {title}
        <b className="num text-24">{say(whole ? whole(trends) : value(trends.all), unit)}</b>
        <small className="font-normal text-quiet">of {of(trends.all)}</small>
      </h2>
      <p className="text-13 text-quiet">{means}</p>
      {months.length > 1 && <TrendChart {...{ title, unit, points }} />}
      <details>
        <summary className="min-h-11 cursor-pointer content-center text-13 font-semibold">
          By month, with its jobs
        </summary>
        <ol>
          {months.toReversed().map((row) => (
            <li key={row.month} className="row grid grid-cols-[9rem_8rem_1fr] gap-x-3 py-1 text-13 first:border-0">
              <span>{monthWords(row.month)}</span>
              <span className="num">
                {say(value(row), unit)}, of {of(row)}
              </span>
              {tags(row).length > 0 && (
                <span className="flex flex-wrap gap-x-2">
                  {which}: <Tags tags={tags(row)} />
                </span>
              )}
            </li>
          ))}
        </ol>
      </details>
    </section>
  );
}

/** What the jobs of two years say, each figure with what it means and the jobs behind it. */
export function TrendsPage({ trends, children }: { readonly trends: Trends; readonly children?: ReactNode }) {
  const { from, to, all, openByAge } = trends;
  const here = openByAge.reduce((sum, { count }) => sum + count, 0);
  return (
    <div className="space-y-6 p-6">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h1 className="text-24 font-bold">Trends</h1>
        <p>
          {all.closed} pumps went out from {dayWords(from)} to {dayWords(to)}; {here} are here
          {here > 0 &&
            `: ${openByAge
              .filter(({ count }) => count > 0)
              .map(({ up_to_days, count }) => `${count} up to ${up_to_days} days`)
              .join(', ')}`}
          .
        </p>
        <Link href="/desk" className="ml-auto underline underline-offset-4">
          Week
        </Link>
      </div>
      <div className="gap-x-8 lg:columns-2 [&>section]:mb-6 [&>section]:break-inside-avoid">
        {figures.map((figure) => (
          <FigureShown key={figure.title} {...{ figure, trends }} />
        ))}
        <Stations trends={trends} />
        <FailingParts trends={trends} />
        <Comebacks trends={trends} />
        {children}
      </div>
    </div>
  );
}
