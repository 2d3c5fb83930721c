'use client';

import { Link } from '../ui/link';
import type { PromiseEffect, SourcedLine } from '@/core/purchasing';
import { formatMoney } from '@/core/units';
import { sayShortDate } from '../job/view';
import { useRows } from '../ui/later';
import { DeskFrame } from './desk-frame';
import { sayEffect } from './promise-words';
import { sourceNames } from './source-words';
import { ListLink } from '../ui/list-link';
import { ofText } from '../ui/of-text';

export interface DeskLine extends SourcedLine {
  readonly pump: string;
  readonly customer: string;
  readonly promisedOn: string;
  readonly isHeld: boolean;
  readonly effect: PromiseEffect;
}

export interface OrderShown {
  readonly number: string;
  readonly supplier: string;
  readonly state: 'placed' | 'acknowledged' | 'ended' | 'cancelled';
  readonly placedOn: string;
  readonly jobs: readonly string[];
  readonly dueOn: string | null;
  readonly currency: string;
  readonly totalMinor: number;
  readonly open: number;
  readonly toCount: number;
  readonly lines: readonly string[];
}

interface PlannedShown {
  readonly supplierId: string;
  readonly supplier: string;
  readonly shopMinor: number;
  readonly orderBy: string | null;
  readonly lines: readonly unknown[];
  readonly shares: readonly { readonly tag: string }[];
}

interface Props {
  readonly today: string;
  readonly currency: string;
  readonly lines: readonly DeskLine[];
  readonly orders: readonly OrderShown[];
  readonly plan: {
    readonly orders: readonly PlannedShown[];
    readonly takes: number;
    readonly cannot: readonly string[];
  };
}

/** Where a line stands, in the words of the desk. */
function standingOfLine({ toBuy, quantity, ordered, received, source, effect }: DeskLine, today: string): string {
  if (toBuy > 0) return `${toBuy} to order`;
  if (ordered < quantity) return 'nobody has begun';
  const left = `${quantity - received} of ${quantity}`;
  const day = `${effect.isGuess ? 'no day yet' : sayShortDate(effect.arrivesOn, today)}`;
  return source === 'bought' ? `${left} on order, ${day}` : `${left} to come, ${day}`;
}

function LineRow({ line, today }: { readonly line: DeskLine; readonly today: string }) {
  const isLate = line.effect.spareDays < 0;
  return (
    <li className="row first:border-0">
      <Link
        href={`/jobs/${line.tag}?at=parts`}
        className="grid min-h-12 grid-cols-[76px_1.4fr_1fr] items-center gap-x-4 py-1 hover:bg-sheet lg:grid-cols-[76px_1.5fr_110px_1.1fr_100px_1.5fr_1.2fr]"
      >
        <b className="num">{line.tag}</b>
        <span>
          {line.name}{' '}
          <span className="num text-13 text-quiet">
            {line.number} {line.elastomer}
          </span>
        </span>
        <span className="text-quiet">{sourceNames[line.source]}</span>
        <span className={line.toBuy > 0 ? 'font-semibold' : ''}>{standingOfLine(line, today)}</span>
        <span className="text-13 text-quiet">
          {line.neededBy && `${line.isByHands ? 'hands from' : 'by'} ${sayShortDate(line.neededBy, today)}`}
        </span>
        <span className={isLate ? 'font-semibold text-jasper' : ''}>
          {sayEffect(line.effect, line.promisedOn, today)}
        </span>
        <span className="text-13 text-quiet">
          {line.isHeld ? 'the job is on hold' : line.blocks.length > 0 && `stops: ${line.blocks[0]}`}
          {line.blocks.length > 1 && ` and ${line.blocks.length - 1} more`}
        </span>
      </Link>
    </li>
  );
}

/** What waits for nothing but a press or a count, one line each. */
function NowWaiting({ plan, orders, currency, today }: Omit<Props, 'lines'>) {
  const counting = orders.filter(({ toCount }) => toCount > 0);
  const silent = orders.filter(({ state }) => state === 'placed');
  // What stands here to be counted is late no more.
  const late = orders.filter(({ dueOn, open, toCount }) => dueOn !== null && dueOn < today && open > toCount);
  const isQuiet = !plan.orders.length && !plan.takes && !counting.length && !silent.length && !late.length;
  const cell = 'row flex min-h-11 flex-wrap items-center gap-x-2 first:border-0';
  return (
    <section aria-label="Waits for a press">
      <h2 className="font-bold">Waits for a press or a count</h2>
      <ul>
        {isQuiet && <li className={`${cell} text-quiet`}>Nothing: all is ordered, and no parcel stands here.</li>}
        {plan.orders.map(({ supplierId, supplier, shopMinor, orderBy, lines, shares }) => {
          const jobs = new Set(shares.map(({ tag }) => tag).filter(Boolean)).size;
          const isUrgent = orderBy !== null && orderBy <= today;
          return (
            <li key={supplierId} className={cell}>
              <Link href="/parts/plan" className="font-semibold underline underline-offset-4">
                Order from {supplier}
              </Link>
              <span>
                {lines.length} {lines.length === 1 ? 'line' : 'lines'} for {jobs} {jobs === 1 ? 'job' : 'jobs'},{' '}
                <span className="num">{formatMoney({ minor: shopMinor, currency })}</span>
              </span>
              {orderBy && (
                <span className={isUrgent ? 'font-semibold text-jasper' : 'text-quiet'}>
                  {isUrgent ? 'today at the latest' : `by ${sayShortDate(orderBy, today)}`}
                </span>
              )}
            </li>
          );
        })}
        {plan.takes > 0 && (
          <li className={cell}>
            <Link href="/parts/plan" className="font-semibold underline underline-offset-4">
              Take {plan.takes} {plan.takes === 1 ? 'line' : 'lines'} from the shelf
            </Link>
          </li>
        )}
        {counting.map(({ number, supplier, toCount }) => (
          <li key={number} className={cell}>
            <Link href={`/parts/orders/${number}`} className="font-semibold underline underline-offset-4">
              Count the parcel of <span className="num">{number}</span>
            </Link>
            <span>
              {toCount} {toCount === 1 ? 'piece' : 'pieces'} by the list of {supplier}
            </span>
          </li>
        ))}
        {late.map(({ number, supplier, dueOn }) => (
          <li key={number} className={cell}>
            <Link href={`/parts/orders/${number}`} className="font-semibold underline underline-offset-4">
              Ask {supplier} about <span className="num">{number}</span>
            </Link>
            <span className="font-semibold text-jasper">it was due {dueOn && sayShortDate(dueOn, today)}</span>
          </li>
        ))}
        {plan.cannot.length > 0 && (
          <li className={cell}>
            <span className="font-semibold text-jasper">Nobody offers {plan.cannot.join(', ')}.</span>
            <Link href="/parts/catalogue" className="underline underline-offset-4">
              Name a supplier who is asked
            </Link>
          </li>
        )}
      </ul>
    </section>
  );
}

/** Lines that a first screen shows. */
const linesAtFirst = 18;

/** What is to come over all jobs, the promise that is hurt most first; what waits for an answer apart. */
export function PartsDesk(props: Props) {
  const { lines, today } = props;
  const firm = lines.filter(({ isAtRisk }) => !isAtRisk);
  const risked = lines.filter(({ isAtRisk }) => isAtRisk);
  const jobs = new Set(firm.map(({ tag }) => tag)).size;
  const hurt = new Set(firm.filter(({ effect }) => effect.spareDays < 0).map(({ tag }) => tag)).size;
  const byHurt = firm.toSorted((a, b) => a.effect.spareDays - b.effect.spareDays || a.tag.localeCompare(b.tag));
  const shown = useRows(byHurt, linesAtFirst);
  const shownRisked = useRows(risked, Math.max(0, linesAtFirst - byHurt.length));
  return (
    <DeskFrame
      title="Parts"
      aside={`${firm.length} lines of ${jobs} jobs${hurt ? `; ${hurt} ${hurt === 1 ? 'promise does' : 'promises do'} not hold` : ''}`}
    >
      <NowWaiting {...props} />
      <section aria-label="To come">
        <h2 className="font-bold">
          To come, over all jobs <ListLink list="parts-desk" words="CSV" />
        </h2>
        {!firm.length && <p className="text-quiet">No job waits for a part.</p>}
        <ul>
          {shown.map((line) => (
            <LineRow key={`${line.tag} ${line.partRef}`} line={line} today={today} />
          ))}
        </ul>
      </section>
      {risked.length > 0 && (
        <section aria-label="Before an answer">
          <h2 className="font-bold">
            Wanted before the customer has answered{' '}
            <small className="font-normal text-quiet">no part of the plan; ordered only at somebody’s risk</small>
          </h2>
          <ul>
            {shownRisked.map((line) => (
              <LineRow key={`${line.tag} ${line.partRef}`} line={line} today={today} />
            ))}
          </ul>
        </section>
      )}
    </DeskFrame>
  );
}

export const PartsDeskOfText = ofText(PartsDesk);
