'use client';

import { useState } from 'react';
import { partsOn } from '@/core/family';
import { sheetsOf } from '@/core/record';
import { readsLabels, twinsOf } from '@/core/supply';
import { useAct } from '../act/use-act';
import type { SheetProps } from '../job/view';
import { Button, ErrorNote, TextField } from '../ui/form';

const namedTwins = 3;

/** “P-0402 and P-0407 are”, a few of them by name. */
function sayTwins(twins: readonly string[]): string {
  const rest = twins.length - namedTwins;
  const named = [...twins.slice(0, namedTwins), ...(rest > 0 ? [`${rest} more`] : [])];
  const last = named.pop() ?? '';
  return named.length ? `${named.join(', ')} and ${last} are` : `${last} is`;
}

/** Lays parts in labelled trays; asked for where a like unit stands beside this one, offered elsewhere. */
export function Trays({ view, isHere }: SheetProps) {
  const { record, family } = view;
  const laid = new Map(sheetsOf(record, 'tray').map(({ key, body }) => [key, body.tray]));
  const here = new Set(record.parts.filter(({ state }) => state === 'present').map(({ ref }) => ref));
  const left = partsOn(family.parts, 'came').filter(({ ref, stays }) => here.has(ref) && !stays && !laid.has(ref));
  const [tray, setTray] = useState('1');
  const { run, error, isBusy } = useAct();
  const trays = [...new Set(laid.values())];
  const twins = twinsOf(record);
  return (
    <section id="trays" aria-label="Trays" className="mx-6 mt-6 border-t border-ink pt-3">
      <div className="flex flex-wrap items-end gap-4">
        <div className="flex-1">
          <h2 className="font-bold">Trays and labels</h2>
          <p className="text-13 text-quiet">
            {twins.length
              ? `${sayTwins(twins)} open beside it, of the same lot or make and size: each part lies in a labelled tray, and its label is read before it goes in.`
              : readsLabels(record)
                ? 'This shop reads labels at every pump: each part lies in a labelled tray, and is read before it goes in.'
                : 'It stands alone; a tray with a label still tells whose the parts are.'}
          </p>
        </div>
        {isHere && left.length > 0 && (
          <>
            <TextField
              label="Tray"
              className="num w-24"
              value={tray}
              onChange={(event) => setTray(event.target.value)}
            />
            <Button
              verb="lay-in-tray"
              disabled={isBusy || !tray.trim()}
              onClick={() => void run('lay-in-tray', { tag: record.tag, parts: left.map(({ ref }) => ref), tray })}
            >
              Lay the {left.length === 1 ? 'part' : `${left.length} parts`} in it
            </Button>
          </>
        )}
        {laid.size > 0 && (
          <a
            href={`/files/labels/${record.tag}`}
            target="_blank"
            rel="noreferrer"
            className="pb-3 underline decoration-line"
          >
            Print the labels
          </a>
        )}
      </div>
      <ErrorNote error={error} />
      <ul className="mt-2 flex flex-wrap gap-x-8">
        {trays.map((one) => (
          <li key={one}>
            <b>Tray {one}</b>: {[...laid.values()].filter((other) => other === one).length} parts
          </li>
        ))}
      </ul>
    </section>
  );
}
