'use client';

import { present } from '@/core/present';
import { useState } from 'react';
import type { ActError } from '../act/act';
import { useAct } from '../act/use-act';
import { sayMoment, type SheetProps } from '../job/view';
import { Button, ErrorNote } from '../ui/form';
import { Cautions } from './cautions';

const cautionUnread: ActError = {
  code: 'bad-input',
  what: 'Read the caution of cleaning first.',
  kept: 'Nothing was changed.',
  todo: 'Acknowledge it above; then keep what was cleaned.',
  issues: [],
};

/** Cleaning by part: the method that suits it, what must be masked, what must never be done. */
export function CleanSheet({ view, isHere }: SheetProps) {
  const { record, family } = view;
  const [read, setRead] = useState<ReadonlySet<string>>(new Set());
  const [methods, setMethods] = useState<Readonly<Record<string, string>>>({});
  const [masked, setMasked] = useState<ReadonlySet<string>>(new Set());
  const { run, error, setError, isBusy } = useAct();
  const here = new Set(
    record.parts.filter((part) => part.state === 'present' || part.state === 'broken').map((part) => part.ref),
  );
  const parts = family.parts.filter((part) => !part.soft && !part.stays && here.has(part.ref));
  const done = new Map(record.steps.filter((step) => step.phase === 'clean').map((step) => [step.stepId, step]));
  const clean = (refs: readonly string[]) => {
    if (!read.has('blasting-acid')) return setError(cautionUnread);
    return run(
      'clean-parts',
      {
        tag: record.tag,
        cautionRead: true,
        parts: refs.map((ref) => ({
          partRef: ref,
          method: methods[ref] ?? present(parts.find((part) => part.ref === ref)).clean.method,
          masked: masked.has(ref),
        })),
      },
      { label: `Cleaned: ${refs.join(', ')}`, place: `${record.tag} clean ${refs.join(' ')}` },
    );
  };
  const ready = parts
    .filter((part) => !done.has(part.ref) && (!part.clean.mask || masked.has(part.ref)))
    .map((part) => part.ref);
  return (
    <div className="mx-auto max-w-[1080px] space-y-4 p-6">
      <h2 className="font-bold">
        Clean{' '}
        <small className="font-normal text-quiet">
          {done.size} of {parts.length} parts · soft parts go into their bag and are renewed; cleaning shows damage that
          dirt hid
        </small>
      </h2>
      {isHere && (
        <Cautions ids={['blasting-acid']} read={read} onRead={(id, isRead) => setRead(new Set(isRead ? [id] : []))} />
      )}
      <ErrorNote error={error} />
      {isHere && ready.length > 1 && read.has('blasting-acid') && (
        <Button disabled={isBusy} onClick={() => clean(ready)}>
          {ready.length} parts are cleaned as written below
        </Button>
      )}
      <ul>
        {parts.map((part) => {
          const own = done.get(part.ref);
          return (
            <li
              key={part.ref}
              id={`clean-${part.ref}`}
              className="row grid items-center gap-x-4 gap-y-1 py-2 first:border-0 md:grid-cols-[200px_1fr_280px_150px]"
            >
              <b>
                {part.name} <span className="block text-13 font-normal text-quiet">{part.material}</span>
              </b>
              {own ? (
                <span>{String(own.data.method ?? '')}</span>
              ) : (
                <input
                  aria-label={`Method for ${part.name}`}
                  disabled={!isHere}
                  className="field min-h-11"
                  value={methods[part.ref] ?? part.clean.method}
                  onChange={(event) => setMethods({ ...methods, [part.ref]: event.target.value })}
                />
              )}
              <div className="text-13">
                {part.clean.mask &&
                  (own || !isHere ? (
                    <span>Masked: {part.clean.mask}</span>
                  ) : (
                    <label className="flex min-h-11 items-center gap-2">
                      <input
                        type="checkbox"
                        className="size-6 accent-(--ink)"
                        checked={masked.has(part.ref)}
                        onChange={(event) =>
                          setMasked(
                            new Set(
                              event.target.checked
                                ? [...masked, part.ref]
                                : [...masked].filter((one) => one !== part.ref),
                            ),
                          )
                        }
                      />
                      masked: {part.clean.mask}
                    </label>
                  ))}
                {part.clean.never && (
                  <span className="block text-jasper">
                    {part.clean.never.replace(/^./, (letter) => letter.toUpperCase())}
                  </span>
                )}
              </div>
              {own ? (
                <span className="text-13 text-quiet">
                  {own.personName}, {sayMoment(own.at, view.zone)}
                </span>
              ) : (
                isHere && (
                  <Button verb="clean-parts" disabled={isBusy} onClick={() => clean([part.ref])}>
                    Clean
                  </Button>
                )
              )}
            </li>
          );
        })}
      </ul>
    </div>
  );
}
