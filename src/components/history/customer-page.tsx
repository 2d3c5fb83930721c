import { Link } from '../ui/link';
import { stationNames, type Outcome, type Station } from '@/core/record';
import { formatMoney } from '@/core/units';
import { dayWords } from '../plan/plan-words';
import { CustomerPages, type CustomerPageLink } from './customer-pages';
import { outcomeWords } from './outcome-words';
import type { Spare } from '@/core/history';
import { SparesHeld } from './spares-held';

/** A visit of a customer’s pump. */
export interface CustomerVisit {
  readonly tag: string;
  readonly openedOn: string;
  readonly closedOn: string | null;
  readonly outcome: Outcome;
  readonly station: Station;
  readonly promisedOn: string;
  readonly runningHours: number | null;
  /** What was approved of it, without tax; null where nothing was answered. */
  readonly approvedMinor: number | null;
  /** The earlier visit under whose warranty it came; null where it did not. */
  readonly comebackOf: string | null;
}

export interface CustomerView {
  readonly id: string;
  readonly pages: readonly CustomerPageLink[];
  readonly name: string;
  readonly currency: string;
  readonly limitMinor: number;
  readonly limitSaidBy: string;
  readonly contacts: readonly { readonly name: string; readonly email: string; readonly phone: string }[];
  readonly pumps: readonly {
    readonly maker: string;
    readonly model: string;
    readonly serial: string;
    readonly equipmentNumber: string;
    /** Of its parts what lies on our shelf. */
    readonly spares: readonly Spare[];
    readonly visits: readonly CustomerVisit[];
  }[];
}

function VisitLine({ visit, currency }: { readonly visit: CustomerVisit; readonly currency: string }) {
  const { tag, openedOn, closedOn, outcome, station, promisedOn, approvedMinor, comebackOf } = visit;
  return (
    <li className="flex flex-wrap gap-x-3">
      <Link href={`/jobs/${tag}`} className="num font-bold underline underline-offset-4">
        {tag}
      </Link>
      <span>
        {closedOn ? (
          `${dayWords(openedOn)} to ${dayWords(closedOn)}: ${outcomeWords(outcome)}`
        ) : (
          <b>
            here since {dayWords(openedOn)}, at {stationNames[station].toLowerCase()}, promised {dayWords(promisedOn)}
          </b>
        )}
      </span>
      {comebackOf && <span className="text-jasper">under the warranty of {comebackOf}</span>}
      {approvedMinor !== null && (
        <span className="num ml-auto text-13">{formatMoney({ minor: approvedMinor, currency })}</span>
      )}
    </li>
  );
}

/** What was approved of all visits, and how many came under warranty. */
function Totals({ customer: { pumps, currency } }: { readonly customer: CustomerView }) {
  const visits = pumps.flatMap((pump) => pump.visits);
  const answered = visits.filter(({ approvedMinor }) => approvedMinor !== null);
  const back = visits.filter(({ comebackOf }) => comebackOf !== null);
  if (!answered.length) return null;
  const sum = answered.reduce((all, { approvedMinor }) => all + (approvedMinor ?? 0), 0);
  return (
    <p>
      <b className="num">{formatMoney({ minor: sum, currency })}</b> approved in {answered.length}{' '}
      {answered.length === 1 ? 'repair' : 'repairs'}, without tax;{' '}
      {back.length === 0
        ? 'none of the visits was under warranty'
        : `${back.length} of ${visits.length} visits under warranty`}
      .
    </p>
  );
}

/** A customer: who to ask, what is agreed, and every pump of theirs with its visits. */
export function CustomerPage({ customer }: { readonly customer: CustomerView }) {
  const { name, contacts, pumps, limitMinor, limitSaidBy, currency } = customer;
  const here = pumps.filter(({ visits }) => visits.some(({ closedOn }) => closedOn === null)).length;
  return (
    <div className="space-y-5 p-6">
      <div className="flex flex-wrap items-baseline gap-x-6">
        <h1 className="text-24 font-bold">{name}</h1>
        <p>
          {pumps.length} {pumps.length === 1 ? 'pump' : 'pumps'}
          {here > 0 && `, ${here} here now`}
        </p>
        <Link href="/customers" className="ml-auto underline underline-offset-4">
          All customers
        </Link>
      </div>
      <section aria-label="Contacts">
        <h2 className="border-b border-ink font-bold">Contacts</h2>
        {contacts.length ? (
          <ul>
            {contacts.map((one) => (
              <li key={`${one.name} ${one.email}`} className="row flex flex-wrap gap-x-4 py-1 first:border-0">
                <b>{one.name}</b>
                <span>{one.email || 'no mail address'}</span>
                <span>{one.phone}</span>
              </li>
            ))}
          </ul>
        ) : (
          <p className="text-quiet">Nobody is named yet.</p>
        )}
        <p className="pt-1">
          {limitMinor > 0
            ? `Supplements up to ${formatMoney({ minor: limitMinor, currency })} are approved by what ${limitSaidBy || 'they'} agreed.`
            : 'No limit for supplements is agreed.'}
        </p>
      </section>
      <Totals customer={customer} />
      <CustomerPages customerId={customer.id} pages={customer.pages} contacts={contacts.map((one) => one.name)} />
      <section aria-label="Pumps">
        <h2 className="border-b border-ink font-bold">Pumps</h2>
        <ul>
          {pumps.map(({ maker, model, serial, equipmentNumber, visits, spares }) => {
            const hours = visits.find((visit) => visit.runningHours !== null)?.runningHours ?? null;
            return (
              <li
                key={`${maker} ${serial}`}
                className="row grid gap-x-6 gap-y-1 py-2 first:border-0 lg:grid-cols-[minmax(240px,1fr)_minmax(320px,1.6fr)]"
              >
                <span>
                  <Link href={`/pumps/${visits[0]?.tag ?? ''}`} className="font-bold underline underline-offset-4">
                    {maker} {model}, {serial}
                  </Link>
                  <span className="block text-13 text-quiet">
                    {equipmentNumber || 'no equipment number'}
                    {hours !== null && `; ${hours.toLocaleString('en-GB')} h when it came last`}
                  </span>
                  <SparesHeld spares={spares} />
                </span>
                <ul>
                  {visits.map((visit) => (
                    <VisitLine key={visit.tag} {...{ visit, currency }} />
                  ))}
                </ul>
              </li>
            );
          })}
        </ul>
      </section>
    </div>
  );
}

interface ListProps {
  readonly customers: readonly {
    readonly id: string;
    readonly name: string;
    readonly open: number;
    readonly all: number;
  }[];
}

export function CustomerList({ customers }: ListProps) {
  return (
    <div className="space-y-3 p-6">
      <h1 className="flex items-baseline gap-x-6 text-24 font-bold">
        Customers
        <a href="/files/list/customers" download className="ml-auto text-13 font-normal underline underline-offset-4">
          CSV
        </a>
      </h1>
      <ul>
        {customers.map(({ id, name, open, all }) => (
          <li key={id} className="row first:border-0">
            <Link
              href={`/customers/${id}`}
              className="grid min-h-11 grid-cols-[1fr_auto] items-center gap-x-6 hover:bg-sheet"
            >
              <b>{name}</b>
              <span>
                {open > 0 && <b>{open} here, </b>}
                {all} {all === 1 ? 'visit' : 'visits'} in all
              </span>
            </Link>
          </li>
        ))}
      </ul>
    </div>
  );
}
