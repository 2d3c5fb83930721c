import {
  plausibleReading,
  readReading,
  roundOfPoint,
  standingReadings,
  toolFault,
  type ReadingRead,
} from '../../bench';
import type { Family, FamilyPoint } from '../../family';
import { dayInZone } from '../../lifecycle/answer-line';
import { placeKey, type Phase, type Reading, type Station, type Tool } from '../../record';
import { put, type PutOf } from '../change';
import { firstTwice, reason, refuse, refuseChanged, requireStation, type Decider, type Given } from '../decision';
import type { ConcedeReadings, RecordReadings } from '../inputs';
import { findTool, type ToolFacts } from '../use-tool';

type Entry = RecordReadings['entries'][number];

/** Stations at which a point is read, as found and as left. */
const stationsFor: Readonly<Record<Phase, readonly Station[]>> = {
  'as-found': ['teardown', 'clean', 'inspect', 'quote'],
  'as-left': ['rebuild'],
};

/** Reads a value; refuses what cannot be read, and what cannot be meant: a minus, a size that is many times off. */
function readTyped(typed: string, point: FamilyPoint): Extract<ReadingRead, { ok: true }> {
  const { min, max } = plausibleReading(point);
  const read = readReading(typed, point.unit, Math.min(0, min));
  if (!read.ok) return refuse('bad-input', read.why, 'typed');
  if (read.value < min || read.value > max)
    refuse('bad-input', reason('not-to-be-meant', { typed, unit: point.unit, min, max }), 'typed');
  return read;
}

function findPlace({ pointId, place }: Entry, family: Family, phase: Phase): FamilyPoint {
  const point = family.points.find((one) => one.id === pointId);
  if (!point) return refuse('bad-input', reason('unknown-point', { point: pointId }), 'pointId');
  if (!point.measured.includes(phase))
    refuse('bad-input', reason('point-not-in-phase', { point: point.title, phase }), 'pointId');
  if (!point.places.some((one) => placeKey(one) === place))
    refuse('bad-input', reason('unknown-place', { point: point.title, place }), 'place');
  return point;
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

interface Gauged {
  readonly gauge: Tool | null;
  /** Why the reading stands though something speaks against its gauge; null where nothing does. */
  readonly conceded: string | null;
}

/** The gauge of an entry; refused where something speaks against it and nobody concedes that. */
function gaugeOf(entry: Entry, { value, unit }: Pick<Reading, 'value' | 'unit'>, asked: Asked): Gauged {
  const { given, concession } = asked;
  const { facts, who } = given;
  const gauge = findTool(entry.instrument ?? '', facts, 'instrument');
  const day = dayInZone(who.at, facts.zone);
  const fault = gauge && toolFault(gauge, { value, unit, day });
  if (fault && concession === null) refuse('bad-input', fault, 'instrument');
  return { gauge, conceded: fault && concession };
}

interface Asked {
  readonly given: Given<ToolFacts>;
  readonly phase: Phase;
  /** Why readings of a gauge that is overdue or out of its range may stand; null where they may not. */
  readonly concession: string | null;
}

function putReading(entry: Entry, asked: Asked): PutOf<'reading'> {
  const { given, phase } = asked;
  const { record, family, who } = given;
  const { pointId, place, typed, basedOn } = entry;
  const point = findPlace(entry, family, phase);
  const { value, typedUnit, typedDigits } = readTyped(typed, point);
  const { unit } = point;
  const theirs = standingReadings(record, family).find(
    (one) => one.phase === phase && one.pointId === pointId && one.place === place,
  );
  checkVersion(entry, theirs);
  const { gauge, conceded } = gaugeOf(entry, { value, unit }, asked);
  return put('reading', {
    ...{ phase, pointId, place, value, unit, typed, typedUnit, typedDigits, ...who },
    round: theirs?.round ?? roundOfPoint(record, family, phase)(pointId),
    instrument: gauge?.code ?? null,
    uncertainty: gauge?.uncertainty ?? null,
    conceded,
    version: basedOn + 1,
  });
}

function readAll(given: Given<ToolFacts>, { phase, entries }: RecordReadings, concession: string | null) {
  requireStation(given.record, ...stationsFor[phase]);
  const twice = firstTwice(entries.map((entry) => `${entry.pointId} ${entry.place}`));
  if (twice) {
    const [point = '', place = ''] = twice.split(' ');
    refuse('bad-input', reason('place-twice', { point, place }), 'entries');
  }
  const puts = entries.map((entry) => putReading(entry, { given, phase, concession }));
  if (concession !== null && puts.every(({ row }) => row.conceded === null))
    refuse('bad-input', reason('nothing-to-concede'), 'reason');
  return { puts, note: { phase, readings: entries.length, ...(concession && { concession }) }, result: {} };
}

/** Records readings with what was typed, unit and digits, and the gauge they came from. */
export const recordReadings: Decider<RecordReadings, object, ToolFacts> = (given, command) =>
  readAll(given, command, null);

/** Lets readings stand that a gauge gave which is overdue or out of its range: by name, with a reason. */
export const concedeReadings: Decider<ConcedeReadings, object, ToolFacts> = (given, { reason: why, ...command }) =>
  readAll(given, command, why);
