'use client';

import { dateFormat } from '@/words/formats';
import { useRouter } from 'next/navigation';
import { useEffect, useEffectEvent, useState, useSyncExternalStore } from 'react';
import { tellChanged } from '../act/changes';
import { lostSince, watchLine } from '../act/line';
import { watchMaker } from '../act/maker';
import { flushWaiting, parseWaiting, renewPasses, waitingText, watchWaiting } from '../act/waiting';
import { useFetched } from '../ui/use-fetched';

/** How often what waits is tried, in ms. */
const tryMs = 2000;
/** After how long a page fetches what it may need without a line, in ms. */
const earlyMs = 3000;

function sayCount(open: number, refused: number, total: number): string {
  if (refused) return refused === 1 ? '1 entry was not taken' : `${refused} entries were not taken`;
  if (open) return open === 1 ? '1 entry waits on this device' : `${open} entries wait on this device`;
  return total === 1 ? '1 entry is kept here' : `${total} entries are kept here`;
}

/** Sends what waits, in order, as long as anything does, and shows what came of it. */
function useSending(open: number): void {
  const router = useRouter();
  useEffect(() => watchMaker(renewPasses), []);
  useEffect(() => {
    if (!open) return;
    const flush = async () => {
      for (const tag of await flushWaiting()) if (!(await tellChanged(tag))) router.refresh();
    };
    const timer = setInterval(() => void flush(), tryMs);
    return () => clearInterval(timer);
  }, [open, router]);
}

/**
 * In the head of each page, where something is wrong with the line: since when nobody answers, and how many entries
 * wait here, with the list of them. Nothing where all is well.
 */
export function LineSign({ zone }: { readonly zone: string }) {
  const text = useSyncExternalStore(watchWaiting, waitingText, () => '[]');
  const since = useSyncExternalStore(watchLine, lostSince, () => null);
  const entries = parseWaiting(text);
  const refused = entries.filter(({ error }) => error).length;
  const open = entries.filter(({ error, needsMaker }) => !error && !needsMaker).length;
  const makers = [...new Set(entries.filter(({ needsMaker }) => needsMaker).map(({ maker }) => maker.name))];
  useSending(open);
  const [isAsked, setAsked] = useState(false);
  const [WhatWaits, fetchList] = useFetched<{ readonly zone: string }>(() =>
    import('./what-waits').then((module) => module.WhatWaits),
  );
  // Fetched while there is a line: it is wanted where there is none.
  const fetchEarly = useEffectEvent(fetchList);
  useEffect(() => {
    const timer = setTimeout(fetchEarly, earlyMs);
    return () => clearTimeout(timer);
  }, []);
  if (!entries.length && since === null) return null;
  const time = since === null ? null : sayTime(since, zone);
  // What was refused waits for somebody, and says so by itself.
  const isShown = entries.length > 0 && (isAsked || refused > 0);
  return (
    <div className="relative">
      <button
        type="button"
        aria-expanded={isShown}
        className="flex min-h-12 items-center gap-2 border-l-4 border-ochre bg-sand px-3 text-left leading-tight"
        onClick={() => setAsked(!isAsked)}
      >
        <span role="status">
          <b className="block whitespace-nowrap">
            {entries.length ? sayCount(open, refused, entries.length) : 'What you enter waits here'}
          </b>
          <span className="block text-13 text-quiet">
            {time === null ? (refused ? 'see why, and choose' : 'being sent') : `no line since ${time}; kept`}
            {makers.length > 0 && `; ${makers.map((name) => name || 'its maker').join(', ')} must sign in again`}
          </span>
        </span>
      </button>
      {isShown && (
        <section
          aria-label="Entries waiting on this device"
          className="absolute right-0 top-full z-40 max-h-[70vh] w-[min(560px,92vw)] overflow-y-auto border border-ink bg-sheet px-4 py-2 shadow-lg"
        >
          {WhatWaits ? (
            <WhatWaits zone={zone} />
          ) : (
            <ul>
              {entries.map(({ key, label, maker }) => (
                <li key={key}>
                  {label} <span className="text-quiet">by {maker.name}</span>
                </li>
              ))}
            </ul>
          )}
          <a href="/held" className="inline-block min-h-11 content-center font-semibold underline">
            What this device holds
          </a>
        </section>
      )}
    </div>
  );
}

function sayTime(iso: string, zone: string): string {
  return dateFormat('en-GB', { timeZone: zone, hour: '2-digit', minute: '2-digit' }).format(new Date(iso));
}
