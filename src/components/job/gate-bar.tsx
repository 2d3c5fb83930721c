'use client';

import { present } from '@/core/present';
import { Link } from '../ui/link';
import { useState } from 'react';
import { personalMoves } from '@/core/lifecycle/transition';
import { stationNames, type Station } from '@/core/record';
import { useAct } from '../act/use-act';
import { Button, ErrorNote } from '../ui/form';
import { stationHref, type JobView } from './view';

/** Moves that this bar makes; sending, answering, deciding and issuing have their own place on the sheet. */
const ownMoves = new Set([
  'begin-teardown',
  'finish-teardown',
  'finish-cleaning',
  'finish-inspection',
  'start-rebuild',
  'finish-rebuild',
]);

/** The gate to the next station: what is missing, each line leading to its place; the move itself when it is open. */
export function GateBar({ view, shown }: { readonly view: JobView; readonly shown: Station }) {
  const { record, gate } = view;
  const { run, error, isBusy } = useAct();
  const [isOpen, setOpen] = useState(false);
  if (record.closedAt || record.hold || shown !== record.station) {
    if (shown === record.station && !record.hold) return null;
    return (
      <aside aria-label="Gate" className="fixed inset-x-0 bottom-0 z-20 border-t border-ink bg-sand px-6 py-3 text-13">
        {record.hold ? (
          <>On hold: {record.hold.reason}. Take it up again with “On hold” at the top.</>
        ) : (
          <>
            You look at {stationNames[shown]}; the job{' '}
            {record.closedAt ? (
              'is closed'
            ) : (
              <>
                stands at{' '}
                <Link className="font-semibold underline" href={`/jobs/${record.tag}`}>
                  {stationNames[record.station]}
                </Link>
              </>
            )}
            .
          </>
        )}
      </aside>
    );
  }
  const isMove = ownMoves.has(gate.event);
  const move = async () => {
    const event = personalMoves.find((one) => one === gate.event);
    if (event) await run('advance-job', { tag: record.tag, event });
  };
  return (
    <aside
      aria-label="Gate"
      className="fixed inset-x-0 bottom-0 z-20 max-h-[60vh] overflow-y-auto border-t-2 border-ink bg-sand px-6 py-2"
    >
      {isOpen && gate.missing.length > 0 && (
        <ol className="mb-2 columns-1 gap-x-8 text-15 lg:columns-2">
          {gate.missing.slice(0, 60).map((line, i) => (
            <li key={i} className="break-inside-avoid">
              <Link
                href={stationHref(record, line.station, line.anchor)}
                onClick={() => setOpen(false)}
                className="inline-block min-h-8 underline decoration-line underline-offset-4 hover:decoration-ink"
              >
                {line.words}
              </Link>
            </li>
          ))}
        </ol>
      )}
      <ErrorNote error={error} />
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
        {gate.missing.length > 0 ? (
          <button type="button" aria-expanded={isOpen} onClick={() => setOpen(!isOpen)} className="min-h-12 text-left">
            <b>
              {gate.missing.length} {gate.missing.length === 1 ? 'thing is' : 'things are'} missing
            </b>{' '}
            <span className="text-quiet">before “{gate.words}”</span>{' '}
            <span className="underline">{isOpen ? 'hide' : 'show'}</span>
            {!isOpen && <span className="block text-13 text-quiet">first: {present(gate.missing[0]).words}</span>}
          </button>
        ) : (
          <p className="min-h-12 content-center">
            <b>The gate is open.</b>{' '}
            <span className="text-quiet">
              {isMove ? `Next: ${gate.words.toLowerCase()}.` : 'The move is made on this sheet.'}
            </span>
          </p>
        )}
        {isMove && gate.missing.length === 0 && (
          <Button
            verb={`advance-job:${gate.event}`}
            tone="main"
            data-next
            disabled={isBusy}
            onClick={move}
            className="ml-auto min-w-[220px]"
          >
            {gate.words}
          </Button>
        )}
      </div>
    </aside>
  );
}
