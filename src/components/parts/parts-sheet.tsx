'use client';

import { useState } from 'react';
import { needsOf, stepsBlockedBy } from '@/core/supply';
import { partsAtRisk } from '@/core/quoting';
import { currentQuote, type PurchaseOrder } from '@/core/record';
import { formatMoney } from '@/core/units';
import { useAct } from '../act/use-act';
import { sayDate, sayMoment, type JobView, type SheetProps } from '../job/view';
import { readMoney, writeMoney } from '../quote/money';
import { Button, ErrorNote, issueFor, TextField } from '../ui/form';
import { useAskedPlace } from '../ui/use-asked-place';

/** Orders what is advised before the customer has answered: up to a value, with a reason, under the name of who does it. */
function OrderAtRisk({ view }: { readonly view: JobView }) {
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

/** What the approved lines need, what is ordered and what has come; orders with their receiving check. */
export function PartsSheet({ view, isHere }: SheetProps) {
  const { record, family } = view;
  useAskedPlace();
  const needs = needsOf(record, family);
  const open = needs.filter((need) => need.ordered < need.quantity);
  const { run, error, isBusy } = useAct();
  const canBuy = isHere || (['rebuild', 'test'].includes(record.station) && record.hold === null);
  return (
    <div className="space-y-8 p-6">
      <section aria-label="Needs">
        <div className="mb-2 flex flex-wrap items-center gap-4">
          <h2 className="text-18 font-bold">
            Parts <small className="text-15 font-normal text-quiet">out of the approved lines</small>
          </h2>
          {canBuy && open.length > 0 && (
            <Button
              verb="order-parts"
              tone="main"
              data-next
              className="ml-auto"
              disabled={isBusy}
              onClick={() => run('order-parts', { tag: record.tag })}
            >
              Order {open.length} {open.length === 1 ? 'part' : 'parts'}, longest{' '}
              {Math.max(...open.map((need) => need.leadDays))} days
            </Button>
          )}
        </div>
        <ErrorNote error={error} />
        <OrderAtRisk key={record.orders.length} view={view} />
        {needs.length === 0 ? (
          <p>Nothing is needed: no approved line buys a part.</p>
        ) : (
          <div className="overflow-x-auto">
            <table className="w-full min-w-[760px]">
              <thead>
                <tr className="border-b border-ink text-left text-13 text-quiet">
                  <th className="py-1 font-normal">Part</th>
                  <th className="font-normal">Number</th>
                  <th className="text-right font-normal">Needed</th>
                  <th className="text-right font-normal">Ordered</th>
                  <th className="text-right font-normal">Here</th>
                  <th className="pl-6 font-normal">Stands</th>
                  <th className="font-normal">Step that waits for it</th>
                </tr>
              </thead>
              <tbody>
                {needs.map((need) => {
                  const stands =
                    need.received >= need.quantity
                      ? 'here'
                      : need.ordered < need.quantity
                        ? `to order, ${need.leadDays} days`
                        : `due ${need.dueOn ? sayDate(need.dueOn) : ''}`;
                  const isShort = need.received > 0 && need.received < need.quantity;
                  return (
                    <tr key={need.ref} id={`need-${need.ref}`} className="row">
                      <th scope="row" className="py-2 text-left font-semibold">
                        {need.name}
                      </th>
                      <td className="num">{need.number}</td>
                      <td className="num text-right">{need.quantity}</td>
                      <td className="num text-right">{need.ordered}</td>
                      <td className="num text-right">{need.received}</td>
                      <td
                        className={`pl-6 ${isShort ? 'font-bold text-jasper' : need.received >= need.quantity ? 'text-quiet' : ''}`}
                      >
                        {isShort ? `${need.quantity - need.received} short, ${stands}` : stands}
                      </td>
                      <td className="text-13">
                        {need.received < need.quantity ? stepsBlockedBy(need.ref, family).join(', ') : ''}
                      </td>
                    </tr>
                  );
                })}
              </tbody>
            </table>
          </div>
        )}
      </section>
      {record.orders.map((order) => (
        <Order key={order.id} view={view} order={order} canReceive={record.closedAt === null} />
      ))}
    </div>
  );
}

function Order({
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
