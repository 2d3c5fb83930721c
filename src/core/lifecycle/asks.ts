import type { Family } from '@/core/family';
import { placeKey, rebuildRound, type JobRecord, type Station } from '@/core/record';

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
    .filter((point) => point.when.includes(phase))
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

/** The numbers that a job waits for at its station: positions, readings, torques and bearing temperatures not yet kept. */
export function asksOf(record: JobRecord, family: Family): readonly Asked[] {
  const { station } = record;
  if (record.closedAt || (station !== 'teardown' && station !== 'inspect' && station !== 'rebuild')) return [];
  if (station === 'inspect') return askedReadings({ record, family, phase: 'as-found' });
  const taken = new Set(
    record.captures.filter((capture) => capture.phase === station).map((capture) => capture.captureId),
  );
  const positions = family[station].flatMap((step) =>
    step.captures
      .filter((capture) => capture.kind === 'position' && !taken.has(capture.id))
      .map((capture) => ({
        kind: 'capture' as const,
        label: capture.ask,
        unit: 'mm' as const,
        station,
        id: capture.id,
      })),
  );
  if (station === 'teardown') return positions;
  const round = rebuildRound(record);
  const done = new Set(
    record.steps.filter((step) => step.phase === 'rebuild' && step.round === round).map((step) => step.stepId),
  );
  const ofSteps = family.rebuild
    .filter((step) => !done.has(step.id))
    .flatMap((step): Asked[] => [
      ...(step.torque
        ? [
            {
              kind: 'torque' as const,
              label: `Torque: ${step.title}`,
              unit: 'N·m' as const,
              station: station as Station,
              id: step.id,
              round,
            },
          ]
        : []),
      ...(step.heat
        ? [
            {
              kind: 'temperature' as const,
              label: `Bearing temperature: ${step.title}`,
              unit: '°C' as const,
              station: station as Station,
              id: step.id,
              round,
            },
          ]
        : []),
    ]);
  return [...positions, ...ofSteps, ...askedReadings({ record, family, phase: 'as-left' })];
}
