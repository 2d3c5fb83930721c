'use client';

import { memo, useCallback, useMemo, useState } from 'react';
import { readReading, standingReadings } from '@/core/bench';
import { sectionOf } from '@/core/family';
import { judgePoints, type PointState } from '@/core/inspection';
import { asId, placeKey, type Phase, type Place as MeasuringPlace, type Reading } from '@/core/record';
import { remembered } from '@/core/remembered';
import type { LengthDisplay } from '@/core/units';
import { useWaiting } from '../act/use-waiting';
import type { JobView } from '../job/view';
import { LimitStrip } from '../signs/limit-strip';
import { Section, type PinState } from '../signs/section';
import { useRows } from '../ui/later';
import { useAskedPlace, visitNow } from '../ui/use-asked-place';
import { Working } from '../ui/working';
import { EntryBar, leastOf, sayWorst, type Place, type SentReading } from './entry-bar';
import { PointDetail } from './point-detail';

/** Rows that a first screen shows. */
const rowsAtFirst = 10;

const pinOf = (state: PointState): PinState =>
  state.verdict === 'out' || state.verdict === 'tight'
    ? 'out'
    : state.verdict === 'near'
      ? 'near'
      : state.verdict === null
        ? 'to do'
        : 'measured';
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
  const pick = useCallback(
    (pointId: string, place: string | null = null) => setChoice({ pointId, place, visit: visitNow() }),
    [],
  );
  const goOn = ({ point, place }: Place) => {
    const at = places.findIndex((one) => one.point.id === point.id && one.place === place);
    const next = [...places.slice(at + 1), ...places.slice(0, at)].find((one) => !isTaken(one)) ?? places[at + 1];
    if (next) pick(next.point.id, next.place);
  };
  const whole = sectionOf(family);
  // Hundreds of outlines: drawn anew only where a point stands otherwise or another is picked.
  const standing = JSON.stringify(states.map((state) => [state.point.id, pinOf(state)]));
  const section = useMemo(() => {
    const pins = Object.fromEntries(JSON.parse(standing) as [string, PinState][]);
    return (
      <Section
        drawing={{ ...whole, pins: whole.pins.filter((pin) => pins[pin.id] !== undefined) }}
        pins={pins}
        picked={pickedId}
        onPick={pick}
        title="Section with the points of measurement"
      />
    );
  }, [whole, standing, pickedId, pick]);
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
                onPick={pick}
              >
                {state.point.id === pickedId && (
                  <PointDetail
                    view={view}
                    phase={phase}
                    state={state}
                    readings={readings.filter((reading) => reading.pointId === state.point.id)}
                    canEdit={canEdit}
                    onPickPlace={(place) => pick(state.point.id, place)}
                  />
                )}
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

/** One that stands as it stood is not made anew while another is measured. */
const PointRow = memo(function PointRow({
  state,
  display,
  isPicked,
  onPick,
  children,
}: {
  readonly state: PointState;
  readonly display: LengthDisplay;
  readonly isPicked: boolean;
  readonly onPick: (pointId: string) => void;
  /** What stands open beneath it while it is picked. */
  readonly children: React.ReactNode;
}) {
  const { point } = state;
  const isBad = state.verdict === 'out' || state.verdict === 'tight';
  const value = state.worst === null ? '—' : sayWorst(point, state.worst, display);
  return (
    <li
      id={`point-${point.id}`}
      // Painted by itself, and so is what stands in it: a digit typed below paints none of the rows anew.
      className={`row isolate first:border-0 ${isPicked ? 'border-l-4 border-l-jasper bg-sheet' : 'border-l-4 border-l-transparent'}`}
    >
      <div className="isolate grid grid-cols-[34px_minmax(110px,1fr)_auto_104px_32px] items-center gap-x-2">
        <button
          type="button"
          aria-expanded={isPicked}
          onClick={() => onPick(point.id)}
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
      {children}
    </li>
  );
});
