'use client';

import Link from 'next/link';
import type { ReadyRange } from '@/core/planning';
import { formatMoney } from '@/core/units';
import { holderNames, stations, type Holder, type Station } from '@/core/record';
import { ReadyAxis, ReadyBar } from '../signs/ready-range';
import { HolderMark, Stream } from '../signs/stream';

export interface Strip {
  readonly tag: string;
  readonly pump: string;
  readonly customer: string;
  readonly station: Station;
  readonly holder: Holder;
  readonly holderSince: string;
  readonly onHold: boolean;
  readonly outcome: string;
  readonly move: string;
  readonly detail: string;
  /** What is open beside the station, in words. */
  readonly asks: readonly string[];
  readonly atRiskMinor: number;
  readonly ready: ReadyRange;
  readonly promisedOn: string;
}

const order: readonly Holder[] = ['U', 'C', 'B', 'S', 'P', 'O'];
const days = (from: string, to: string) => Math.round((Date.parse(to) - Date.parse(from)) / 86_400_000);
const skippedWhenDeclined = stations.slice(stations.indexOf('parts'), stations.indexOf('return'));
const columns = 'lg:grid-cols-[84px_minmax(180px,1.35fr)_214px_minmax(180px,1fr)_200px]';

/** How much the promise is at risk: days that the late end passes it. */
const risk = (strip: Strip) => days(strip.promisedOn, strip.ready.late);

function StripRow({ strip, today }: { readonly strip: Strip; readonly today: string }) {
  return (
    <li className="row first:border-0">
      <Link
        href={`/jobs/${strip.tag}`}
        prefetch={false}
        className={`grid grid-cols-[84px_1fr] items-center gap-x-2 py-0.5 hover:bg-sheet ${columns}`}
      >
        <b className="num pl-2">{strip.tag}</b>
        <span className="truncate">
          {strip.pump} · {strip.customer}
        </span>
        <Stream
          station={strip.station}
          holder={strip.holder}
          isStopped={strip.onHold}
          skipped={strip.outcome === 'declined' ? skippedWhenDeclined : []}
        />
        <span className="truncate">
          <b className="font-semibold">{strip.move}</b>
          {strip.asks.length > 0 && <b className="text-ochre"> · {strip.asks.join('; ')}</b>}
          {strip.detail && ` — ${strip.detail}`}
        </span>
        <ReadyBar ready={strip.ready} promisedOn={strip.promisedOn} today={today} width={200} />
      </Link>
    </li>
  );
}

/** What is ordered before its customer has answered: for which pumps, and what it is worth together. */
function AtRisk({ strips, currency }: { readonly strips: readonly Strip[]; readonly currency: string }) {
  const risked = strips.filter(({ atRiskMinor }) => atRiskMinor > 0);
  if (!risked.length) return null;
  const minor = risked.reduce((sum, { atRiskMinor }) => sum + atRiskMinor, 0);
  return (
    <p className="border-b border-line px-6 py-1 text-13">
      <b>At risk: {formatMoney({ minor, currency })}</b> ordered before the answer, for{' '}
      {risked.map(({ tag }) => tag).join(', ')}
    </p>
  );
}

/** The morning's floor: one strip a pump, grouped by who holds it, ordered by how much the promise is at risk. */
export function Floor({
  today,
  currency,
  strips,
  next,
}: {
  readonly today: string;
  readonly currency: string;
  readonly strips: readonly Strip[];
  readonly next: string | null;
}) {
  const groups = order
    .map((holder) => ({
      holder,
      list: strips.filter((strip) => strip.holder === holder).sort((one, other) => risk(other) - risk(one)),
    }))
    .filter((group) => group.list.length);
  return (
    <div>
      <h1 className="sr-only">Floor</h1>
      <AtRisk strips={strips} currency={currency} />
      <div
        className={`hidden items-end gap-x-2 border-b border-ink px-6 pb-1 pt-2 text-13 text-quiet lg:grid lg:grid-cols-[132px_1fr]`}
      >
        <span>Held by</span>
        <div className={`grid gap-x-2 ${columns}`}>
          <span className="pl-2">Tag</span>
          <span>Pump · owner</span>
          <span>Stream</span>
          <span>Next move</span>
          <ReadyAxis today={today} width={200} />
        </div>
      </div>
      {groups.map(({ holder, list }) => {
        const oldest = Math.max(...list.map((strip) => days(strip.holderSince.slice(0, 10), today)));
        return (
          <section
            key={holder}
            aria-label={`Held by ${holderNames[holder]}`}
            className="grid border-b border-line px-6 lg:grid-cols-[132px_1fr]"
          >
            <h2 className="py-2 font-bold">
              <HolderMark holder={holder} />{' '}
              {holderNames[holder].charAt(0).toUpperCase() + holderNames[holder].slice(1)}
              <small className="block text-13 font-normal text-quiet">
                {list.length} {list.length === 1 ? 'pump' : 'pumps'}
                {oldest > 0 && `, oldest ${oldest} d`}
              </small>
            </h2>
            <ul>
              {list.map((strip) => (
                <StripRow key={strip.tag} strip={strip} today={today} />
              ))}
            </ul>
          </section>
        );
      })}
      {!strips.length && <p className="p-6">No pump is in the building. Receive one and it stands here.</p>}
      {next && (
        <Link href={`/?after=${next}`} className="m-6 inline-block font-semibold underline">
          Later promises
        </Link>
      )}
    </div>
  );
}
