import { Link } from '../ui/link';
import { formatMoney } from '@/core/units';
import { sayShortDate } from '../job/view';
import { DeskFrame } from './desk-frame';
import type { OrderShown } from './parts-desk';
import { ListLink } from '../ui/list-link';

const stateNames: Readonly<Record<OrderShown['state'], string>> = {
  placed: 'no answer yet',
  acknowledged: 'acknowledged',
  ended: 'complete',
  cancelled: 'struck off',
};

function OrderRow({ order, today }: { readonly order: OrderShown; readonly today: string }) {
  const { number, supplier, state, dueOn, currency, totalMinor, open, toCount, jobs, lines } = order;
  const isLate = dueOn !== null && dueOn < today && open > 0;
  return (
    <li className="row first:border-0">
      <Link
        href={`/parts/orders/${number}`}
        className="grid min-h-12 grid-cols-[100px_1fr_1fr] items-center gap-x-4 py-1 hover:bg-sheet lg:grid-cols-[100px_1.1fr_1fr_1.2fr_2fr_110px]"
      >
        <b className="num">{number}</b>
        <span>{supplier}</span>
        <span className={isLate ? 'font-semibold text-jasper' : ''}>
          {open > 0 && dueOn ? `${isLate ? 'late since' : 'due'} ${sayShortDate(dueOn, today)}` : stateNames[state]}
        </span>
        <span>
          {toCount > 0 ? (
            <b>
              {toCount} {toCount === 1 ? 'piece' : 'pieces'} to count
            </b>
          ) : (
            open > 0 && `${open} ${open === 1 ? 'piece' : 'pieces'} to come`
          )}
        </span>
        <span className="text-13 text-quiet">
          {jobs.length > 0 && <span className="num">{jobs.join(', ')} · </span>}
          {lines.slice(0, 2).join(', ')}
          {lines.length > 2 && ` and ${lines.length - 2} more`}
        </span>
        <span className="num text-right">{formatMoney({ minor: totalMinor, currency })}</span>
      </Link>
    </li>
  );
}

/** Orders that are open, by number, and the newest that have ended. */
export function Orders({
  today,
  open,
  ended,
}: {
  readonly today: string;
  readonly open: readonly OrderShown[];
  readonly ended: readonly OrderShown[];
}) {
  return (
    <DeskFrame
      title="Orders"
      aside={
        <>
          <a href="/files/order-book" download className="text-13 underline underline-offset-4">
            The open order book as CSV
          </a>{' '}
          · <ListLink list="orders" words="all orders as CSV" />
        </>
      }
    >
      <section aria-label="Open orders">
        <h2 className="font-bold">Open</h2>
        {!open.length && <p className="text-quiet">Nothing is on order.</p>}
        <ul>
          {open.map((order) => (
            <OrderRow key={order.number} order={order} today={today} />
          ))}
        </ul>
      </section>
      {ended.length > 0 && (
        <section aria-label="Ended orders">
          <h2 className="font-bold">The newest that have ended</h2>
          <ul>
            {ended.map((order) => (
              <OrderRow key={order.number} order={order} today={today} />
            ))}
          </ul>
        </section>
      )}
    </DeskFrame>
  );
}
