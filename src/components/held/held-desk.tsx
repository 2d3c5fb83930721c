'use client';

import { Link } from '../ui/link';
import { useState, useSyncExternalStore } from 'react';
import { stationNames } from '@/core/record';
import { lostSince, watchLine } from '../act/line';
import { sayDate, sayMoment } from '../job/view';
import { WhatWaits } from '../shell/what-waits';
import { Button } from '../ui/form';
import type { BenchJob, HeldBench, HeldMark } from './held-store';
import { chooseToHold, holdsByChoice, watchChoice, whyNotHeld } from './holding';

interface Props {
  readonly bench: HeldBench | null;
  readonly jobs: readonly HeldMark[];
  readonly isTablet: boolean;
  /** What was asked for and is not held: a tag, or a page; null where this page was. */
  readonly asked: string | null;
}

/** Whose hands it waits for first, then by promise. */
const byTurn = (a: BenchJob, b: BenchJob) =>
  (a.mineFrom ?? '9').localeCompare(b.mineFrom ?? '9') || a.promisedOn.localeCompare(b.promisedOn);

/** When a job stands as it stood clearly before the list, in ms. */
const clearlyMs = 600_000;
const isBefore = (one: string, other: string) => Date.parse(other) - Date.parse(one) > clearlyMs;

/** A time of the plan, which is local: "30 Nov, 08:00". @param time YYYY-MM-DDTHH:MM */
const sayPlanned = (time: string) => `${sayDate(time).replace(/ \d{4}$/, '')}, ${time.slice(11)}`;

interface RowProps {
  readonly line: BenchJob;
  readonly job: HeldMark | undefined;
  readonly zone: string;
  /** When the list stood so, ISO. */
  readonly asOf: string;
}

function HeldRow({ line, job, zone, asOf }: RowProps) {
  return (
    <li className="row grid min-h-12 grid-cols-[88px_1fr_auto] items-center gap-x-4 py-1 first:border-0 lg:grid-cols-[88px_110px_1fr_1fr_190px]">
      {job ? (
        // A whole page: what brings parts of pages is the shop's.
        <a href={`/jobs/${line.tag}`} className="num min-h-12 content-center font-bold underline underline-offset-4">
          {line.tag}
        </a>
      ) : (
        <span className="num text-quiet">{line.tag}</span>
      )}
      <span className="hidden lg:inline">{stationNames[line.station]}</span>
      <span>
        {line.pump} · {line.customer}
      </span>
      <span className="hidden text-quiet lg:inline">
        {line.onHold ? 'on hold' : line.move}
        {line.detail && !line.onHold && `: ${line.detail}`}
      </span>
      <span className="text-13 text-quiet">
        {line.mineFrom && <b className="block text-ink">yours from {sayPlanned(line.mineFrom)}</b>}
        {job ? isBefore(job.at, asOf) && `as of ${sayMoment(job.at, zone)}` : 'not held yet'}
      </span>
    </li>
  );
}

const needLine = [
  'moving a job to its next station, and anything that is sent or ordered',
  'taking over by PIN, and a second person’s signature at a hold point',
  'sums on their own page, unless it was open before',
  'the bench camera, gauges that send by themselves, and the test stand: take pictures from files, read and type',
];

/** Whether this device holds the bench, why not, and the choice. */
function ThisDevice({ isTablet, count }: { readonly isTablet: boolean; readonly count: number }) {
  const [isBusy, setBusy] = useState(false);
  const why = useSyncExternalStore(
    () => () => undefined,
    whyNotHeld,
    () => null,
  );
  const holds = useSyncExternalStore(
    watchChoice,
    () => holdsByChoice(isTablet),
    () => false,
  );
  const change = async (to: boolean) => {
    setBusy(true);
    chooseToHold(to);
    try {
      const own = await import('./hold-bench');
      if (to) await own.startWorker();
      if (to) await own.holdAnew();
      else await own.holdNoLonger();
    } catch {
      // Without a line nothing is brought now; it is as soon as there is one.
    }
    window.location.reload();
  };
  if (why !== null)
    return (
      <div className="border-l-4 border-jasper pl-3">
        <p>
          <b>This device holds no jobs.</b> {why} Over a line that is lost, a page that is open goes on, and what you
          enter on it waits here and is sent later; pictures, too. A reload, or another page, shows nothing until the
          line is back.
        </p>
        <p className="text-quiet">The owner finds how to serve over TLS in the running guide of this program.</p>
      </div>
    );
  return (
    <div className={`border-l-4 pl-3 ${holds ? 'border-moss' : 'border-line'}`}>
      <p>
        {holds ? (
          <>
            <b>This device holds the bench:</b> {count === 1 ? '1 job' : `${count} jobs`}, brought up to date every five
            minutes and whenever one is opened here.
          </>
        ) : (
          <>
            <b>This device does not hold the bench.</b> A tablet that is enrolled does; this one can, too, where it
            stays in the shop.
          </>
        )}
      </p>
      <Button tone="quiet" disabled={isBusy} onClick={() => void change(!holds)}>
        {isBusy ? 'Bringing the jobs …' : holds ? 'Hold it no longer' : 'Hold the bench on this device'}
      </Button>
    </div>
  );
}

/** What this device holds for a time without a line, what waits on it, and what needs the line. */
export function HeldDesk({ bench, jobs, isTablet, asked }: Props) {
  const since = useSyncExternalStore(watchLine, lostSince, () => null);
  const zone = bench?.zone ?? 'UTC';
  const lines = bench?.jobs.toSorted(byTurn) ?? [];
  return (
    <div className="space-y-6 px-6 py-4">
      <header>
        <h1 className="text-24 font-bold">On this device</h1>
        {asked !== null && (
          <p role="status" className="mt-1 border-l-4 border-ochre pl-3">
            {/^P-/.test(asked) ? (
              <>
                <b className="num">{asked}</b> is not held here
              </>
            ) : (
              'The page that you asked for is the shop’s'
            )}
            {since ? `, and nobody answers since ${sayMoment(since, zone)}.` : '.'} Nothing that you entered is lost.{' '}
            <a href={asked.startsWith('P-') ? `/jobs/${asked}` : asked} className="font-semibold underline">
              Try again
            </a>
          </p>
        )}
      </header>
      <section aria-label="What waits">
        <h2 className="text-18 font-bold">What waits to be sent</h2>
        <WhatWaits zone={zone} />
      </section>
      <section aria-label="Jobs held">
        <h2 className="text-18 font-bold">
          Jobs of this bench
          {bench && <span className="font-normal text-quiet"> · as of {sayMoment(bench.at, zone)}</span>}
        </h2>
        {lines.length > 0 ? (
          <ol>
            {lines.map((line) => (
              <HeldRow
                key={line.tag}
                line={line}
                job={jobs.find(({ tag }) => tag === line.tag)}
                zone={zone}
                asOf={bench?.at ?? ''}
              />
            ))}
          </ol>
        ) : (
          <p className="py-2 text-quiet">None are held on this device.</p>
        )}
        {lines.some(({ mineFrom }) => mineFrom) && (
          <p className="text-13 text-quiet">
            Yours by the plan of {bench && sayDate(bench.today)}; it may have changed since.
          </p>
        )}
      </section>
      <section aria-label="This device" className="space-y-3">
        <h2 className="text-18 font-bold">This device</h2>
        <ThisDevice isTablet={isTablet} count={jobs.length} />
        <div>
          <p className="font-semibold">Without a line steps, readings, findings and pictures go on. What needs it:</p>
          <ul className="list-inside list-disc">
            {needLine.map((words) => (
              <li key={words}>{words}</li>
            ))}
          </ul>
        </div>
        <p>
          <Link href="/" className="underline underline-offset-4">
            To the floor
          </Link>
        </p>
      </section>
    </div>
  );
}
