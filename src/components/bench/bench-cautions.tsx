'use client';

import { useState } from 'react';
import { findCaution } from '@/core/family';
import type { SheetProps } from '../job/view';
import { Cautions } from './cautions';

/** Cautions before an action; those that this person has acknowledged in this job already are folded. */
export function BenchCautions({
  ids,
  view,
  read,
  isDone,
  onRead,
}: {
  readonly ids: readonly string[];
  readonly view: SheetProps['view'];
  readonly read: ReadonlySet<string>;
  readonly isDone: boolean;
  readonly onRead: (read: ReadonlySet<string>) => void;
}) {
  const [isOpen, setOpen] = useState(false);
  const known = new Set(
    view.record.answers
      .filter((one) => one.personId === view.person.personId)
      .flatMap((one) => one.data.cautions ?? []),
  );
  const fresh = ids.filter((id) => !known.has(id));
  const earlier = ids.filter((id) => known.has(id));
  const titles = earlier.flatMap((id) => findCaution(id)?.title ?? []);
  return (
    <>
      <Cautions
        ids={fresh}
        read={read}
        isDone={isDone}
        onRead={(id, isRead) => onRead(new Set(isRead ? [...read, id] : [...read].filter((one) => one !== id)))}
      />
      {earlier.length > 0 && (
        <div className="border-l-4 border-ochre px-3">
          <button
            type="button"
            aria-expanded={isOpen}
            onClick={() => setOpen(!isOpen)}
            className="min-h-12 text-left text-quiet"
          >
            Still holds: {titles.join(', ').toLowerCase()} <span className="underline">{isOpen ? 'fold' : 'read'}</span>
          </button>
          {isOpen && <Cautions ids={earlier} read={known} isDone onRead={() => undefined} />}
        </div>
      )}
    </>
  );
}
