import { Link } from '../ui/link';
import type { ReactNode } from 'react';
import { stationNames, type Station } from '@/core/record';
import { formatMoney } from '@/core/units';
import { dayWords } from '../plan/plan-words';
import { ListLink } from '../ui/list-link';

interface OfPump {
  readonly tag: string;
  readonly pump: string;
  readonly customer: string;
}

/** What the coordinator’s week shows; dates are ISO in the shop’s zone. */
export interface WeekView {
  readonly today: string;
  readonly until: string;
  readonly currency: string;
  readonly answers: readonly (OfPump & {
    readonly kind: string;
    readonly revision: number;
    readonly days: number;
    readonly reminded: number;
    readonly nextReminderOn: string;
    readonly isDue: boolean;
    readonly isExpired: boolean;
    readonly validUntil: string;
  })[];
  readonly goingOut: readonly (OfPump & {
    readonly promisedOn: string;
    readonly station: Station;
    readonly plannedOn: string | null;
    readonly keptPct: number | null;
    readonly limitWords: string | null;
  })[];
  readonly comingIn: readonly {
    readonly number: string;
    readonly supplier: string;
    readonly dueOn: string | null;
    readonly open: number;
    readonly lines: readonly string[];
  }[];
  readonly risks: readonly (OfPump & { readonly number: string; readonly supplier: string; readonly minor: number })[];
  readonly moves: readonly (OfPump & {
    readonly from: string;
    readonly to: string;
    readonly reason: string;
    readonly toldTo: string | null;
    readonly personName: string;
  })[];
}

interface ListProps {
  readonly title: string;
  readonly more: string;
  readonly csv: string;
  readonly none: string;
  readonly children: readonly ReactNode[];
}

function List({ title, more, csv, none, children }: ListProps) {
  return (
    <section aria-label={title} className="break-inside-avoid">
      <h2 className="flex flex-wrap items-baseline gap-x-3 border-b border-ink pb-1">
        <span className="text-18 font-bold">{title}</span>
        <span className="text-quiet">{more}</span>
        <span className="ml-auto">
          <ListLink list={csv} words="CSV" />
        </span>
      </h2>
      {children.length ? <ul>{children}</ul> : <p className="py-2 text-quiet">{none}</p>}
    </section>
  );
}

/** A line of a list: what it is about at the left, what there is to say of it at the right. */
function Line({
  of: { tag, pump, customer },
  at,
  children,
}: {
  readonly of: OfPump;
  readonly at?: string;
  readonly children: ReactNode;
}) {
  return (
    <li className="row first:border-0">
      <Link
        href={at ? `/jobs/${tag}?at=${at}` : `/jobs/${tag}`}
        className="grid min-h-11 grid-cols-[84px_1fr] items-center gap-x-3 py-1 hover:bg-sheet lg:grid-cols-[84px_minmax(200px,1fr)_minmax(260px,1.4fr)]"
      >
        <b className="num">{tag}</b>
        <span>
          {pump} · {customer}
        </span>
        <span className="col-span-2 lg:col-span-1">{children}</span>
      </Link>
    </li>
  );
}

const plural = (count: number, one: string) => `${count} ${one}${count === 1 ? '' : 's'}`;

function Answers({ answers }: Pick<WeekView, 'answers'>) {
  const due = answers.filter(({ isDue }) => isDue).length;
  return (
    <List
      title="Answers awaited"
      more={due ? `${plural(due, 'reminder')} to send` : 'no reminder is due'}
      csv="answers"
      none="No quote waits for its answer."
    >
      {answers.map((one) => (
        <Line key={`${one.tag} ${one.kind} ${one.revision}`} of={one} at="approve">
          {one.kind === 'supplement' ? `Supplement ${one.revision}` : `Quote revision ${one.revision}`}, sent{' '}
          <b>{one.days ? `${plural(one.days, 'day')} ago` : 'today'}</b>
          {one.reminded > 0 && `, reminded ${one.reminded === 1 ? 'once' : `${one.reminded} times`}`};{' '}
          {one.isDue ? (
            <b className="text-jasper">the reminder is due</b>
          ) : (
            `reminder drafted on ${dayWords(one.nextReminderOn)}`
          )}
          {one.isExpired && <b className="text-jasper">; no longer valid</b>}
        </Line>
      ))}
    </List>
  );
}

function GoingOut({ goingOut, today }: Pick<WeekView, 'goingOut' | 'today'>) {
  return (
    <List title="Going out" more="promised up to a week from now" csv="going-out" none="Nothing is promised.">
      {goingOut.map((one) => {
        const isLate = one.plannedOn !== null && one.plannedOn > one.promisedOn;
        const isPast = one.promisedOn < today;
        return (
          <Line key={one.tag} of={one} at={one.station}>
            promised <b className={isPast ? 'text-jasper' : ''}>{dayWords(one.promisedOn)}</b>, at{' '}
            {stationNames[one.station].toLowerCase()};{' '}
            {one.plannedOn === null ? (
              'no work ahead of it in the plan'
            ) : isLate ? (
              <b className="text-jasper">
                planned for {dayWords(one.plannedOn)}, limited by {one.limitWords}
              </b>
            ) : (
              `planned for ${dayWords(one.plannedOn)}, kept ${one.keptPct} times of 100`
            )}
          </Line>
        );
      })}
    </List>
  );
}

function ComingIn({ comingIn, today }: Pick<WeekView, 'comingIn' | 'today'>) {
  return (
    <List title="Coming in" more="orders due up to a week from now" csv="coming-in" none="No order is due.">
      {comingIn.map(({ number, supplier, dueOn, open, lines }) => (
        <li key={number} className="row first:border-0">
          <Link
            href={`/parts/orders/${number}`}
            className="grid min-h-11 grid-cols-[84px_1fr] items-center gap-x-3 py-1 hover:bg-sheet lg:grid-cols-[84px_minmax(200px,1fr)_minmax(260px,1.4fr)]"
          >
            <b className="num">{number}</b>
            <span>{supplier}</span>
            <span className="col-span-2 lg:col-span-1">
              <b className={dueOn !== null && dueOn < today ? 'text-jasper' : ''}>{dueOn && dayWords(dueOn)}</b>,{' '}
              {plural(open, 'piece')} open: {lines.slice(0, 3).join(', ')}
              {lines.length > 3 && ` and ${lines.length - 3} more`}
            </span>
          </Link>
        </li>
      ))}
    </List>
  );
}

function Risks({ risks, currency }: Pick<WeekView, 'risks' | 'currency'>) {
  const minor = risks.reduce((sum, one) => sum + one.minor, 0);
  return (
    <List
      title="At risk"
      more={risks.length ? `${formatMoney({ minor, currency })} ordered before the answer` : ''}
      csv="at-risk"
      none="Nothing is ordered before its answer."
    >
      {risks.map((one) => (
        <Line key={`${one.tag} ${one.number}`} of={one} at="parts">
          <b className="num">{formatMoney({ minor: one.minor, currency })}</b> from {one.supplier}, {one.number}
        </Line>
      ))}
    </List>
  );
}

function Moves({ moves }: Pick<WeekView, 'moves'>) {
  return (
    <List
      title="Promises moved"
      more="in the last two weeks"
      csv="moved-promises"
      none="Every promise stands as it was given."
    >
      {moves.map((one) => (
        <Line key={`${one.tag} ${one.from} ${one.to}`} of={one}>
          {dayWords(one.from)} → <b>{dayWords(one.to)}</b>: {one.reason}{' '}
          <span className="text-13 text-quiet">
            {one.personName}; {one.toldTo === null ? 'nobody was written to' : `a mail to ${one.toldTo}`}
          </span>
        </Line>
      ))}
    </List>
  );
}

/** The coordinator’s week: what is awaited, what goes out and comes in, what money is at risk, what was promised anew. */
export function WeekDesk({ week }: { readonly week: WeekView }) {
  const { answers, goingOut, comingIn, risks, moves, currency, today, until } = week;
  return (
    <div className="space-y-6 p-6">
      <div className="flex flex-wrap items-baseline gap-x-6">
        <h1 className="text-24 font-bold">Week</h1>
        <p className="text-quiet">
          {dayWords(today)} to {dayWords(until)}
        </p>
        <Link href="/desk/trends" className="ml-auto underline underline-offset-4">
          Trends
        </Link>
      </div>
      <Answers answers={answers} />
      <GoingOut goingOut={goingOut} today={today} />
      <ComingIn comingIn={comingIn} today={today} />
      <Risks risks={risks} currency={currency} />
      <Moves moves={moves} />
    </div>
  );
}
