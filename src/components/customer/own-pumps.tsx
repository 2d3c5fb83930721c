import { Phone } from 'lucide-react';
import { sayDay, sayForOwner } from '@/core/lifecycle';
import type { Holder, Outcome, Station } from '@/core/record';
import { outcomeWords } from '../history/outcome-words';
import { WordMark } from '../signs/stream';

interface Plate {
  readonly pump: string;
  readonly serial: string;
  readonly equipmentNumber: string;
  readonly tag: string;
  readonly outcome: Outcome;
  readonly cameOn: string;
}

export interface OwnPumpsView {
  readonly shop: { readonly name: string; readonly place: string; readonly telephone: string };
  readonly name: string;
  readonly today: string;
  readonly here: readonly (Plate & {
    readonly station: Station;
    readonly holder: Holder;
    readonly promisedOn: string;
    readonly ready: { readonly early: string; readonly late: string } | null;
  })[];
  readonly past: readonly (Plate & { readonly wentOn: string })[];
}

/** By when it is likely to be ready, beside what was promised. */
function readyWords({ ready, promisedOn }: OwnPumpsView['here'][number], today: string): string {
  const promised = `We promised ${sayDay(promisedOn, today)}.`;
  if (!ready) return promised;
  const [early, late] = [sayDay(ready.early, today), sayDay(ready.late, today)];
  return `Likely ready ${ready.early === ready.late ? `on ${early}` : `between ${early} and ${late}`}. ${promised}`;
}

const plateWords = ({ pump, serial }: Plate) => (serial ? `${pump}, ${serial}` : pump);

/** All pumps of a customer, as they stand, and what was here before: read by link, without signing in. */
export function OwnPumps({ view }: { readonly view: OwnPumpsView }) {
  const { shop, name, here, past, today } = view;
  return (
    <div className="mx-auto max-w-[760px] space-y-6 p-6">
      <p className="flex flex-wrap items-center gap-x-4 gap-y-1">
        <span className="flex items-center gap-2 font-bold">
          <WordMark />
          {shop.name}, {shop.place}
        </span>
        {shop.telephone && (
          <a
            className="ml-auto flex min-h-11 items-center gap-2 font-semibold underline underline-offset-4"
            href={`tel:${shop.telephone.replaceAll(' ', '')}`}
          >
            <Phone size={18} aria-hidden="true" />
            {shop.telephone}
          </a>
        )}
      </p>
      <div>
        <h1 className="text-24 font-bold">Pumps of {name}</h1>
        <p>
          {here.length === 0
            ? 'None is with us today'
            : `${here.length} ${here.length === 1 ? 'is' : 'are'} with us today`}
          , {sayDay(today)}.
        </p>
      </div>
      <section aria-label="With us">
        <ul>
          {here.map((one) => (
            <li key={one.tag} className="row py-3 first:border-0">
              <p className="flex flex-wrap items-baseline gap-x-3">
                <b>{one.equipmentNumber || plateWords(one)}</b>
                <span className="num">{one.tag}</span>
                {one.equipmentNumber && <span className="text-13 text-quiet">{plateWords(one)}</span>}
              </p>
              <p>{sayForOwner(one)}</p>
              <p className="text-13">
                It came on {sayDay(one.cameOn, today)}. {readyWords(one, today)}
              </p>
            </li>
          ))}
        </ul>
      </section>
      {past.length > 0 && (
        <section aria-label="Before">
          <h2 className="border-b border-ink font-bold">Before</h2>
          <ul>
            {past.map((one) => (
              <li key={one.tag} className="row flex flex-wrap gap-x-3 py-1 text-13 first:border-0">
                <b>{one.equipmentNumber || plateWords(one)}</b>
                <span className="num">{one.tag}</span>
                <span className="text-quiet">{one.equipmentNumber && plateWords(one)}</span>
                <span className="ml-auto">
                  {sayDay(one.cameOn, today)} to {sayDay(one.wentOn, today)}: {outcomeWords[one.outcome]}
                </span>
              </li>
            ))}
          </ul>
        </section>
      )}
      <p className="text-13 text-quiet">
        Whoever has this address reads this page. Ask us to end it when it should not be read any more.
      </p>
    </div>
  );
}
