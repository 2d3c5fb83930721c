'use client';

import { TriangleAlert } from 'lucide-react';
import { cautionFooter, findCaution } from '@/core/family';

interface Props {
  readonly ids: readonly string[];
  readonly read: ReadonlySet<string>;
  readonly onRead: (id: string, isRead: boolean) => void;
  /** What they stand before, where a sheet has more than one list. */
  readonly before?: string;
  /** Said instead of the boxes once the step is done. */
  readonly isDone?: boolean;
}

/** The cautions of a step, before the step, each to be acknowledged. */
export function Cautions({ ids, read, onRead, before, isDone = false }: Props) {
  if (!ids.length) return null;
  return (
    <section
      aria-label={before ? `Cautions before: ${before}` : 'Cautions'}
      className="border-l-4 border-ochre bg-sheet px-3 py-2"
    >
      {ids.map((id) => {
        const caution = findCaution(id);
        if (!caution) return null;
        return (
          <div key={id} className="flex gap-2 py-1">
            <TriangleAlert aria-hidden="true" size={20} className="mt-0.5 shrink-0 text-ochre" />
            <div className="flex-1">
              <b>{caution.title}.</b> {caution.text}
              {!isDone && (
                <label className="mt-1 flex min-h-11 cursor-pointer items-center gap-3 font-semibold">
                  <input
                    type="checkbox"
                    className="size-6 accent-(--ink)"
                    checked={read.has(id)}
                    onChange={(event) => onRead(id, event.target.checked)}
                  />
                  Read, and I act on it
                </label>
              )}
            </div>
          </div>
        );
      })}
      <p className="text-13 text-quiet">{cautionFooter}</p>
    </section>
  );
}
