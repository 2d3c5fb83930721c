'use client';

import { useRouter } from 'next/navigation';
import { useEffect, useSyncExternalStore } from 'react';
import { flushWaiting, readWaiting, watchWaiting, writeWaiting, type WaitingEntry } from '../act/act';

const snapshot = () => localStorage.getItem('puddlestone.waiting') ?? '[]';

interface Theirs {
  readonly typed?: string;
  readonly version?: number;
  readonly personName?: string;
}

/** The same entry, based on what stands there now. */
function overTheirs(entry: WaitingEntry): WaitingEntry {
  const version = (entry.error?.theirs as Theirs | undefined)?.version ?? 0;
  const input = entry.input as { entries?: { basedOn: number }[]; basedOn?: number };
  const based = input.entries
    ? { ...input, entries: input.entries.map((one) => ({ ...one, basedOn: version })) }
    : { ...input, basedOn: version };
  return { id: entry.id, verb: entry.verb, label: entry.label, input: based };
}

/** Says quietly that entries wait on this device, sends them when it can, and lets a person choose where two disagree. */
export function WaitingBar() {
  const router = useRouter();
  const text = useSyncExternalStore(watchWaiting, snapshot, () => '[]');
  const entries = JSON.parse(text) as WaitingEntry[];
  const open = entries.filter((entry) => !entry.error).length;
  useEffect(() => {
    if (!open) return;
    const flush = async () => {
      if ((await flushWaiting()) > 0) router.refresh();
    };
    const timer = setInterval(flush, 2000);
    return () => clearInterval(timer);
  }, [open, router]);
  if (!entries.length) return null;
  const drop = (id: string) => writeWaiting(readWaiting().filter((one) => one.id !== id));
  const again = (entry: WaitingEntry) =>
    writeWaiting(readWaiting().map((one) => (one.id === entry.id ? overTheirs(entry) : one)));
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
      {entries
        .filter((entry) => entry.error)
        .map((entry) => (
          <div key={entry.id} role="alert" className="mt-2">
            <p className="font-semibold">{entry.label}</p>
            <p className="text-13">{entry.error!.what}</p>
            <div className="mt-1 flex gap-3">
              {entry.error!.theirs ? (
                <>
                  <button type="button" className="min-h-11 font-semibold underline" onClick={() => again(entry)}>
                    Mine stands
                  </button>
                  <button
                    type="button"
                    className="min-h-11 font-semibold underline"
                    onClick={() => (drop(entry.id), router.refresh())}
                  >
                    Theirs stands
                  </button>
                </>
              ) : (
                <button type="button" className="min-h-11 font-semibold underline" onClick={() => drop(entry.id)}>
                  Take note and drop it
                </button>
              )}
            </div>
          </div>
        ))}
    </section>
  );
}
