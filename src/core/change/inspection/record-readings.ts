import type { Family } from '../../family';
import { placeKey, type Phase, type Reading, type Station } from '../../record';
import { parseQuantity } from '../../units';
import { put } from '../change';
import { firstTwice, reason, refuse, refuseChanged, requireStation, type Decider } from '../decision';
import type { RecordReadings } from '../inputs';

export interface Instrument {
  readonly code: string;
  readonly uncertaintyUm: number;
}

type Entry = RecordReadings['entries'][number];

/** Stations at which a point is read, as found and as left. */
const stationsFor: Readonly<Record<Phase, readonly Station[]>> = {
  'as-found': ['teardown', 'clean', 'inspect', 'quote'],
  'as-left': ['rebuild'],
};
/** The longest that a point of a pump can measure, in mm. */
const longestMm = 10_000;

function readLength(typed: string) {
  const parsed = parseQuantity({ text: typed, dimension: 'length', assume: 'mm' });
  if (!parsed.ok) return refuse('bad-input', reason('not-a-length', { sentence: parsed.sentence }), 'typed');
  const { quantity } = parsed;
  if (quantity.value.lt(0) || quantity.value.gt(longestMm))
    refuse('bad-input', reason('length-out-of-reach', { typed, least: 0, most: longestMm }), 'typed');
  return quantity;
}

function checkPlace({ pointId, place }: Entry, family: Family, phase: Phase): void {
  const point = family.points.find((one) => one.id === pointId);
  if (!point) return refuse('bad-input', reason('unknown-point', { point: pointId }), 'pointId');
  if (!point.measured.includes(phase))
    refuse('bad-input', reason('point-not-in-phase', { point: point.title, phase }), 'pointId');
  if (!point.places.some((one) => placeKey(one) === place))
    refuse('bad-input', reason('unknown-place', { point: point.title, place }), 'place');
}

function checkVersion(entry: Entry, theirs: Reading | undefined): void {
  if ((theirs?.version ?? 0) === entry.basedOn) return;
  const why =
    theirs &&
    reason('other-put-here', {
      person: theirs.personName,
      theirs: `${theirs.typed} ${theirs.typedUnit}`,
      yours: entry.typed,
    });
  refuseChanged(theirs, entry, why);
}

function findInstrument(code: string | null, instruments: readonly Instrument[]): Instrument | null {
  if (code === null) return null;
  const found = instruments.find((one) => one.code === code);
  return found ?? refuse('bad-input', reason('unknown-instrument', { instrument: code }), 'instrument');
}

/** Records readings with what was typed, unit and digits, and the gauge they came from. */
export const recordReadings: Decider<RecordReadings, object, { readonly instruments: readonly Instrument[] }> = (
  { record, family, who, facts },
  { phase, entries },
) => {
  requireStation(record, ...stationsFor[phase]);
  const twice = firstTwice(entries.map((entry) => `${entry.pointId} ${entry.place}`));
  if (twice) {
    const [point = '', place = ''] = twice.split(' ');
    refuse('bad-input', reason('place-twice', { point, place }), 'entries');
  }
  const puts = entries.map((entry) => {
    const { pointId, place, typed, basedOn } = entry;
    const quantity = readLength(typed);
    checkPlace(entry, family, phase);
    checkVersion(
      entry,
      record.readings.find((one) => one.phase === phase && one.pointId === pointId && one.place === place),
    );
    const gauge = findInstrument(entry.instrument, facts.instruments);
    return put('reading', {
      ...{ phase, pointId, place, typed, typedUnit: quantity.unit, typedDigits: quantity.digits, ...who },
      valueMm: quantity.value.toDecimalPlaces(6).toNumber(),
      instrument: gauge?.code ?? null,
      uncertaintyUm: gauge?.uncertaintyUm ?? null,
      version: basedOn + 1,
    });
  });
  return { puts, note: { phase, readings: entries.length }, result: {} };
};
