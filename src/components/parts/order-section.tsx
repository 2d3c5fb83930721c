'use client';

import { useState } from 'react';
import type { PurchaseOrder } from '@/core/record';
import { useAct } from '../act/use-act';
import { sayDate, sayMoment, type JobView } from '../job/view';
import { Button, ErrorNote } from '../ui/form';

/** One order to a supplier: what of it has come, and the receiving check of a parcel. */
export function OrderSection({
  view,
  order,
  canReceive,
}: {
  readonly view: JobView;
  readonly order: PurchaseOrder;
  readonly canReceive: boolean;
}) {
  const { record, family } = view;
  const { run, error, isBusy } = useAct();
  const [counts, setCounts] = useState<Readonly<Record<string, string>>>({});
  const [note, setNote] = useState('');
  const [said, setSaid] = useState('');
  const nameOf = (ref: string) => family.parts.find((part) => part.ref === ref)?.name ?? ref;
  const arrived = order.lines.filter((line) => line.sent > line.received);
  const isWhole = order.lines.every((line) => line.received >= line.quantity);
  const onlyShort = !arrived.length && !isWhole;
  const take = async () => {
    const answer = await run('take-parcel', {
      tag: record.tag,
      orderNumber: order.number,
    });
    if (answer)
      setSaid(
        !answer.lines.length && answer.restOn
          ? `Nothing came; the supplier now says ${sayDate(answer.restOn)}.`
          : answer.restOn
            ? `The parcel is short against the order; the supplier sends the rest on ${sayDate(answer.restOn)}.`
            : 'The parcel’s list is complete.',
      );
  };
  const check = async () => {
    const given = arrived.map((line) => ({
      lineId: line.id,
      counted: Number(counts[line.id] ?? line.sent - line.received),
    }));
    if (await run('receive-parts', { tag: record.tag, orderNumber: order.number, counts: given, note })) {
      setCounts({});
      setNote('');
    }
  };
  return (
    <section aria-label={`Order ${order.number}`} className="border-t border-line pt-3">
      <div className="flex flex-wrap items-center gap-4">
        <h2 className="font-bold">
          <span className="num">{order.number}</span> to {order.supplier}
        </h2>
        <p className="flex-1 text-13 text-quiet">
          ordered by {order.personName}, {sayMoment(order.at, view.zone)} · acknowledged as {order.acknowledgement}
          {!isWhole && order.dueOn && (
            <>
              , due <b className="text-ink">{sayDate(order.dueOn)}</b>
            </>
          )}
          {isWhole && ', all here'}
        </p>
        {canReceive && onlyShort && (
          <Button verb="take-parcel" disabled={isBusy} onClick={take}>
            The parcel due {order.dueOn ? sayDate(order.dueOn) : ''} is here
          </Button>
        )}
      </div>
      <p role="status" className="text-13">
        {said}
      </p>
      {canReceive && arrived.length > 0 && (
        <div className="mt-2 border-l-4 border-lake bg-sheet px-3 py-2">
          <p className="mb-1 font-semibold">
            Receiving check: count what is in the box, look at number, variant and cuts
          </p>
          <ul>
            {arrived.map((line) => (
              <li key={line.id} className="row grid grid-cols-[1fr_auto_auto] items-center gap-4 first:border-0">
                <span>
                  {nameOf(line.partRef)} <span className="num text-13 text-quiet">{line.number}</span>
                </span>
                <span className="text-13 text-quiet">
                  list says {line.sent - line.received}, open {line.quantity - line.received}
                </span>
                <input
                  aria-label={`Counted: ${nameOf(line.partRef)}`}
                  inputMode="numeric"
                  className="field num max-w-[90px] text-right"
                  value={counts[line.id] ?? String(line.sent - line.received)}
                  onChange={(event) => setCounts({ ...counts, [line.id]: event.target.value })}
                />
              </li>
            ))}
          </ul>
          <input
            aria-label="Note on the delivery"
            placeholder="note, such as damage by the knife that opened the box"
            className="field mt-2"
            value={note}
            onChange={(event) => setNote(event.target.value)}
          />
          <Button verb="receive-parts" tone="main" className="mt-2 w-full" disabled={isBusy} onClick={check}>
            Counted so
          </Button>
        </div>
      )}
      <ErrorNote error={error} />
    </section>
  );
}
