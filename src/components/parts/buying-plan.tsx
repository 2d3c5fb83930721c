'use client';

import { useRouter } from 'next/navigation';
import { Link } from '../ui/link';
import { useState } from 'react';
import { asId, type Tag } from '@/core/record';
import type { BuyingPlan, PlannedOrder, Share, ShelfTake } from '@/core/purchasing';
import { formatMoney } from '@/core/units';
import { useAct } from '../act/use-act';
import { sayShortDate } from '../job/view';
import { Button, ErrorNote } from '../ui/form';
import { DeskFrame } from './desk-frame';
import type { DeskLine } from './parts-desk';

interface Props {
  readonly today: string;
  readonly currency: string;
  readonly plan: BuyingPlan;
  /** The plan as one short text: what is placed is what was seen. */
  readonly basedOn: string;
  readonly atRisk: readonly DeskLine[];
}

function ShareRow({ share, today }: { readonly share: Share; readonly today: string }) {
  const isLate = share.neededBy !== null && share.dueOn > share.neededBy;
  return (
    <li className="grid grid-cols-[84px_44px_1.4fr_1fr_1fr] gap-x-3 py-0.5">
      {share.tag ? (
        <Link href={`/jobs/${share.tag}?at=parts`} className="num underline underline-offset-4">
          {share.tag}
        </Link>
      ) : (
        <span className="text-quiet">the shelf</span>
      )}
      <span className="num text-right">{share.quantity}</span>
      <span>
        {share.name} {share.elastomer && <span className="text-quiet">{share.elastomer}</span>}
        {share.number !== share.listedNumber && (
          <span className="block text-13 font-semibold">
            <span className="num">{share.number}</span> in place of <span className="num">{share.listedNumber}</span>
          </span>
        )}
      </span>
      <span className={isLate ? 'font-semibold text-jasper' : ''}>comes {sayShortDate(share.dueOn, today)}</span>
      <span className="text-quiet">{share.neededBy ? `needed by ${sayShortDate(share.neededBy, today)}` : ''}</span>
    </li>
  );
}

function OrderPlanned({
  order,
  today,
  isBusy,
  onPlace,
}: {
  readonly order: PlannedOrder;
  readonly today: string;
  readonly isBusy: boolean;
  readonly onPlace: () => void;
}) {
  const { supplier, lines, shares, goodsMinor, freightMinor, currency, orderBy, late } = order;
  const money = (minor: number) => formatMoney({ minor, currency });
  const hasOpenPrice = lines.some(({ priceMinor }) => priceMinor === null);
  return (
    <section aria-label={`Order from ${supplier}`} className="border-t border-line pt-3">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
        <h2 className="text-18 font-bold">{supplier}</h2>
        <span>
          goods <span className="num">{money(goodsMinor)}</span>, freight{' '}
          <span className="num">{money(freightMinor)}</span>
          {hasOpenPrice && ', and what has no price yet'}
        </span>
        {orderBy && (
          <span className={orderBy <= today ? 'font-semibold text-jasper' : 'text-quiet'}>
            {orderBy <= today ? 'must go out today' : `must go out by ${sayShortDate(orderBy, today)}`}
          </span>
        )}
        {late > 0 && (
          <span className="font-semibold text-jasper">
            {late} {late === 1 ? 'part comes' : 'parts come'} too late even so
          </span>
        )}
        <Button verb="place-orders" tone="main" className="ml-auto" disabled={isBusy} onClick={onPlace}>
          Order from {supplier}
        </Button>
      </div>
      <div className="mt-2 grid gap-x-8 lg:grid-cols-[5fr_6fr]">
        <ul aria-label={`Lines to ${supplier}`}>
          {lines.map(({ code, title, count, kind, priceMinor, pieces, dueOn }) => (
            <li
              key={`${code} ${pieces[0]?.elastomer}`}
              className="row grid grid-cols-[44px_1fr_auto] gap-x-3 py-0.5 first:border-0"
            >
              <span className="num text-right">{count} ×</span>
              <span>
                {title} <span className="num text-13 text-quiet">{code}</span>
                {kind === 'kit' && (
                  <span className="block text-13 text-quiet">
                    kit: {pieces.map(({ quantity, number }) => `${quantity} × ${number}`).join(', ')}
                  </span>
                )}
              </span>
              <span className="num text-right" title={`comes ${dueOn}`}>
                {priceMinor === null ? 'to be said' : money(priceMinor * count)}
              </span>
            </li>
          ))}
        </ul>
        <ul aria-label={`For whom, from ${supplier}`}>
          {shares.map((share) => (
            <ShareRow
              key={`${share.tag} ${share.partRef} ${share.dueOn} ${share.number}`}
              share={share}
              today={today}
            />
          ))}
        </ul>
      </div>
    </section>
  );
}

/** Why these orders and no others: the proof, and what each supplier alone would cost. */
function WhyThis({ plan, currency }: Pick<Props, 'plan' | 'currency'>) {
  const money = (minor: number) => formatMoney({ minor, currency });
  return (
    <section aria-label="Why this choice" className="border-t border-line pt-3">
      <h2 className="font-bold">Why this choice</h2>
      <p>
        {plan.isProven
          ? `No other choice of offers brings all of it in time for less than ${money(plan.costMinor)}, freight included.`
          : `The best that was found in two seconds; the cheapest lies between ${money(plan.boundMinor)} and ${money(plan.costMinor)}.`}
      </p>
      {plan.alone.length > 1 && (
        <ul className="mt-1">
          {plan.alone.map(({ supplier, costMinor }) => (
            <li key={supplier}>
              All from {supplier}:{' '}
              {costMinor === null ? (
                <span className="text-quiet">does not offer all of it</span>
              ) : (
                <>
                  <span className="num">{money(costMinor)}</span>
                  {costMinor > plan.costMinor && (
                    <span className="text-quiet">, dearer by {money(costMinor - plan.costMinor)}</span>
                  )}
                </>
              )}
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}

/** What need not be bought: it lies on the shelf. */
function FromShelf({ takes }: { readonly takes: readonly ShelfTake[] }) {
  const { run, error, isBusy } = useAct();
  const router = useRouter();
  const take = async ({ line, item, count }: ShelfTake) => {
    const source = { source: 'shelf' as const, count, from: `bin ${item.bin}`, dueOn: '', reason: 'lies on the shelf' };
    const about = { tag: asId<Tag>(line.tag), partRef: line.partRef, basedOn: 0, donorId: null };
    const done = await run('choose-source', { ...about, source });
    if (done) router.refresh();
  };
  if (!takes.length) return null;
  return (
    <section aria-label="From the shelf">
      <h2 className="font-bold">On the shelf already</h2>
      <ErrorNote error={error} />
      <ul>
        {takes.map((one) => (
          <li
            key={`${one.line.tag} ${one.line.partRef} ${one.item.bin}`}
            className="row flex flex-wrap items-center gap-x-4 py-1 first:border-0"
          >
            <b className="num">{one.line.tag}</b>
            <span>
              {one.count} × {one.line.name} <span className="num text-13 text-quiet">{one.item.number}</span>
            </span>
            <span className="text-quiet">
              bin {one.item.bin}, {one.item.quantity} there
            </span>
            <Button verb="choose-source" className="ml-auto" disabled={isBusy} onClick={() => void take(one)}>
              Take it for {one.line.tag}
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Whom to buy from, for all open jobs at once. */
export function BuyingPlanView({ today, currency, plan, basedOn, atRisk }: Props) {
  const { run, error, isBusy } = useAct();
  const router = useRouter();
  const [placed, setPlaced] = useState('');
  const place = async (supplierIds: string[]) => {
    const done = await run('place-orders', { basedOn, supplierIds });
    if (done) setPlaced(`${done.numbers.join(', ')} went out for ${done.jobs} ${done.jobs === 1 ? 'job' : 'jobs'}.`);
    router.refresh();
  };
  const value = atRisk.reduce((sum, { toBuy }) => sum + toBuy, 0);
  return (
    <DeskFrame
      title="Buying plan"
      aside={plan.orders.length > 0 && `${formatMoney({ minor: plan.costMinor, currency })} in all`}
    >
      {placed && (
        <p role="status" className="border-l-4 border-moss bg-sheet px-3 py-2">
          {placed}
        </p>
      )}
      <ErrorNote error={error} />
      <FromShelf takes={plan.takes} />
      {!plan.orders.length && (
        <p className="text-quiet">Nothing is to be bought: every need is ordered or on the shelf.</p>
      )}
      {plan.orders.map((order) => (
        <OrderPlanned
          key={order.supplierId}
          order={order}
          today={today}
          isBusy={isBusy}
          onPlace={() => void place([order.supplierId])}
        />
      ))}
      {plan.orders.length > 1 && (
        <Button
          verb="place-orders"
          disabled={isBusy}
          onClick={() => void place(plan.orders.map(({ supplierId }) => supplierId))}
        >
          Place all {plan.orders.length} orders
        </Button>
      )}
      {plan.cannot.length > 0 && (
        <p className="font-semibold text-jasper">
          Nobody offers {plan.cannot.map(({ name, tag }) => `${name} (${tag})`).join(', ')}: put an offer in, or name a
          supplier who is asked for such parts.
        </p>
      )}
      {plan.orders.length > 0 && <WhyThis plan={plan} currency={currency} />}
      {atRisk.length > 0 && (
        <section aria-label="Before an answer" className="border-t border-line pt-3">
          <h2 className="font-bold">
            Not in the plan: {value} {value === 1 ? 'piece waits' : 'pieces wait'} for a customer’s answer
          </h2>
          <ul>
            {atRisk.map((line) => (
              <li key={`${line.tag} ${line.partRef}`} className="row flex flex-wrap gap-x-4 py-0.5 first:border-0">
                <Link href={`/jobs/${line.tag}`} className="num underline underline-offset-4">
                  {line.tag}
                </Link>
                <span>
                  {line.toBuy} × {line.name}
                </span>
                <span className="text-quiet">{line.leadDays} days of lead</span>
              </li>
            ))}
          </ul>
        </section>
      )}
    </DeskFrame>
  );
}
