'use client';

import { useState } from 'react';
import { partsAtRisk } from '@/core/quoting';
import { currentQuote } from '@/core/record';
import { formatMoney } from '@/core/units';
import { useAct } from '../act/use-act';
import { sayMoment, type JobView } from '../job/view';
import { readMoney, writeMoney } from '../quote/money';
import { Button, ErrorNote, issueFor, TextField } from '../ui/form';

/** Orders what is advised before the customer has answered: up to a value, with a reason, under the name of who does it. */
export function OrderAtRisk({ view }: { readonly view: JobView }) {
  const { record, family } = view;
  const { run, error, isBusy } = useAct();
  const quote = currentQuote(record);
  const risk = partsAtRisk(record, family);
  const [limit, setLimit] = useState(risk ? writeMoney(risk.valueMinor) : '');
  const [reason, setReason] = useState('');
  const isBefore = ['quote', 'approve'].includes(record.station) && record.hold === null && risk !== null;
  const risked = record.orders.filter(({ atRiskMinor }) => atRiskMinor !== null);
  if (!isBefore && !risked.length) return null;
  const read = readMoney(limit);
  const currency = quote?.currency ?? 'EUR';
  const order = () =>
    run('order-parts', {
      tag: record.tag,
      atRisk: { limitMinor: 'minor' in read ? read.minor : Number.NaN, reason },
    });
  return (
    <section aria-label="At risk" className="my-2 space-y-2 border-l-4 border-ochre pl-3">
      <h3 className="font-bold">Before the answer, at risk</h3>
      {risked.map((one) => (
        <p key={one.id} className="text-13">
          {one.number}: {formatMoney({ minor: one.atRiskMinor ?? 0, currency })}, ordered by {one.personName},{' '}
          {sayMoment(one.at, view.zone)}
        </p>
      ))}
      {isBefore && (
        <>
          <p>
            What is advised needs <b>{risk.needs.length} parts</b> that nobody has ordered, worth{' '}
            <b className="num">{formatMoney({ minor: risk.valueMinor, currency })}</b> to us, the longest in{' '}
            {risk.longestDays} days. <span className="text-13 text-quiet">If the answer is no, they are ours.</span>
          </p>
          <ul className="columns-2 text-13 text-quiet lg:columns-3">
            {risk.needs.map((need) => (
              <li key={need.ref}>
                {need.quantity - need.ordered} × {need.name}, {need.leadDays} days
              </li>
            ))}
          </ul>
          <div className="grid items-start gap-3 sm:grid-cols-[160px_1fr_auto]">
            <TextField
              label={`Worth at most, ${currency}`}
              value={limit}
              onChange={(event) => setLimit(event.target.value)}
              error={issueFor(error, 'limitMinor')}
            />
            <TextField
              label="Why they cannot wait"
              value={reason}
              onChange={(event) => setReason(event.target.value)}
              error={issueFor(error, 'reason')}
            />
            <Button verb="order-parts" className="mt-[22px]" disabled={isBusy} onClick={order}>
              Order at risk
            </Button>
          </div>
          <ErrorNote error={error} />
        </>
      )}
    </section>
  );
}
