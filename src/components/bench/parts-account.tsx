'use client';

import { useState } from 'react';
import { partStates, type PartState as AccountState } from '@/core/record';
import { useAct } from '../act/use-act';
import type { SheetProps } from '../job/view';
import { Button, ErrorNote } from '../ui/form';
import { NumberFound } from './number-found';

/** Every part of the pump accounted for: present, missing, broken, or never fitted. */
export function PartsAccount({ view, isHere }: SheetProps) {
  const { record, family } = view;
  const accounts = new Map(record.parts.map((part) => [part.ref, part]));
  const { run, error, isBusy } = useAct();
  const [notes, setNotes] = useState<Readonly<Record<string, string>>>({});
  const say = (refs: readonly string[], state: AccountState) =>
    run(
      'account-parts',
      {
        tag: record.tag,
        parts: refs.map((ref) => ({
          partRef: ref,
          state,
          note: notes[ref] ?? accounts.get(ref)?.note ?? '',
          basedOn: accounts.get(ref)?.version ?? 0,
        })),
      },
      {
        label: refs.length === 1 ? `${refs[0]}: ${state}` : `${refs.length} parts: ${state}`,
        place: `${record.tag} parts ${refs.join(' ')}`,
      },
    );
  const open = family.parts.filter((part) => !accounts.has(part.ref)).map((part) => part.ref);
  return (
    <section aria-label="Parts list" className="mx-6 mt-6 border-t border-ink pt-3">
      <div className="flex items-center justify-between gap-4">
        <h2 className="font-bold">
          Parts list{' '}
          <small className="font-normal text-quiet">
            {accounts.size} of {family.parts.length} accounted for
          </small>
        </h2>
        {isHere && open.length > 0 && (
          <Button disabled={isBusy} onClick={() => say(open, 'present')}>
            The other {open.length} are present
          </Button>
        )}
      </div>
      <ErrorNote error={error} />
      <table className="w-full">
        <thead className="sr-only">
          <tr>
            <th>Part</th>
            <th>State</th>
            <th>Number found</th>
            <th>Note</th>
          </tr>
        </thead>
        <tbody>
          {family.parts.map((part) => {
            const own = accounts.get(part.ref);
            return (
              <tr key={part.ref} id={`part-${part.ref}`} className="row">
                <th scope="row" className="py-1 pr-2 text-left font-normal">
                  {part.quantity > 1 && <b className="num">{part.quantity} × </b>}
                  {part.name} <span className="num block text-13 text-quiet">{part.number}</span>
                </th>
                <td className="py-1">
                  <div role="group" aria-label={part.name} className="flex gap-1">
                    {partStates.map((state) => (
                      <button
                        key={state}
                        type="button"
                        aria-pressed={own?.state === state}
                        disabled={!isHere || isBusy}
                        onClick={() => say([part.ref], state)}
                        className={`min-h-12 rounded-[9px_8px_10px_7px] border px-2 text-13 disabled:opacity-100 ${own?.state === state ? (state === 'present' ? 'border-slate bg-slate text-onink' : 'border-jasper bg-jasper text-onink') : 'border-line text-quiet'}`}
                      >
                        {state}
                      </button>
                    ))}
                  </div>
                </td>
                <td className="py-1 pl-2">
                  <NumberFound view={view} partRef={part.ref} name={part.name} canFind={isHere} />
                </td>
                <td className="py-1 pl-2">
                  {isHere ? (
                    <input
                      aria-label={`Note on ${part.name}`}
                      className="field min-h-11 min-w-[110px]"
                      placeholder="note"
                      defaultValue={own?.note ?? ''}
                      onChange={(event) => setNotes({ ...notes, [part.ref]: event.target.value })}
                      onBlur={() =>
                        own &&
                        notes[part.ref] !== undefined &&
                        notes[part.ref] !== own.note &&
                        void say([part.ref], own.state)
                      }
                    />
                  ) : (
                    <span className="text-13 text-quiet">{own?.note}</span>
                  )}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </section>
  );
}
