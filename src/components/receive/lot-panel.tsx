'use client';

import { Link } from '../ui/link';
import type { FormEvent } from 'react';
import { outcomeNames, sayLotTerms, sharedWords, stationNames, type JobRecord, type LotTerms } from '@/core/record';
import { useAct } from '../act/use-act';
import type { SheetProps } from '../job/view';
import { Button, ErrorNote, issueFor, TextField } from '../ui/form';
import { textOf } from '../ui/form-data';

/** The units of a lot are promised, quoted or delivered otherwise from now on. */
function LotTermsForm({ tag, terms }: { readonly tag: JobRecord['tag']; readonly terms: LotTerms }) {
  const { run, error, isBusy } = useAct();
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const data = new FormData(event.currentTarget);
    const is = (term: keyof typeof sharedWords) => data.get(term) === 'on';
    void run('correct-lot', {
      ...{ tag, reason: textOf(data, 'reason') },
      terms: {
        deliveryNote: textOf(data, 'deliveryNote'),
        ...{ sharesPromise: is('sharesPromise'), sharesQuote: is('sharesQuote'), sharesDelivery: is('sharesDelivery') },
      },
    });
  };
  return (
    <details>
      <summary className="min-h-11 cursor-pointer content-center">What the units share is otherwise</summary>
      <form onSubmit={submit} aria-label="What the units share" className="space-y-2 pb-2">
        {(Object.keys(sharedWords) as (keyof typeof sharedWords)[]).map((term) => (
          <label key={term} className="flex min-h-11 items-center gap-2">
            <input type="checkbox" name={term} defaultChecked={terms[term]} className="size-6 accent-(--ink)" />
            {sharedWords[term]}
          </label>
        ))}
        <TextField
          label="Delivery note"
          name="deliveryNote"
          defaultValue={terms.deliveryNote}
          error={issueFor(error, 'terms.deliveryNote')}
        />
        <TextField label="Why" name="reason" required error={issueFor(error, 'reason')} />
        <ErrorNote error={error} />
        <Button verb="correct-lot" type="submit" disabled={isBusy}>
          From now on so, for all units
        </Button>
      </form>
    </details>
  );
}

/** The lot that the pump came in: its other units as they stand, and the next one to be received. */
export function LotPanel({ view: { record } }: Pick<SheetProps, 'view'>) {
  const { lot, lotTerms, lotMates } = record;
  if (!lot) return null;
  return (
    <section aria-label="Lot" className="border-l-4 border-lake bg-sheet px-3 py-2">
      <h2 className="font-bold">
        Unit {lot.unit} of lot <span className="num">{lot.number}</span>{' '}
        {lotTerms && <small className="font-normal text-quiet">{sayLotTerms(lotTerms)}</small>}
      </h2>
      <ul>
        {lotMates.map(({ tag, unit, serial, station, outcome, isClosed }) => (
          <li key={tag}>
            unit {unit}:{' '}
            <Link className="num font-semibold underline" href={`/jobs/${tag}`}>
              {tag}
            </Link>
            , serial <span className="num">{serial}</span>,{' '}
            {isClosed ? outcomeNames[outcome] : `at ${stationNames[station]}`}
          </li>
        ))}
      </ul>
      {!record.closedAt && (
        <Link className="inline-flex min-h-11 items-center font-semibold underline" href={`/receive?lot=${lot.number}`}>
          Receive the next unit of this lot
        </Link>
      )}
      {lotTerms && !record.closedAt && <LotTermsForm key={sayLotTerms(lotTerms)} tag={record.tag} terms={lotTerms} />}
    </section>
  );
}
