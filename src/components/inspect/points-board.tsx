'use client';

import type { InputOf } from '@/contract';
import { present } from '@/core/present';
import { useEffect, useMemo, useRef, useState, type FormEvent } from 'react';
import { plausibleReading, readReading, sayTool, standingReadings, toolToOffer } from '@/core/bench';
import { sayReason } from '@/core/errors';
import { drawSection, limitsOf, middleOf, sayLimits, stepDecimals, type FamilyPoint } from '@/core/family';
import { judgePoints, type PointState } from '@/core/inspection';
import { asId, placeKey, type Phase, type Place as MeasuringPlace, type Reading, type Tool } from '@/core/record';
import { remembered } from '@/core/remembered';
import { decimalsOf, formatLength, lengthUnit, withLengthUnit, type LengthDisplay } from '@/core/units';
import { act, type ActError } from '../act/act';
import { tellChanged } from '../act/changes';
import { useAct } from '../act/use-act';
import { useDraft } from '../act/use-draft';
import { useWaiting } from '../act/use-waiting';
import { sayDate, type JobView } from '../job/view';
import { LimitStrip } from '../signs/limit-strip';
import { Section, type PinState } from '../signs/section';
import { WithReason } from '../bench/with-reason';
import { Button } from '../ui/form';
import { useRows } from '../ui/later';
import { useAskedPlace, visitNow } from '../ui/use-asked-place';
import { mayDo } from '../ui/whose';
import { Working } from '../ui/working';
import { PointDetail } from './point-detail';

/** Rows that a first screen shows. */
const rowsAtFirst = 10;

interface Place {
  readonly point: FamilyPoint;
  readonly place: string;
}

const pinOf = (state: PointState): PinState =>
  state.verdict === 'out' || state.verdict === 'tight'
    ? 'out'
    : state.verdict === 'near'
      ? 'near'
      : state.verdict === null
        ? 'to do'
        : 'measured';
const sayPlace = (place: string) => {
  const [plane, angle] = place.split(':');
  return `plane ${plane}, ${angle}°`;
};

/** What was typed of a place, as it goes to the shop. */
type SentReading = InputOf<'record-readings'>['entries'][number];

const standingIn = remembered((standing: readonly Reading[], phase: Phase) =>
  standing.filter((reading) => reading.phase === phase),
);

/**
 * Readings as the record has them, with those laid over that still wait on this device, and the one that is on its way:
 * its verdict is here before the shop has answered.
 */
function useReadings(view: JobView, phase: Phase, sent: SentReading | null): readonly Reading[] {
  const { record, family, instruments, person } = view;
  const waiting = useWaiting('record-readings', record.tag);
  return useMemo(() => {
    const standing = standingIn(standingReadings(record, family), phase);
    if (!sent && !waiting.length) return standing;
    const laid = new Map(standing.map((reading) => [`${reading.pointId} ${reading.place}`, reading]));
    const isOnItsWay = ({ pointId, place, basedOn }: SentReading) =>
      (laid.get(`${pointId} ${place}`)?.version ?? 0) <= basedOn;
    const over = waiting.filter((one) => one.phase === phase).map(({ entries }) => entries);
    for (const entries of sent && isOnItsWay(sent) ? [...over, [sent]] : over)
      for (const entry of entries) {
        const point = family.points.find((one) => one.id === entry.pointId);
        const read = point && readReading(entry.typed, point.unit, leastOf(point));
        if (!point || !read?.ok) continue;
        const { value, typedUnit, typedDigits } = read;
        laid.set(`${entry.pointId} ${entry.place}`, {
          phase,
          pointId: entry.pointId,
          place: asId<MeasuringPlace>(entry.place),
          ...{ value, typedUnit, typedDigits, unit: point.unit, typed: entry.typed, round: 0 },
          instrument: entry.instrument,
          uncertainty: instruments.find((one) => one.code === entry.instrument)?.uncertainty ?? null,
          conceded: null,
          version: entry.basedOn,
          personId: null,
          personName: entry === sent ? person.name : `${person.name}, waiting`,
          at: '',
        });
      }
    return [...laid.values()];
  }, [record, family, phase, waiting, sent, instruments, person.name]);
}

/** A difference may lie below nought. */
const leastOf = (point: FamilyPoint) => Math.min(0, plausibleReading(point).min);

function summaryOf(states: readonly PointState[]): string {
  const count = (verdict: string) => states.filter((state) => state.verdict === verdict).length;
  const measured = states.filter((state) => state.verdict !== null).length;
  return [
    `${measured} of ${states.length} measured`,
    count('out') && `${count('out')} out`,
    count('tight') && `${count('tight')} tight`,
    count('near') && `${count('near')} near`,
  ]
    .filter(Boolean)
    .join(' · ');
}

interface Props {
  readonly view: JobView;
  readonly phase: Phase;
  readonly canEdit: boolean;
}

/**
 * Points in the section and in rows with their limit strips; one field at a time waits for a typed or gauged reading.
 */
export function PointsBoard({ view, phase, canEdit }: Props) {
  const { record, family } = view;
  const [sent, setSent] = useState<SentReading | null>(null);
  const readings = useReadings(view, phase, sent);
  const states = useMemo(() => judgePoints({ family, readings, phase }), [family, readings, phase]);
  const places = useMemo<readonly Place[]>(
    () => states.flatMap(({ point }) => point.places.map((place) => ({ point, place: placeKey(place) }))),
    [states],
  );
  const isTaken = ({ point, place }: Place) =>
    readings.some((reading) => reading.pointId === point.id && reading.place === place);
  const { hash, visit } = useAskedPlace();
  const hashPoint = hash.startsWith('#point-') ? hash.slice(7) : undefined;
  const [choice, setChoice] = useState<{ pointId: string; place: string | null; visit: string } | null>(null);
  const firstOpen = places.find((one) => !isTaken(one)) ?? places[0];
  const pickedId = choice && choice.visit === visit ? choice.pointId : (hashPoint ?? firstOpen?.point.id ?? '');
  const ofPoint = places.filter((one) => one.point.id === pickedId);
  const current =
    ofPoint.find((one) => one.place === choice?.place) ?? ofPoint.find((one) => !isTaken(one)) ?? ofPoint[0];
  const pick = (pointId: string, place: string | null = null) => setChoice({ pointId, place, visit: visitNow() });
  const goOn = ({ point, place }: Place) => {
    const at = places.findIndex((one) => one.point.id === point.id && one.place === place);
    const next = [...places.slice(at + 1), ...places.slice(0, at)].find((one) => !isTaken(one)) ?? places[at + 1];
    if (next) pick(next.point.id, next.place);
  };
  const whole = useMemo(() => drawSection(family), [family]);
  // Hundreds of outlines: drawn anew only where a point stands otherwise or another is picked.
  const section = useMemo(
    () => (
      <Section
        drawing={{ ...whole, pins: whole.pins.filter((pin) => states.some((state) => state.point.id === pin.id)) }}
        pins={Object.fromEntries(states.map((state) => [state.point.id, pinOf(state)]))}
        picked={pickedId}
        onPick={(id) => setChoice({ pointId: id, place: null, visit: visitNow() })}
        title="Section with the points of measurement"
      />
    ),
    [whole, states, pickedId],
  );
  const rows = useRows(states, rowsAtFirst);
  const pickedState = states.find((state) => state.point.id === pickedId);
  return (
    <>
      <div className="grid pb-28 lg:grid-cols-[minmax(380px,6fr)_7fr]">
        <section aria-label="Section" className="border-line p-6 lg:border-r">
          <div className="lg:sticky lg:top-4">
            <h2 className="mb-2 font-bold">
              Section <small className="font-normal text-quiet">pick a point</small>
            </h2>
            {section}
            <p className="mt-2 text-13 text-quiet">
              Dark: measured · open: still to do · ochre: near its limit · red square: out
            </p>
          </div>
        </section>
        <section aria-label="Points" className="p-6 lg:pl-4">
          <h2 className="mb-1 font-bold">
            {phase === 'as-found' ? 'Points as found' : 'Points as left'}{' '}
            <small className="font-normal text-quiet">{summaryOf(states)}</small>
          </h2>
          <ol>
            {rows.map((state) => (
              <PointRow
                key={state.point.id}
                state={state}
                display={view.lengthDisplay}
                isPicked={state.point.id === pickedId}
                onPick={() => pick(state.point.id)}
              >
                <PointDetail
                  view={view}
                  phase={phase}
                  state={state}
                  readings={readings.filter((reading) => reading.pointId === state.point.id)}
                  canEdit={canEdit}
                  onPickPlace={(place) => pick(state.point.id, place)}
                />
              </PointRow>
            ))}
          </ol>
        </section>
      </div>
      {canEdit && current && pickedState && !pickedState.point.derived && (
        <EntryBar
          key={`${current.point.id} ${current.place}`}
          view={view}
          phase={phase}
          current={current}
          index={ofPoint.indexOf(current) + 1}
          count={ofPoint.length}
          reading={readings.find((one) => one.pointId === current.point.id && one.place === current.place)}
          state={pickedState}
          onSend={(one) => {
            setSent(one);
            // Its field stays until it is known whether it was taken.
            pick(current.point.id, current.place);
          }}
          onKept={() => goOn(current)}
          tag={record.tag}
        />
      )}
    </>
  );
}

/** The reading that decides, with one decimal more than the gauge shows where it lies between its steps. */
function sayWorst(point: FamilyPoint, worst: number, display: LengthDisplay): string {
  const { decimals, resolution, unit } = limitsOf(point);
  if (unit !== 'mm') return `${Number(worst.toFixed(decimals + 1))} ${unit === 'count' ? '' : unit}`.trim();
  const isBetween = resolution < 0.01 && Math.abs(worst * 1000 - Math.round(worst * 1000)) > 1e-6;
  const digits = decimals + (isBetween ? 1 : 0);
  return display === 'inch' ? formatLength({ mm: worst, digits, display }) : worst.toFixed(digits);
}

function PointRow({
  state,
  display,
  isPicked,
  onPick,
  children,
}: {
  readonly state: PointState;
  readonly display: LengthDisplay;
  readonly isPicked: boolean;
  readonly onPick: () => void;
  readonly children: React.ReactNode;
}) {
  const { point } = state;
  const isBad = state.verdict === 'out' || state.verdict === 'tight';
  const value = state.worst === null ? '—' : sayWorst(point, state.worst, display);
  return (
    <li
      id={`point-${point.id}`}
      className={`row first:border-0 ${isPicked ? 'border-l-4 border-l-jasper bg-sheet' : 'border-l-4 border-l-transparent'}`}
    >
      <div className="grid grid-cols-[34px_minmax(110px,1fr)_auto_104px_32px] items-center gap-x-2">
        <button
          type="button"
          aria-expanded={isPicked}
          onClick={onPick}
          className="col-span-2 grid min-h-12 grid-cols-[34px_1fr] items-center text-left"
        >
          <span className="num text-center font-semibold">{point.number}</span>
          <span className={isPicked ? 'font-bold' : ''}>{point.title}</span>
        </button>
        {state.strip && state.taken + (state.worst === null ? 0 : 1) > 0 ? (
          <LimitStrip
            strip={state.strip}
            width={200}
            isBad={isBad}
            label={`${point.title}: ${state.words}. ${state.reason}`}
          />
        ) : (
          <span className="w-[200px] truncate text-13 text-quiet">
            {point.derived
              ? 'follows from its two parts'
              : `${point.instrument}, ${point.places.length} ${point.places.length === 1 ? 'place' : 'places'}`}
          </span>
        )}
        <span className="text-right">
          <b className="num block">{value}</b>
          <span
            className={`text-13 ${isBad ? 'font-bold text-jasper' : state.verdict === 'near' ? 'font-semibold text-ochre' : 'text-quiet'}`}
          >
            {state.words}
            {!point.derived && state.taken > 0 && state.taken < state.wanted && `, ${state.taken}/${state.wanted}`}
          </span>
        </span>
        <Working steps={state.working} of={point.title} />
      </div>
      {isPicked && children}
    </li>
  );
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

function EntryBar({ view, phase, tag, current, index, count, reading, state, onSend, onKept }: EntryProps) {
  const { point, place } = current;
  const { attempt, error, setError, isSending } = useAct();
  const [typed, setTyped] = useDraft(`${tag}.${phase}.${point.id}.${place}`, reading?.typed ?? '');
  const gauges = gaugesFor(point, view.instruments);
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
  const due = gauges.find((one) => one.code === gauge)?.dueOn;
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
        <div className="min-w-[260px] flex-1 text-13">
          <p className="text-quiet">
            Point {point.number} · {sayPlace(place)} · reading {index} of {count}
            {reading && ` · now ${reading.typed} ${reading.typedUnit} by ${reading.personName}`}
          </p>
          <p className="text-15">
            <b>{point.title}</b> — {point.method}
          </p>
          <p className="num text-quiet">
            {limitWords(point, view.lengthDisplay)}
            {state.worst !== null && ` · worst so far ${sayWorst(point, state.worst, view.lengthDisplay)}`}
          </p>
        </div>
        <label className="text-13 text-quiet">
          <span className="sr-only">Gauge</span>
          <select
            value={gauge}
            onChange={(event) => setGauge(event.target.value)}
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
            <span className={`block ${due < view.today ? 'font-semibold text-jasper' : ''}`}>
              {due < view.today ? 'was due' : 'due'} {sayDate(due)}
            </span>
          )}
        </label>
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
