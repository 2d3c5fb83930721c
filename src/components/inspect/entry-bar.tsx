'use client';

import { memo, useEffect, useMemo, useRef, useState, type FormEvent } from 'react';
import type { InputOf } from '@/contract';
import { plausibleReading, readReading, sayTool, toolToOffer } from '@/core/bench';
import { sayReason } from '@/core/errors';
import { limitsOf, middleOf, sayLimits, stepDecimals, type FamilyPoint } from '@/core/family';
import type { PointState } from '@/core/inspection';
import { present } from '@/core/present';
import type { Phase, Reading, Tool } from '@/core/record';
import { decimalsOf, formatLength, lengthUnit, withLengthUnit, type LengthDisplay } from '@/core/units';
import { act, type ActError } from '../act/act';
import { tellChanged } from '../act/changes';
import { useAct } from '../act/use-act';
import { useDraft } from '../act/use-draft';
import { WithReason } from '../bench/with-reason';
import { sayDate, type JobView } from '../job/view';
import { Button } from '../ui/form';
import { mayDo } from '../ui/whose';

/** A point and one of its places. */
export interface Place {
  readonly point: FamilyPoint;
  readonly place: string;
}

const sayPlace = (place: string) => {
  const [plane, angle] = place.split(':');
  return `plane ${plane}, ${angle}°`;
};

/** What was typed of a place, as it goes to the shop. */
export type SentReading = InputOf<'record-readings'>['entries'][number];

/** A difference may lie below nought. */
export const leastOf = (point: FamilyPoint) => Math.min(0, plausibleReading(point).min);

/** The reading that decides, with one decimal more than the gauge shows where it lies between its steps. */
export function sayWorst(point: FamilyPoint, worst: number, display: LengthDisplay): string {
  const { decimals, resolution, unit } = limitsOf(point);
  if (unit !== 'mm') return `${Number(worst.toFixed(decimals + 1))} ${unit === 'count' ? '' : unit}`.trim();
  const isBetween = resolution < 0.01 && Math.abs(worst * 1000 - Math.round(worst * 1000)) > 1e-6;
  const digits = decimals + (isBetween ? 1 : 0);
  return display === 'inch' ? formatLength({ mm: worst, digits, display }) : worst.toFixed(digits);
}

interface EntryProps {
  readonly view: JobView;
  readonly phase: Phase;
  readonly tag: string;
  readonly current: Place;
  readonly index: number;
  readonly count: number;
  readonly reading: Reading | undefined;
  readonly state: PointState;
  /** Tells what goes to the shop, and null when it was not taken. */
  readonly onSend: (sent: SentReading | null) => void;
  readonly onKept: () => void;
}

interface Theirs {
  readonly typed: string;
  readonly typedUnit: string;
  readonly version: number;
  readonly personName: string;
}

function limitWords(point: FamilyPoint, display: LengthDisplay): string {
  if (point.limits) {
    const { asNew, reuse } = sayLimits(point);
    return `new ${asNew} · reuse ${reuse}`;
  }
  const limits = [point.new_mm?.min, point.new_mm?.max, point.reuse_mm?.min, point.reuse_mm?.max];
  const digits = decimalsOf(
    limits.filter((one) => one !== undefined),
    stepDecimals(point.resolution_mm),
  );
  const say = (mm: number) => formatLength({ mm, digits, display });
  const reuse = [
    point.reuse_mm?.min !== undefined && `from ${say(point.reuse_mm.min)}`,
    point.reuse_mm?.max !== undefined && `to ${say(point.reuse_mm.max)}`,
  ]
    .filter(Boolean)
    .join(' ');
  return `new ${say(present(point.new_mm).min)} to ${say(present(point.new_mm).max)}${reuse && ` · reuse ${reuse}`}`;
}

function gaugesFor(point: FamilyPoint, instruments: readonly Tool[]): readonly Tool[] {
  return instruments.filter((one) => one.kind === point.instrument);
}

const refused = (what: string): ActError => ({
  code: 'bad-input',
  what,
  kept: 'What you typed is still in the field.',
  todo: 'Correct it and keep it again.',
  issues: [],
});

/** What is asked for, with its limits; it stays as it is while a figure is typed. */
const AskedPoint = memo(function AskedPoint({
  point,
  place,
  index,
  count,
  reading,
  worst,
  display,
}: Pick<EntryProps, 'index' | 'count' | 'reading'> & Place & { worst: number | null; display: LengthDisplay }) {
  return (
    <div className="min-w-[260px] flex-1 text-13">
      <p className="text-quiet">
        Point {point.number} · {sayPlace(place)} · reading {index} of {count}
        {reading && ` · now ${reading.typed} ${reading.typedUnit} by ${reading.personName}`}
      </p>
      <p className="text-15">
        <b>{point.title}</b> — {point.method}
      </p>
      <p className="num text-quiet">
        {limitWords(point, display)}
        {worst !== null && ` · worst so far ${sayWorst(point, worst, display)}`}
      </p>
    </div>
  );
});

/** The tools that can take a reading, with the day on which the chosen one is due. */
const GaugeChooser = memo(function GaugeChooser({
  gauges,
  gauge,
  today,
  onChoose,
}: {
  readonly gauges: readonly Tool[];
  readonly gauge: string;
  readonly today: string;
  readonly onChoose: (code: string) => void;
}) {
  const due = gauges.find((one) => one.code === gauge)?.dueOn;
  return (
    <label className="text-13 text-quiet">
      <span className="sr-only">Gauge</span>
      <select
        value={gauge}
        onChange={(event) => onChoose(event.target.value)}
        aria-label="Gauge"
        className="field max-w-[240px]"
      >
        {gauges.map((one) => (
          <option key={one.code} value={one.code}>
            {one.code}, {sayTool(one)}
          </option>
        ))}
        <option value="">no gauge named</option>
      </select>
      {due && (
        <span className={`block ${due < today ? 'font-semibold text-jasper' : ''}`}>
          {due < today ? 'was due' : 'due'} {sayDate(due)}
        </span>
      )}
    </label>
  );
});

/** One field that waits for a typed or gauged reading of a place. */
export function EntryBar({ view, phase, tag, current, index, count, reading, state, onSend, onKept }: EntryProps) {
  const { point, place } = current;
  const { attempt, error, setError, isSending } = useAct();
  const [typed, setTyped] = useDraft(`${tag}.${phase}.${point.id}.${place}`, reading?.typed ?? '');
  const gauges = useMemo(() => gaugesFor(point, view.instruments), [point, view.instruments]);
  const isLength = point.unit === 'mm';
  const said = isLength ? withLengthUnit(typed, view.lengthDisplay) : typed.trim();
  const read = said ? readReading(said, point.unit, leastOf(point)) : null;
  const use = { value: read?.ok ? read.value : middleOf(point), unit: point.unit, day: view.today };
  const offered = gauges[0] && toolToOffer(gauges, gauges[0].kind, use);
  const [ownGauge, setGauge] = useState(reading?.instrument ?? null);
  const gauge = ownGauge ?? offered?.code ?? '';
  const field = useRef<HTMLInputElement>(null);
  useEffect(() => field.current?.focus({ preventScroll: true }), []);
  const keep = async (basedOn: number, concession?: string) => {
    if (!read?.ok) return (setError(refused(read ? sayReason(read.why) : 'Nothing is typed yet.')), false);
    const sent = { pointId: point.id, place, typed: said, instrument: gauge || null, basedOn };
    const entries = [sent];
    onSend(sent);
    const about = {
      label: `${point.title}, ${sayPlace(place)}: ${typed}`,
      place: `${tag} ${phase} ${point.id} ${place}`,
    };
    const outcome =
      concession === undefined
        ? await attempt('record-readings', { tag, phase, entries }, about)
        : await attempt('concede-readings', { tag, phase, entries, reason: concession }, about);
    if (outcome !== 'kept') onSend(null);
    if (outcome === 'refused') return false;
    setTyped(null);
    onKept();
    return true;
  };
  const isGaugeRefused = error?.issues.some(({ path }) => path === 'instrument') ?? false;
  const mayConcede = isGaugeRefused && mayDo(view.audiences, 'concede-readings', view.person.role);
  const submit = (event: FormEvent) => {
    event.preventDefault();
    void keep(reading?.version ?? 0);
  };
  const press = async () => {
    const answer = await act('read-gauge', { tag, phase, pointId: point.id, place });
    // The gauge reads millimetres, whatever the shop's screens show.
    if (answer.ok) setTyped(isLength && view.lengthDisplay === 'inch' ? `${answer.data.typed} mm` : answer.data.typed);
    else if ('error' in answer) setError(answer.error);
    field.current?.focus();
  };
  const theirs = error?.code === 'changed-meanwhile' ? (error.theirs as Theirs | undefined) : undefined;
  return (
    <section
      aria-label="Reading to enter"
      className="fixed inset-x-0 bottom-[58px] z-20 border-t-2 border-ink bg-sand px-6 py-2"
    >
      {error && (
        <div role="alert" data-entry-error className="mb-1 border-l-4 border-jasper bg-sheet px-3 py-1 text-13">
          <b>{error.what}</b> {error.kept} {error.todo}
          {theirs && (
            <span className="ml-2 inline-flex gap-2">
              <Button tone="plain" onClick={() => keep(theirs.version)}>
                Mine stands: {typed}
              </Button>
              <Button tone="plain" onClick={() => (setTyped(null), setError(null), void tellChanged(tag))}>
                Theirs stands: {theirs.typed} {theirs.typedUnit}
              </Button>
            </span>
          )}
        </div>
      )}
      {mayConcede && (
        <WithReason
          words={`Let “${typed}” by ${gauge} stand, with a reason`}
          label={`Why “${typed}” by ${gauge} may stand`}
          button={`Concede as ${view.person.name}`}
          isBusy={isSending}
          send={(why) => keep(reading?.version ?? 0, why)}
        />
      )}
      <form onSubmit={submit} className="flex flex-wrap items-center gap-x-4 gap-y-1">
        <AskedPoint {...{ point, place, index, count, reading }} worst={state.worst} display={view.lengthDisplay} />
        <GaugeChooser gauges={gauges} gauge={gauge} today={view.today} onChoose={setGauge} />
        <div className="frame flex items-center gap-2 rounded-[12px_10px_13px_9px] border-2 border-ink bg-sheet pr-3">
          <input
            ref={field}
            aria-label={`Reading of ${point.title}, ${sayPlace(place)}`}
            value={typed}
            onChange={(event) => (setTyped(event.target.value), setError(null))}
            inputMode="decimal"
            autoComplete="off"
            className="framed num min-h-14 w-[150px] bg-transparent pl-3 text-right text-24 font-bold"
          />
          <span className="text-quiet">{isLength ? lengthUnit(view.lengthDisplay) : point.unit}</span>
        </div>
        <Button onClick={press} disabled={isSending}>
          Gauge
        </Button>
        <Button
          verb="record-readings"
          type="submit"
          tone="main"
          data-next
          disabled={isSending}
          className="min-h-14 min-w-[170px]"
        >
          Keep and go on
        </Button>
      </form>
    </section>
  );
}
