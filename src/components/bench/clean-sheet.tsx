'use client';

import { Check } from 'lucide-react';
import { useState } from 'react';
import { cleaningRuns, methodTable, nextMethod, partsToClean, sayRun } from '@/core/cleaning';
import type { Family } from '@/core/family';
import { isShutByResidue } from '@/core/residue';
import { cleaningMethods, type CleaningMethod } from '@/core/record';
import { sayMoment, stationHref, type SheetProps } from '../job/view';
import { CleaningRunForm } from './cleaning-run';

type FamilyPart = Family['parts'][number];

/** Baskets: what the family’s words propose next for each part; those with parts that had no run yet come first. */
function basketsOf(view: SheetProps['view']): ReadonlyMap<CleaningMethod, readonly FamilyPart[]> {
  const baskets = new Map<CleaningMethod, FamilyPart[]>();
  for (const part of partsToClean(view.family, view.record)) {
    const method = nextMethod(part, view.record);
    if (method) baskets.set(method, [...(baskets.get(method) ?? []), part]);
  }
  const cleaned = new Set(cleaningRuns(view.record).flatMap(({ body }) => body.parts));
  const isFresh = (parts: readonly FamilyPart[]) => parts.some(({ ref }) => !cleaned.has(ref));
  const sorted = [...baskets].toSorted(([, one], [, other]) => Number(isFresh(other)) - Number(isFresh(one)));
  return new Map(sorted);
}

/** What was done so far: each run with what was asked of it, who, and what was seen when its parts were clean. */
function RunsDone({ view }: Pick<SheetProps, 'view'>) {
  const runs = cleaningRuns(view.record);
  if (!runs.length) return null;
  const nameOf = (ref: string) => view.family.parts.find((part) => part.ref === ref)?.name ?? ref;
  return (
    <section aria-label="Runs">
      <h3 className="font-bold">Runs so far</h3>
      <ol>
        {runs.map((run) => {
          const damaged = run.body.parts.filter((ref) => run.body.seen[ref] === 'something');
          return (
            <li key={run.key} className="row grid gap-x-6 py-2 first:border-0 md:grid-cols-[1fr_220px]">
              <div>
                <b>{run.body.parts.map(nameOf).join(', ')}</b>
                <p className="text-13">{sayRun(run.body)}</p>
                {damaged.length > 0 && (
                  <p className="text-13 font-semibold text-jasper">
                    Seen when clean: {damaged.map(nameOf).join(', ')}, a finding each
                  </p>
                )}
              </div>
              <span className="text-13 text-quiet">
                {run.personName}, {sayMoment(run.at, view.zone)}
              </span>
            </li>
          );
        })}
      </ol>
    </section>
  );
}

/** One basket that is proposed: its method, how many parts, which. */
function BasketRow({
  method,
  parts,
  isOpen,
  onOpen,
}: {
  readonly method: CleaningMethod;
  readonly parts: readonly FamilyPart[];
  readonly isOpen: boolean;
  readonly onOpen: () => void;
}) {
  return (
    <button
      type="button"
      aria-expanded={isOpen}
      onClick={onOpen}
      className={`row flex min-h-14 w-full flex-wrap items-baseline gap-x-4 py-2 text-left ${isOpen ? 'font-semibold' : ''}`}
    >
      <b className="w-36 shrink-0">{method}</b>
      <span className="num w-24 shrink-0 whitespace-nowrap text-quiet">
        {parts.length} {parts.length === 1 ? 'part' : 'parts'}
      </span>
      <span className="min-w-0 flex-1 text-13">
        {parts.map(({ ref, name }, i) => (
          <span key={ref} id={`clean-${ref}`}>
            {i > 0 && ', '}
            {name}
          </span>
        ))}
      </span>
    </button>
  );
}

/** Cleaning by runs: baskets that the family proposes, each with what its method asks; a look at every part after it. */
export function CleanSheet({ view, isHere }: SheetProps) {
  const { record } = view;
  const [open, setOpen] = useState<CleaningMethod | null>(null);
  const all = partsToClean(view.family, record);
  const cleaned = new Set(cleaningRuns(record).flatMap(({ body }) => body.parts));
  const earlier = new Set(record.steps.filter(({ phase }) => phase === 'clean').map(({ stepId }) => stepId));
  const left = all.filter(({ ref }) => !cleaned.has(ref) && !earlier.has(ref));
  const baskets = basketsOf(view);
  const isShut = isShutByResidue(record);
  return (
    <div className="mx-auto max-w-[1080px] space-y-5 p-6 pb-28">
      <h2 className="text-18 font-bold">
        Clean{' '}
        <small className="text-13 font-normal text-quiet">
          {all.length - left.length} of {all.length} parts · soft parts go into their bag · cleaning shows damage that
          dirt hid
        </small>
      </h2>
      {isShut && (
        <p role="alert" className="border-l-4 border-jasper pl-3">
          What is in it is not known: nothing is scraped or blasted until a named person allows it.{' '}
          <a className="font-semibold underline" href={stationHref(record, 'receive', 'residue')}>
            To the residue
          </a>
        </p>
      )}
      {isHere && (
        <section aria-label="Baskets">
          <h3 className="font-bold">
            Next{' '}
            <small className="font-normal text-quiet">
              by what the family says of each part; choose a run and fill it in
            </small>
          </h3>
          {[...baskets].map(([method, parts]) => (
            <BasketRow
              key={method}
              {...{ method, parts }}
              isOpen={open === method}
              onOpen={() => setOpen(open === method ? null : method)}
            />
          ))}
          {!baskets.size && (
            <p className="flex items-center gap-2">
              <Check aria-hidden="true" size={18} className="text-moss" /> Every part had its runs.
            </p>
          )}
          <p className="mt-2 flex flex-wrap items-center gap-2 text-13">
            Another method:
            {cleaningMethods
              .filter((method) => !baskets.has(method))
              .map((method) => (
                <button
                  key={method}
                  type="button"
                  title={`for ${methodTable[method].takes}`}
                  onClick={() => setOpen(method)}
                  className="min-h-9 border border-line px-2"
                >
                  {method}
                </button>
              ))}
          </p>
        </section>
      )}
      {isHere && open && (
        <CleaningRunForm
          key={open}
          view={view}
          method={open}
          parts={baskets.get(open) ?? all}
          onKept={() => setOpen(null)}
        />
      )}
      {left.length > 0 && !isHere && <p>Not cleaned: {left.map(({ name }) => name).join(', ')}.</p>}
      <RunsDone view={view} />
    </div>
  );
}
