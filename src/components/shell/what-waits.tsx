'use client';

import { useEffect, useState, useSyncExternalStore } from 'react';
import { v4 as makeKey } from 'uuid';
import { tagOf, tellChanged } from '../act/changes';
import { conflictOf, settle, type Conflict } from '../act/conflict-fields';
import { dropWaiting, parseWaiting, putSettled, waitingText, watchWaiting, type WaitingEntry } from '../act/waiting';
import { readPicture } from '../held/held-store';
import { sayMoment } from '../job/view';
import { Button } from '../ui/form';

type Props = { readonly entry: WaitingEntry; readonly zone: string };

/** A picture that waits, small; nothing where this device no longer has it. */
function WaitingThumb({ entry }: { readonly entry: WaitingEntry }) {
  const [address, setAddress] = useState<string | null>(null);
  useEffect(() => {
    let made: string | null = null;
    const show = async () => {
      const picture = await readPicture(entry.key);
      if (picture) setAddress((made = URL.createObjectURL(picture.file)));
    };
    show().catch(() => undefined);
    return () => {
      if (made) URL.revokeObjectURL(made);
    };
  }, [entry.key]);
  if (!address) return null;
  return <img src={address} alt="" width={64} height={48} className="pebbly float-right ml-2 h-12 w-16 object-cover" />;
}

async function takeTheirs(entry: WaitingEntry): Promise<void> {
  await dropWaiting(entry.key);
  const tag = tagOf(entry.input);
  if (tag) await tellChanged(tag);
}

/** Two said different things of one place: each field with both, and a choice of which stands. */
function Choose({ entry, conflict, zone }: Props & { readonly conflict: Conflict }) {
  const { fields, by, at } = conflict;
  const [chosen, choose] = useState<Readonly<Record<string, 'mine' | 'theirs'>>>({});
  const send = (choices: typeof chosen) => {
    const fromTheirs = new Set(fields.map(({ key }) => key).filter((key) => choices[key] === 'theirs'));
    const settled = settle(entry, fromTheirs, makeKey());
    if (settled) putSettled(entry.key, settled);
    else void takeTheirs(entry);
  };
  const pick = (key: string, which: 'mine' | 'theirs') => {
    const next = { ...chosen, [key]: which };
    choose(next);
    if (fields.length === 1) send(next);
  };
  if (!fields.length)
    return (
      <p>
        {by || 'Somebody'} entered the same.{' '}
        <Button tone="plain" onClick={() => void takeTheirs(entry)}>
          Theirs stands
        </Button>
      </p>
    );
  const open = fields.filter(({ key }) => !chosen[key]);
  return (
    <div className="space-y-1">
      <p className="text-13">
        {by || 'Somebody'} entered otherwise{at && `, ${sayMoment(at, zone)}`}. Choose what stands:
      </p>
      <table className="w-full">
        <thead className="sr-only">
          <tr>
            <th>Field</th>
            <th>Yours</th>
            <th>Theirs</th>
          </tr>
        </thead>
        <tbody>
          {fields.map(({ key, name, mine, theirs }) => (
            <tr key={key} className="row align-middle">
              <th scope="row" className="pr-2 text-left font-normal text-quiet">
                {name}
              </th>
              {(['mine', 'theirs'] as const).map((which) => (
                <td key={which} className="p-1">
                  <Button
                    tone={chosen[key] === which ? 'main' : 'quiet'}
                    aria-pressed={chosen[key] === which}
                    className="w-full"
                    onClick={() => pick(key, which)}
                  >
                    {which === 'mine' ? `Mine stands: ${mine || 'nothing'}` : `Theirs stands: ${theirs || 'nothing'}`}
                  </Button>
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      {fields.length > 1 && (
        <Button tone="main" disabled={open.length > 0} onClick={() => send(chosen)}>
          {open.length ? `Choose ${open.map(({ name }) => name.toLowerCase()).join(', ')}` : 'Keep it so'}
        </Button>
      )}
    </div>
  );
}

/** Why an entry was refused, and what to do about it. */
function Refused({ entry, zone }: Props) {
  const { error } = entry;
  if (!error) return null;
  const conflict = conflictOf(entry);
  const again = () => {
    const { error: _error, ...rest } = entry;
    putSettled(entry.key, rest);
  };
  return (
    <div role="alert" className="mt-1 border-l-4 border-jasper pl-2">
      <p className="text-13">{error.what}</p>
      {conflict ? (
        <Choose entry={entry} conflict={conflict} zone={zone} />
      ) : (
        <div className="flex gap-3">
          <button type="button" className="min-h-11 font-semibold underline" onClick={again}>
            Send it again
          </button>
          <button
            type="button"
            className="min-h-11 font-semibold underline"
            onClick={() => void dropWaiting(entry.key)}
          >
            Take note and drop it
          </button>
        </div>
      )}
    </div>
  );
}

function stateOf({ error, needsMaker, maker }: WaitingEntry): string {
  if (error) return 'not taken';
  return needsMaker ? `waits until ${maker.name || 'whoever entered it'} signs in here again` : 'waits for the line';
}

/** What waits on this device: when it was entered, by whom, what, for which pump; and what was refused. */
export function WhatWaits({ zone }: { readonly zone: string }) {
  const text = useSyncExternalStore(watchWaiting, waitingText, () => '[]');
  const entries = parseWaiting(text);
  if (!entries.length) return <p className="py-2 text-quiet">Nothing waits: the shop has all that was entered here.</p>;
  return (
    <ol aria-label="What waits on this device">
      {entries.map((entry) => (
        <li key={entry.key} className="row py-2 first:border-0">
          {entry.verb === 'add-photo' && <WaitingThumb entry={entry} />}
          <p>
            <span className="num text-quiet">{sayMoment(entry.madeAt, zone)}</span>{' '}
            {tagOf(entry.input) && <b className="num">{tagOf(entry.input)}</b>} <b>{entry.label}</b>{' '}
            <span className="text-quiet">by {entry.maker.name || 'somebody'}</span>
          </p>
          <p className="text-13 text-quiet">{stateOf(entry)}</p>
          <Refused entry={entry} zone={zone} />
        </li>
      ))}
    </ol>
  );
}
