'use client';

import dynamic from 'next/dynamic';
import { Link } from '../ui/link';
import { useState, type KeyboardEvent } from 'react';
import type { PartLife, PointHistory, PumpHistory, Spare, VisitTold } from '@/core/history';
import { formatMoney } from '@/core/units';
import { dayWords } from '../plan/plan-words';
import { outcomeWords } from './outcome-words';
import { SparesHeld } from './spares-held';

// The chart's library is fetched only where it is looked at.
const WearChart = dynamic(() => import('./wear-chart').then((module) => module.WearChart), {
  loading: () => <p className="h-[260px]">Drawing the line …</p>,
});

/** A visit whose job was taken out of the record. */
interface ArchivedVisit {
  readonly tag: string;
  readonly closedOn: string;
  readonly outcome: string;
  readonly file: string;
}

export interface PumpView extends PumpHistory {
  readonly archived: readonly ArchivedVisit[];
  readonly maker: string;
  readonly model: string;
  readonly serial: string;
  readonly familyTitle: string;
  readonly liquid: string;
  readonly equipmentNumber: string;
  readonly customer: { readonly id: string; readonly name: string };
  /** The tag of a visit that is not over; null where it is not here. */
  readonly hereAs: string | null;
  readonly olderVisits: number;
  /** Of its parts what lies on our shelf. */
  readonly spares: readonly Spare[];
}

const thousands = (hours: number) => Math.round(hours).toLocaleString('en-GB');

/** How fast a point wears: in micrometres where it is a length. */
function sayRate({ wear, unit }: PointHistory): string {
  const { per1000h, isUnclear } = wear;
  if (per1000h === null) return 'one visit: no rate yet';
  if (isUnclear) return 'cannot be told apart from none';
  if (per1000h < 0) return 'less than it was';
  const inMicrometres = unit === 'mm' ? per1000h * 1000 : per1000h;
  return `${inMicrometres.toFixed(Math.abs(inMicrometres) < 10 ? 1 : 0)} ${unit === 'mm' ? 'µm' : unit}`;
}

/** What that means for the hours to come. */
function sayLeft({ wear }: PointHistory): string {
  if (wear.isOut) return 'out';
  if (!wear.forecast) return wear.usedShare === null ? '' : `${Math.round(wear.usedShare * 100)} % used up`;
  return wear.forecast.hoursLeft > 100_000 ? 'over 100 000 h' : `${thousands(wear.forecast.hoursLeft)} h left`;
}

/** Whether a point says anything of how it wears. */
const isTelling = ({ wear }: PointHistory) => wear.isOut || wear.forecast !== null;

interface PointsProps {
  readonly label: string;
  readonly points: readonly PointHistory[];
  readonly picked: string;
  readonly onPick: (id: string) => void;
}

/** The points, the most urgent first: arrow keys go from one to the next. */
function Points({ label, points, picked, onPick }: PointsProps) {
  const onKey = (event: KeyboardEvent) => {
    const step = { ArrowDown: 1, ArrowUp: -1 }[event.key];
    const next = points[points.findIndex(({ id }) => id === picked) + (step ?? 0)];
    if (!step || !next) return;
    event.preventDefault();
    onPick(next.id);
    document.getElementById(`point-${next.id}`)?.focus();
  };
  const isHere = points.some(({ id }) => id === picked);
  return (
    <ul role="listbox" aria-label={label} onKeyDown={onKey}>
      {points.map((point) => {
        const isPicked = point.id === picked;
        const used = Math.min(1, Math.max(0.12, point.wear.usedShare ?? 0));
        return (
          <li
            key={point.id}
            id={`point-${point.id}`}
            role="option"
            aria-selected={isPicked}
            tabIndex={isPicked || (!isHere && point === points[0]) ? 0 : -1}
            onClick={() => onPick(point.id)}
            className={`row grid min-h-11 cursor-pointer grid-cols-[34px_minmax(0,1fr)_120px_110px] items-center gap-x-2 px-1 first:border-0 ${isPicked ? 'bg-sand' : ''}`}
          >
            <span aria-hidden className="grid place-items-center">
              <span
                className={`pebbly block ${point.wear.isOut ? 'bg-jasper' : 'bg-slate'}`}
                style={{ width: 10 + 20 * used, height: 8 + 16 * used }}
              />
            </span>
            <span>{point.title}</span>
            <span className="num text-right text-13">{sayRate(point)}</span>
            <b className={`text-right text-13 ${point.wear.isOut ? 'text-jasper' : ''}`}>{sayLeft(point)}</b>
          </li>
        );
      })}
    </ul>
  );
}

/** When a point will be out, in hours and days, early, likely and late. */
function Forecast({ point }: { readonly point: PointHistory }) {
  const { forecast, isOut } = point.wear;
  if (isOut) return <p className="font-semibold text-jasper">Out by the last reading that stands.</p>;
  if (!forecast) return <p className="text-quiet">Nothing is foretold: {sayRate(point)}.</p>;
  const [early, likely, late] = forecast.outAtHours.map(thousands);
  return (
    <p>
      <b className="text-jasper">
        Out at {early} to {late} h
      </b>
      , likely {likely} h
      {forecast.outOn && (
        <>
          ; as the hours came so far that is {dayWords(forecast.outOn[0])} to {dayWords(forecast.outOn[2])}, likely{' '}
          {dayWords(forecast.outOn[1])}
        </>
      )}
      .
    </p>
  );
}

/** Parts that were always renewed together as one line. */
function together(lives: readonly PartLife[]) {
  const lines = new Map<string, PartLife & { others: string[] }>();
  for (const life of lives) {
    const key = JSON.stringify(life.spans);
    const line = lines.get(key);
    if (line) line.others.push(life.name);
    else lines.set(key, { ...life, others: [] });
  }
  return [...lines.values()];
}

/** How long parts lasted, on the hours of the chart. */
function Lives({ lives }: { readonly lives: readonly PartLife[] }) {
  const most = Math.max(1, ...lives.flatMap(({ spans }) => spans.map(({ toHours }) => toHours)));
  if (!lives.length) return <p className="text-quiet">No part was renewed here yet.</p>;
  return (
    <ul>
      {together(lives).map(({ ref, name, spans, others }) => (
        <li key={ref} className="grid grid-cols-[170px_minmax(0,1fr)] items-center gap-x-3 py-0.5">
          <span className="text-13" title={others.join(', ')}>
            {name}
            {others.length > 0 && <span className="text-quiet"> and {others.length} more</span>}
          </span>
          <span className="flex h-6 min-w-0">
            {spans.map(({ fromHours, toHours, why }) => (
              <span
                key={fromHours}
                title={`${thousands(toHours - fromHours)} h${why ? `, ended: ${why}` : ' so far'}`}
                className={`flex min-w-0 items-center overflow-hidden border px-1 text-[12px] leading-none whitespace-nowrap ${why ? 'border-slate border-r-4 bg-sheet' : 'border-dashed border-slate'}`}
                style={{ width: `${(100 * (toHours - fromHours)) / most}%` }}
              >
                <b className="num">{((toHours - fromHours) / 1000).toFixed(1)}</b>
                <span className="ml-1 truncate">{why ?? 'so far'}</span>
              </span>
            ))}
          </span>
        </li>
      ))}
    </ul>
  );
}

function VisitCard({ visit, at }: { readonly visit: VisitTold; readonly at: number }) {
  const { netMinor, currency, hoursSince } = visit;
  return (
    <li className="min-w-0 border-t border-ink pt-2">
      <p className="flex items-baseline gap-x-2">
        <b>
          {at} · {dayWords(visit.day)}
        </b>
        <Link href={`/jobs/${visit.tag}`} className="num ml-auto underline underline-offset-4">
          {visit.tag}
        </Link>
      </p>
      <p>“{visit.whyOut || 'no reason written down'}”</p>
      <p className="text-13 text-quiet">
        {visit.contact ?? 'nobody named'}
        {visit.hours !== null && `, ${thousands(visit.hours)} h`}
      </p>
      <p className="text-13">
        {visit.outcome === 'open' && !visit.closedOn ? 'not decided yet' : outcomeWords(visit.outcome)}
        {visit.warranty && `, back within its warranty: ${visit.warranty}`}
        {visit.renewed.length > 0 && `; new: ${visit.renewed.slice(0, 4).join(', ').toLowerCase()}`}
        {visit.renewed.length > 4 && ` and ${visit.renewed.length - 4} more`}
      </p>
      {netMinor !== null && (
        <p>
          <b className="num">{formatMoney({ minor: netMinor, currency })}</b>
          {hoursSince !== null && (
            <span className="text-13 text-quiet">
              {' '}
              {formatMoney({ minor: Math.round((netMinor / hoursSince) * 1000), currency })} per 1 000 h
            </span>
          )}
        </p>
      )}
    </li>
  );
}

/** The memory of a pump: how it wears and when it will be out, how long its parts lasted, what each visit was. */
export function PumpPage({ pump }: { readonly pump: PumpView }) {
  const [first] = pump.points;
  const [picked, setPicked] = useState(first?.id ?? '');
  const point = pump.points.find(({ id }) => id === picked);
  const telling = pump.points.filter(isTelling);
  const silent = pump.points.filter((one) => !isTelling(one));
  return (
    <div>
      <div className="border-b border-ink px-6 py-3">
        <div className="flex flex-wrap items-baseline gap-x-4">
          <h1 className="num text-24 font-bold">{pump.serial}</h1>
          <p>
            {pump.maker} {pump.model}, {pump.equipmentNumber || 'no equipment number'} ·{' '}
            <Link href={`/customers/${pump.customer.id}`} className="underline underline-offset-4">
              {pump.customer.name}
            </Link>{' '}
            · {pump.liquid}
          </p>
          <p className="ml-auto text-quiet">
            {pump.visits.length + pump.olderVisits} {pump.visits.length + pump.olderVisits === 1 ? 'visit' : 'visits'}
            {pump.hereAs && (
              <>
                , here as <b className="text-ink">{pump.hereAs}</b>
              </>
            )}
          </p>
        </div>
        <p className="text-13 text-quiet">{pump.familyTitle}</p>
      </div>
      <div className="grid gap-x-8 gap-y-6 p-6 lg:grid-cols-[minmax(0,1fr)_minmax(0,1.3fr)]">
        <section aria-label="Wear">
          <h2 className="flex border-b border-ink">
            <b className="whitespace-nowrap">Wear per 1 000 h</b>
            <span className="ml-2 text-13 text-quiet">the larger the pebble, the more is used up</span>
          </h2>
          {pump.points.length ? (
            <>
              <Points points={telling} picked={picked} onPick={setPicked} label="Points that wear" />
              {silent.length > 0 && (
                <details>
                  <summary className="min-h-11 cursor-pointer content-center text-quiet">
                    {silent.length} {silent.length === 1 ? 'point' : 'points'} of which no wear can be told
                  </summary>
                  <Points points={silent} picked={picked} onPick={setPicked} label="Other points" />
                </details>
              )}
            </>
          ) : (
            <p className="text-quiet">Nothing was measured yet.</p>
          )}
        </section>
        <div className="min-w-0 space-y-5">
          {point && (
            <section aria-label="Over its visits">
              <h2 className="border-b border-ink font-bold">
                {point.title}, {point.unit}
                <span className="ml-2 text-13 font-normal text-quiet">
                  worst reading at each visit: filled as found, open as left; the grey band is as new
                </span>
              </h2>
              <WearChart key={point.id} point={point} />
              <Forecast point={point} />
            </section>
          )}
          <section aria-label="Spares">
            <h2 className="border-b border-ink font-bold">Spares on our shelf</h2>
            {pump.spares.length ? (
              <SparesHeld spares={pump.spares} />
            ) : (
              <p className="py-1 text-quiet">Nothing of its parts lies here.</p>
            )}
          </section>
          <section aria-label="Lives of parts">
            <h2 className="border-b border-ink font-bold">Lives of parts, thousand hours</h2>
            <Lives lives={pump.lives} />
          </section>
        </div>
        <section aria-label="Visits" className="lg:col-span-2">
          <ol className="grid gap-6 sm:grid-cols-2 lg:grid-cols-4">
            {pump.visits.map((visit, i) => (
              <VisitCard key={visit.tag} visit={visit} at={i + 1} />
            ))}
          </ol>
          {pump.archived.length > 0 && (
            <div className="mt-3">
              <h3 className="font-bold">Taken out of the record</h3>
              <ul>
                {pump.archived.map(({ tag, closedOn, file }) => (
                  <li key={tag} className="row py-1 first:border-0">
                    <b className="num">{tag}</b>, closed on {dayWords(closedOn)}: in the file{' '}
                    <span className="break-all text-13">{file}</span>
                  </li>
                ))}
              </ul>
            </div>
          )}
        </section>
      </div>
    </div>
  );
}
