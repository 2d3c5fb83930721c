import type { Family } from '@/core/family';
import { type CapturePhase, type JobRecord, placeKey, rebuildRound, type Station } from '@/core/record';

/** A number that a job waits for, where a sum's result can go. */
export interface Asked {
  readonly kind: 'reading' | 'capture' | 'torque' | 'temperature';
  readonly label: string;
  readonly unit: 'mm' | 'N·m' | '°C';
  readonly station: Station;
  /** Point, capture or step. */
  readonly id: string;
  readonly place?: string;
  readonly round?: number;
}

function askedReadings({
  record,
  family,
  phase,
}: {
  readonly record: JobRecord;
  readonly family: Family;
  readonly phase: 'as-found' | 'as-left';
}): readonly Asked[] {
  const kept = new Set(
    record.readings
      .filter((reading) => reading.phase === phase)
      .map((reading) => `${reading.pointId} ${reading.place}`),
  );
  const station: Station = phase === 'as-found' ? 'inspect' : 'rebuild';
  return family.points
    .filter((point) => point.measured.includes(phase))
    .flatMap((point) =>
      point.places.map((place) => ({
        kind: 'reading' as const,
        label: `${point.title}, plane ${place.plane} at ${place.angle_deg}°`,
        unit: 'mm' as const,
        station,
        id: point.id,
        place: placeKey(place),
      })),
    )
    .filter((asked) => !kept.has(`${asked.id} ${asked.place}`));
}

function askedPositions(record: JobRecord, family: Family, station: CapturePhase): readonly Asked[] {
  const taken = new Set(
    record.captures.filter((capture) => capture.phase === station).map((capture) => capture.captureId),
  );
  return family[station]
    .flatMap((step) => step.captures)
    .filter((capture) => capture.kind === 'position' && !taken.has(capture.id))
    .map(({ ask, id }) => ({ kind: 'capture', label: ask, unit: 'mm', station, id }));
}

/** Torques and bearing temperatures of rebuild steps that are not done in this round. */
function askedOfSteps(record: JobRecord, family: Family): readonly Asked[] {
  const round = rebuildRound(record);
  const own = record.steps.filter((step) => step.phase === 'rebuild' && step.round === round);
  const done = new Set(own.map((step) => step.stepId));
  return family.rebuild
    .filter((step) => !done.has(step.id))
    .flatMap(({ torque, heat, title, id }) => {
      const here = { station: 'rebuild', id, round } as const;
      const asked: Asked[] = [];
      if (torque) asked.push({ kind: 'torque', label: `Torque: ${title}`, unit: 'N·m', ...here });
      if (heat) asked.push({ kind: 'temperature', label: `Bearing temperature: ${title}`, unit: '°C', ...here });
      return asked;
    });
}

/**
 * The numbers that a job waits for at its station: positions, readings, torques and bearing temperatures not yet kept.
 */
export function asksOf(record: JobRecord, family: Family): readonly Asked[] {
  if (record.closedAt) return [];
  switch (record.station) {
    case 'teardown':
      return askedPositions(record, family, 'teardown');
    case 'inspect':
      return askedReadings({ record, family, phase: 'as-found' });
    case 'rebuild':
      return [
        ...askedPositions(record, family, 'rebuild'),
        ...askedOfSteps(record, family),
        ...askedReadings({ record, family, phase: 'as-left' }),
      ];
    default:
      return [];
  }
}
