import { standingReadings, workOf } from '../bench';
import type { Family, Step, StepAction } from '../family';
import { type JobRecord, placeKey, type Station } from '../record';

/** A number that a job waits for, where a sum's result can go. */
export interface Asked {
  readonly kind: 'reading' | 'action';
  readonly label: string;
  readonly unit: 'mm' | 'N·m' | '°C';
  readonly station: Station;
  /** Point or action. */
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
    standingReadings(record, family)
      .filter((reading) => reading.phase === phase)
      .map((reading) => `${reading.pointId} ${reading.place}`),
  );
  const station: Station = phase === 'as-found' ? 'inspect' : 'rebuild';
  return family.points
    .filter((point) => point.measured.includes(phase) && point.unit === 'mm')
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

const units: readonly Asked['unit'][] = ['mm', 'N·m', '°C'];

/** What a number of the bench is called, and its unit; null where the action asks for none that a sum gives. */
function numberOf({ answer }: StepAction, { title }: Step): Pick<Asked, 'label' | 'unit'> | null {
  if (answer?.kind === 'torque') return { label: `Torque: ${title}`, unit: 'N·m' };
  if (answer?.kind === 'heat') return { label: `Bearing temperature: ${title}`, unit: '°C' };
  const isSet = answer?.kind === 'setting' && answer.mode === 'set';
  if (answer?.kind !== 'value' && !isSet) return null;
  const unit = units.find((one) => one === answer.unit);
  return unit ? { label: answer.kind === 'value' ? answer.ask : answer.title, unit } : null;
}

/** Numbers of the bench that are not answered in this round: values, torques, temperatures, figures set. */
function askedOfSteps(record: JobRecord, family: Family, phase: 'teardown' | 'rebuild'): readonly Asked[] {
  return workOf(record, family, phase)
    .filter((work) => !work.isDone)
    .flatMap(({ step, actions, round }) =>
      actions.flatMap(({ action, answer }): readonly Asked[] => {
        const number = answer ? null : numberOf(action, step);
        return number ? [{ kind: 'action', ...number, station: phase, id: action.id, round }] : [];
      }),
    );
}

/**
 * The numbers that a job waits for at its station: positions, readings, torques and bearing temperatures not yet kept.
 */
export function asksOf(record: JobRecord, family: Family): readonly Asked[] {
  if (record.closedAt) return [];
  switch (record.station) {
    case 'teardown':
      return askedOfSteps(record, family, 'teardown');
    case 'inspect':
      return askedReadings({ record, family, phase: 'as-found' });
    case 'rebuild':
      return [...askedOfSteps(record, family, 'rebuild'), ...askedReadings({ record, family, phase: 'as-left' })];
    default:
      return [];
  }
}
