'use client';

import { present } from '@/core/present';
import { useRouter } from 'next/navigation';
import { useEffect, useSyncExternalStore } from 'react';
import { v4 as makeKey } from 'uuid';
import { tagOf, tellChanged } from '../act/changes';
import { watchMaker } from '../act/maker';
import {
  flushWaiting,
  parseWaiting,
  readWaiting,
  renewPasses,
  waitingText,
  watchWaiting,
  writeWaiting,
  type WaitingEntry,
} from '../act/waiting';

interface Versioned {
  readonly version?: number;
}

function versionOf(theirs: unknown): number {
  return (typeof theirs === 'object' && theirs !== null && (theirs as Versioned).version) || 0;
}

/** The same entry, based on what stands there now: another thing said, so with a key of its own. */
function overTheirs({ error, ...entry }: WaitingEntry): WaitingEntry {
  const basedOn = versionOf(error?.theirs);
  const { input } = entry;
  const based =
    'entries' in input
      ? { ...input, entries: input.entries.map((one) => ({ ...one, basedOn })) }
      : 'parts' in input
        ? { ...input, parts: input.parts.map((one) => (typeof one === 'string' ? one : { ...one, basedOn })) }
        : { ...input, basedOn };
  return { ...entry, key: makeKey(), input: based } as WaitingEntry;
}

/**
 * Says quietly that entries wait on this device, sends them when it can, and lets a person choose where two disagree.
 */
export function WaitingBar() {
  const router = useRouter();
  const text = useSyncExternalStore(watchWaiting, waitingText, () => '[]');
  const entries = parseWaiting(text);
  const open = entries.filter((entry) => !entry.error && !entry.needsMaker).length;
  const makers = [...new Set(entries.filter((entry) => entry.needsMaker).map((entry) => entry.maker.name))];
  useEffect(() => watchMaker(renewPasses), []);
  useEffect(() => {
    if (!open) return;
    const flush = async () => {
      for (const tag of await flushWaiting()) if (!(await tellChanged(tag))) router.refresh();
    };
    const timer = setInterval(() => void flush(), 2000);
    return () => clearInterval(timer);
  }, [open, router]);
  if (!entries.length) return null;
  const drop = (key: string) => writeWaiting(readWaiting().filter((one) => one.key !== key));
  const takeTheirs = async (entry: WaitingEntry) => {
    drop(entry.key);
    const tag = tagOf(entry.input);
    if (!tag || !(await tellChanged(tag))) router.refresh();
  };
  const again = (entry: WaitingEntry) =>
    writeWaiting(readWaiting().map((one) => (one.key === entry.key ? overTheirs(entry) : one)));
  return (
    <section
      aria-label="Entries waiting on this device"
      className="fixed bottom-24 left-4 z-30 max-w-[520px] border-l-4 border-ochre bg-sheet px-4 py-3 shadow-lg"
    >
      {open > 0 && (
        <p role="status">
          <b>{open === 1 ? '1 entry waits' : `${open} entries wait`} on this device</b> and will be sent when the record
          can be reached.
        </p>
      )}
      {makers.map((name) => (
        <p key={name} role="status">
          Entries of <b>{name || 'somebody who was signed in'}</b> wait until that person signs in here again; they are
          kept, with the time when they were made.
        </p>
      ))}
      {entries
        .filter((entry) => entry.error)
        .map((entry) => (
          <div key={entry.key} role="alert" className="mt-2">
            <p className="font-semibold">
              {entry.label} <span className="font-normal text-quiet">by {entry.maker.name}</span>
            </p>
            <p className="text-13">{present(entry.error).what}</p>
            <div className="mt-1 flex gap-3">
              {present(entry.error).theirs ? (
                <>
                  <button type="button" className="min-h-11 font-semibold underline" onClick={() => again(entry)}>
                    Mine stands
                  </button>
                  <button type="button" className="min-h-11 font-semibold underline" onClick={() => takeTheirs(entry)}>
                    Theirs stands
                  </button>
                </>
              ) : (
                <button type="button" className="min-h-11 font-semibold underline" onClick={() => drop(entry.key)}>
                  Take note and drop it
                </button>
              )}
            </div>
          </div>
        ))}
    </section>
  );
}
