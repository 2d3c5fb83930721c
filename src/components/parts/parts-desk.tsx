import { present } from '@/core/present';
import Link from 'next/link';
import { sayDate } from '../job/view';

export interface DeskLine {
  readonly tag: string;
  readonly number: string;
  readonly supplier: string;
  readonly dueOn: string | null;
  readonly partRef: string;
  readonly partNumber: string;
  readonly quantity: number;
  readonly received: number;
  readonly name: string;
  readonly blocks: readonly string[];
}

export interface DeskNeed {
  readonly tag: string;
  readonly pump: string;
  readonly customer: string;
  readonly detail: string;
}

/** What is on order over all jobs by its date, and the jobs whose parts are still to be ordered. */
export function PartsDesk({
  lines,
  toOrder,
  today,
}: {
  readonly lines: readonly DeskLine[];
  readonly toOrder: readonly DeskNeed[];
  readonly today: string;
}) {
  const byOrder = groupByNumber(lines);
  return (
    <div className="space-y-6 p-6">
      <h1 className="text-24 font-bold">Parts</h1>
      <section aria-label="To order">
        <h2 className="font-bold">To order</h2>
        {toOrder.length === 0 && <p className="text-quiet">Nothing waits to be ordered.</p>}
        <ul>
          {toOrder.map((need) => (
            <li key={need.tag} className="row first:border-0">
              <Link
                href={`/jobs/${need.tag}?at=parts`}
                className="grid min-h-12 grid-cols-[90px_1fr_1fr] items-center gap-2 hover:bg-sheet"
              >
                <b className="num">{need.tag}</b>
                <span>
                  {need.pump} · {need.customer}
                </span>
                <span>
                  <b>Order</b> — {need.detail}
                </span>
              </Link>
            </li>
          ))}
        </ul>
      </section>
      <section aria-label="On order">
        <h2 className="font-bold">
          On order <small className="font-normal text-quiet">{lines.length} open lines, by the supplier’s date</small>
        </h2>
        {[...byOrder].map(([number, list]) => {
          const { dueOn, tag, supplier } = present(list[0]);
          const isLate = dueOn !== null && dueOn < today;
          return (
            <div key={number} className="grid gap-x-4 border-t border-line py-2 md:grid-cols-[210px_1fr]">
              <div>
                <Link href={`/jobs/${tag}?at=parts`} className="font-bold underline decoration-line underline-offset-4">
                  <span className="num">{number}</span> for <span className="num">{tag}</span>
                </Link>
                <p className="text-13 text-quiet">{supplier}</p>
                <p className={isLate ? 'font-bold text-jasper' : ''}>
                  {dueOn ? `${isLate ? 'late since' : 'due'} ${sayDate(dueOn)}` : 'no date yet'}
                </p>
              </div>
              <ul>
                {list.map((line) => (
                  <li key={line.partRef} className="grid grid-cols-[70px_1fr_110px_1.2fr] gap-2 py-0.5">
                    <span className={`num text-right ${line.received ? 'font-bold text-jasper' : ''}`}>
                      {line.received}/{line.quantity}
                    </span>
                    <span>{line.name}</span>
                    <span className="num text-13 text-quiet">{line.partNumber}</span>
                    <span className="text-13 text-quiet">
                      {line.blocks.length > 0 && `stops: ${line.blocks.join(', ')}`}
                    </span>
                  </li>
                ))}
              </ul>
            </div>
          );
        })}
      </section>
    </div>
  );
}

function groupByNumber(lines: readonly DeskLine[]): Map<string, DeskLine[]> {
  const groups = new Map<string, DeskLine[]>();
  for (const line of lines) groups.set(line.number, [...(groups.get(line.number) ?? []), line]);
  return groups;
}
