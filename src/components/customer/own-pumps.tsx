'use client';

import { Phone } from 'lucide-react';
import { sayForOwner } from '@/core/lifecycle/own-words';
import type { Holder, Outcome, Station } from '@/core/record';
import type { Catalogue, Words } from '@/words';
import { InWords, useWords } from '../words/words';
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
  /** The language of the shop's papers, where that is not English. */
  readonly catalogue?: Catalogue | null;
  readonly here: readonly (Plate & {
    readonly station: Station;
    readonly holder: Holder;
    readonly promisedOn: string;
    readonly ready: { readonly early: string; readonly late: string } | null;
  })[];
  readonly past: readonly (Plate & { readonly wentOn: string })[];
}

/** By when it is likely to be ready, beside what was promised. */
function readyWords({ ready, promisedOn }: OwnPumpsView['here'][number], today: string, { say, day }: Words): string {
  const promised = say('own.promised', { day: day(promisedOn, today) });
  if (!ready) return promised;
  const [early, late] = [day(ready.early, today), day(ready.late, today)];
  const said = early === late ? say('own.readyOn', { day: early }) : say('own.readyBetween', { early, late });
  return `${said} ${promised}`;
}

const plateWords = ({ pump, serial }: Plate) => (serial ? `${pump}, ${serial}` : pump);

/** All pumps of a customer, as they stand, and what was here before: read by link, without signing in. */
export function OwnPumps({ view }: { readonly view: OwnPumpsView }) {
  return (
    <InWords catalogue={view.catalogue}>
      <Listed view={view} />
    </InWords>
  );
}

function Listed({ view }: { readonly view: OwnPumpsView }) {
  const words = useWords();
  const { say, day, language } = words;
  const { shop, name, here, past, today } = view;
  return (
    <div lang={language} className="mx-auto max-w-[760px] space-y-6 p-6">
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
        <h1 className="text-24 font-bold">{say('own.title', { name })}</h1>
        <p>{say('own.count', { count: here.length, day: day(today) })}</p>
      </div>
      <section aria-label={say('own.here')}>
        <ul>
          {here.map((one) => (
            <li key={one.tag} className="row py-3 first:border-0">
              <p className="flex flex-wrap items-baseline gap-x-3">
                <b>{one.equipmentNumber || plateWords(one)}</b>
                <span className="num">{one.tag}</span>
                {one.equipmentNumber && <span className="text-13 text-quiet">{plateWords(one)}</span>}
              </p>
              <p>{sayForOwner(one, words)}</p>
              <p className="text-13">
                {say('own.came', { day: day(one.cameOn, today) })} {readyWords(one, today, words)}
              </p>
            </li>
          ))}
        </ul>
      </section>
      {past.length > 0 && (
        <section aria-label={say('own.before')}>
          <h2 className="border-b border-ink font-bold">{say('own.before')}</h2>
          <ul>
            {past.map((one) => (
              <li key={one.tag} className="row flex flex-wrap gap-x-3 py-1 text-13 first:border-0">
                <b>{one.equipmentNumber || plateWords(one)}</b>
                <span className="num">{one.tag}</span>
                <span className="text-quiet">{one.equipmentNumber && plateWords(one)}</span>
                <span className="ml-auto">
                  {say('own.stay', {
                    ...{ from: day(one.cameOn, today), to: day(one.wentOn, today) },
                    outcome: say(`outcome.${one.outcome}`),
                  })}
                </span>
              </li>
            ))}
          </ul>
        </section>
      )}
      <p className="text-13 text-quiet">{say('own.foot')}</p>
    </div>
  );
}
