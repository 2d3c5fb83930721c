'use client';

import { useState } from 'react';
import type { PlanShown, PlanTried } from '@/core/workload';
import { useAct } from '../act/use-act';
import { Button, ErrorNote, TextField } from '../ui/form';
import type { Held } from './plan-board';
import { dayWords } from './plan-words';

export interface Try {
  readonly tag: string;
  readonly operation: string;
  readonly resourceId: string | null;
  readonly notBefore: string | null;
}

type Moved = PlanTried['moved'];

/** Every pump whose ready day changes, what is late first. */
export function MovedList({ moved }: { readonly moved: Moved }) {
  if (!moved.length) return <p className="text-quiet">No pump is ready on another day.</p>;
  return (
    <ul className="flex flex-wrap gap-x-6 gap-y-1">
      {moved.slice(0, 8).map(({ tag, from, to, promisedOn, isLate }) => (
        <li key={tag}>
          <b className="num">{tag}</b> {dayWords(from)} → <b>{dayWords(to)}</b>
          <span className={`block text-13 ${isLate ? 'font-semibold text-jasper' : 'text-quiet'}`}>
            {isLate ? 'later than promised: ' : to < from ? 'sooner, promised ' : 'promised '}
            {dayWords(promisedOn)}
          </span>
        </li>
      ))}
      {moved.length > 8 && <li className="text-quiet">and {moved.length - 8} more</li>}
    </ul>
  );
}

/** The stone that is held: where it may go, what that changes, and whether it is kept. */
export function TryBar({
  held,
  shown,
  tried,
  isReckoning,
  onTry,
  onBack,
  onKept,
}: {
  readonly held: Held;
  readonly shown: Pick<PlanShown, 'resources' | 'wishes'>;
  readonly tried: { readonly change: Try; readonly moved: Moved } | null;
  readonly isReckoning: boolean;
  readonly onTry: (change: Try) => void;
  readonly onBack: () => void;
  readonly onKept: () => void;
}) {
  const { stone, row, day } = held;
  const [hand, setHand] = useState(tried?.change.resourceId ?? row.id);
  const [from, setFrom] = useState(tried?.change.notBefore ?? day);
  const { run, error, isBusy } = useAct();
  const able = shown.resources.filter(
    ({ kind, skills }) => kind === row.kind && skills.some((one) => row.skills.includes(one)),
  );
  const isWished = shown.wishes.some(({ tag, operation }) => tag === stone.tag && operation === stone.operation);
  const change = { tag: stone.tag, operation: stone.operation, resourceId: hand, notBefore: from || null };
  const keep = async (wish: Try) => {
    if (await run('wish-operation', wish)) onKept();
  };
  return (
    <section
      aria-label={`Try: ${stone.tag} ${stone.title}`}
      className="sticky bottom-0 z-20 border-t-2 border-ink bg-sand px-6 py-3"
    >
      <div className="flex flex-wrap items-end gap-4">
        <p className="min-w-[220px]">
          <b>
            {stone.title} of <span className="num">{stone.tag}</span>
          </b>
          <span className="block text-13 text-quiet">
            {row.name}, {dayWords(day)}, {stone.from} to {stone.to}
            {stone.beside.length > 0 && `, with ${stone.beside.join(', ')}`}
          </span>
        </p>
        <label className="text-13">
          <span className="block text-quiet">{row.kind === 'hand' ? 'By whom' : 'Where'}</span>
          <select className="field" value={hand} onChange={(event) => setHand(event.target.value)}>
            {able.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        </label>
        <TextField label="Not before" type="date" value={from} onChange={(event) => setFrom(event.target.value)} />
        <Button disabled={isReckoning} onClick={() => onTry(change)}>
          {isReckoning ? 'Reckoning …' : 'Try it'}
        </Button>
        {tried && (
          <Button verb="wish-operation" tone="main" disabled={isBusy} onClick={() => void keep(tried.change)}>
            Keep it
          </Button>
        )}
        {isWished && (
          <Button
            verb="wish-operation"
            tone="quiet"
            disabled={isBusy}
            onClick={() => void keep({ ...change, resourceId: null, notBefore: null })}
          >
            Let the plan choose again
          </Button>
        )}
        <Button tone="quiet" onClick={onBack}>
          Put it back
        </Button>
      </div>
      {tried && (
        <div className="mt-2" role="status">
          <MovedList moved={tried.moved} />
        </div>
      )}
      <ErrorNote error={error} />
    </section>
  );
}
