'use client';

import { ofText } from '../ui/of-text';
import { Link } from '../ui/link';
import type { ReadyRange } from '@/core/planning';
import { startTransition, useEffect, useState } from 'react';
import { formatMoney } from '@/core/units';
import { holderNames, stationNames, stations, type Holder, type Station } from '@/core/record';
import { ReadyAxis, ReadyBar } from '../signs/ready-range';
import { HolderMark, Stream } from '../signs/stream';
import { useRenewal } from './use-renewal';
import { ListLink } from '../ui/list-link';

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
  /** What limits it in the plan; empty where it is in none. */
  readonly limit: string;
  /** Whether its next move, or something open beside it, is for the person who looks. */
  readonly needsMe: boolean;
  readonly promisedOn: string;
}

const order: readonly Holder[] = ['U', 'C', 'B', 'S', 'P', 'O'];
const days = (from: string, to: string) => Math.round((Date.parse(to) - Date.parse(from)) / 86_400_000);
const skippedWhenDeclined = stations.slice(stations.indexOf('parts'), stations.indexOf('return'));
const columns =
  'lg:grid-cols-[84px_minmax(180px,1.35fr)_214px_minmax(180px,1fr)_200px] 2xl:grid-cols-[84px_minmax(180px,1.2fr)_214px_minmax(180px,1.2fr)_420px]';
const barWidth = 'w-[200px] 2xl:w-[420px]';

/** How much the promise is at risk: days that the late end passes it. */
const risk = (strip: Strip) => days(strip.promisedOn, strip.ready.late);

/** A span of days in words. */
const sayDays = (from: string, to: string, today: string) =>
  from === to ? shortDay(from, today) : `${shortDay(from, today)} to ${shortDay(to, today)}`;

const shortDays = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', timeZone: 'UTC' });
/** A day in a list, with its year where that is another than today's. */
function shortDay(day: string, today: string): string {
  const said = shortDays.format(new Date(`${day}T00:00:00Z`));
  return day.slice(0, 4) === today.slice(0, 4) ? said : `${said} ${day.slice(0, 4)}`;
}

/** The ready range in words, where there is no room for its picture. */
function ReadyWords({ strip: { ready, promisedOn }, today }: RowProps) {
  const isLate = ready.late > promisedOn;
  return (
    <span className="col-span-2 text-13 lg:hidden">
      ready {sayDays(ready.early, ready.late, today)},{' '}
      <b className={isLate ? 'text-jasper' : ''}>
        promised {shortDay(promisedOn, today)}
        {isLate && (ready.early > promisedOn ? ', late' : ', at risk')}
      </b>
    </span>
  );
}

interface RowProps {
  readonly strip: Strip;
  readonly today: string;
}

function StripRow({ strip, today }: RowProps) {
  const { ready, promisedOn } = strip;
  return (
    <li className="row break-inside-avoid first:border-0 [content-visibility:auto] [contain-intrinsic-size:auto_39px]">
      <Link
        href={`/jobs/${strip.tag}`}
        data-next={strip.needsMe ? '' : undefined}
        title={strip.limit && `Limited by: ${strip.limit}`}
        className={`grid grid-cols-[84px_1fr] items-center gap-x-2 py-1 hover:bg-sheet ${columns}`}
      >
        <b className="num pl-2">{strip.tag}</b>
        <span>
          {strip.pump} · {strip.customer}
        </span>
        <span className="hidden lg:block">
          <Stream
            station={strip.station}
            holder={strip.holder}
            isStopped={strip.onHold}
            skipped={strip.outcome === 'declined' ? skippedWhenDeclined : []}
          />
        </span>
        <span className="col-span-2 lg:col-span-1">
          <span className="lg:hidden">{stationNames[strip.station]}: </span>
          <b className="font-semibold">{strip.move}</b>
          {strip.asks.length > 0 && <b className="text-ochre"> · {strip.asks.join('; ')}</b>}
          {strip.detail && ` — ${strip.detail}`}
        </span>
        <span className="hidden lg:block">
          <ReadyBar {...{ ready, promisedOn, today }} className={barWidth} />
        </span>
        <ReadyWords {...{ strip, today }} />
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

/** Those that are late by most first. Reading dates takes longer than comparing them: each is read once. */
function byRisk(strips: readonly Strip[]): readonly Strip[] {
  const risks = strips.map((strip) => ({ strip, late: risk(strip) }));
  return risks.toSorted((one, other) => other.late - one.late).map(({ strip }) => strip);
}

/** How many strips come with the page itself; more than a screen shows. */
const withThePage = 24;
/** The height of a usual strip, in px: it is kept free for those that are still to come. */
const stripPx = 39;

/** Whether the page is alive: the strips beyond the first are drawn then, a few at a time. */
function useAlive(): boolean {
  const [isAlive, setAlive] = useState(false);
  useEffect(() => startTransition(() => setAlive(true)), []);
  return isAlive;
}

interface GroupProps {
  readonly name: string;
  readonly holder: Holder | null;
  readonly list: readonly Strip[];
  readonly today: string;
  /** How many of its strips are drawn. */
  readonly drawn: number;
}

/** Strips under a head: those for who looks, or those that somebody holds. */
function Group({ name, holder, list, today, drawn }: GroupProps) {
  const oldest = Math.max(...list.map((strip) => days(strip.holderSince.slice(0, 10), today)));
  return (
    <section aria-label={name} className="grid border-b border-line px-6 lg:grid-cols-[132px_1fr]">
      <h2 className="py-2 font-bold">
        {holder ? (
          <>
            <HolderMark holder={holder} /> {holderNames[holder].charAt(0).toUpperCase() + holderNames[holder].slice(1)}
          </>
        ) : (
          name
        )}
        <small className="block text-13 font-normal text-quiet">
          {list.length} {list.length === 1 ? 'pump' : 'pumps'}
          {oldest > 0 && `, oldest ${oldest} d`}
        </small>
      </h2>
      <ul>
        {list.slice(0, drawn).map((strip) => (
          <StripRow key={strip.tag} strip={strip} today={today} />
        ))}
        {drawn < list.length && <li aria-hidden="true" style={{ height: (list.length - drawn) * stripPx }} />}
      </ul>
    </section>
  );
}

function Heads({ today }: { readonly today: string }) {
  return (
    <div className="hidden items-end gap-x-2 border-b border-ink px-6 pb-1 pt-2 text-13 text-quiet lg:grid lg:grid-cols-[132px_1fr]">
      <span>Held by</span>
      <div className={`grid gap-x-2 ${columns}`}>
        <span className="pl-2">Tag</span>
        <span>Pump · owner</span>
        <span>Stream</span>
        <span>Next move</span>
        <ReadyAxis today={today} className={barWidth} />
      </div>
    </div>
  );
}

/** The strips for who looks, then those of each who holds any; of all together the first `most` are drawn. */
function groupsOf(strips: readonly Strip[], most: number) {
  let left = most;
  return [null, ...order].flatMap((holder) => {
    const isOf = ({ needsMe, holder: own }: Strip) => (holder === null ? needsMe : !needsMe && own === holder);
    const list = byRisk(strips.filter(isOf));
    const drawn = Math.min(left, list.length);
    left -= drawn;
    return list.length ? [{ holder, list, drawn }] : [];
  });
}

interface Props {
  /** Another one whenever the floor would show something else. */
  readonly version: string;
  readonly today: string;
  readonly currency: string;
  readonly strips: readonly Strip[];
  readonly next: string | null;
}

/**
 * The floor: one strip a pump; first those that need who looks, then by who holds them, each ordered by how much the
 * promise is at risk. It is read anew by itself when something changes.
 */
export function Floor({ version, today, currency, strips, next }: Props) {
  const silentSince = useRenewal(version);
  const isAlive = useAlive();
  const groups = groupsOf(strips, isAlive ? strips.length : withThePage);
  return (
    <div>
      <h1 className="sr-only">Floor</h1>
      {silentSince && (
        <p role="status" className="border-b border-line px-6 py-1 text-13">
          No line to the shop since {silentSince}: what stands here is from before.
        </p>
      )}
      <AtRisk strips={strips} currency={currency} />
      <Heads today={today} />
      {groups.map(({ holder, ...group }) => (
        <Group
          key={holder}
          name={holder ? `Held by ${holderNames[holder]}` : 'For you'}
          {...{ holder, today, ...group }}
        />
      ))}
      {!strips.length && <p className="p-6">No pump is in the building. Receive one and it stands here.</p>}
      {strips.length > 0 && (
        <p className="px-6 pt-4">
          <ListLink list="floor" words="All that is in the building as CSV" />
        </p>
      )}
      {next && (
        <Link href={`/?after=${next}`} className="m-6 inline-block font-semibold underline print:hidden">
          Later promises
        </Link>
      )}
    </div>
  );
}

export const FloorOfText = ofText(Floor);
