import type { Capture, Family } from '../../family';
import type { CaptureTaken, JobRecord } from '../../record';
import { parseQuantity } from '../../units';
import { put } from '../change';
import { reason, refuse, refuseChanged, requireStation, type Decider } from '../decision';
import type { RecordCapture } from '../inputs';

/** The farthest that a position is looked for, in mm. */
const farthestMm = 10_000;
/** How far a position at rebuild may lie from the one at teardown where the family says nothing, in mm. */
const usualToleranceMm = 0.5;

function findCapture(family: Family, { phase, captureId }: RecordCapture): Capture {
  const found = family[phase].flatMap((step) => step.captures).find((capture) => capture.id === captureId);
  return found ?? refuse('bad-input', reason('unknown-capture', { capture: captureId, phase }), 'captureId');
}

type Read = Pick<CaptureTaken, 'text' | 'valueMm'>;

function readPosition(typed: string): Read {
  const parsed = parseQuantity({ text: typed, dimension: 'length', assume: 'mm' });
  if (!parsed.ok) return refuse('bad-input', reason('not-a-length', { sentence: parsed.sentence }), 'typed');
  if (parsed.quantity.value.abs().gt(farthestMm))
    refuse('bad-input', reason('length-out-of-reach', { typed, least: -farthestMm, most: farthestMm }), 'typed');
  return { text: '', valueMm: parsed.quantity.value.toDecimalPlaces(6).toNumber() };
}

function readTyped(capture: Capture, { typed, photoId }: RecordCapture, record: JobRecord): Read {
  const { kind, ask, choices, unit = '' } = capture;
  if (kind === 'photo') {
    const isOwn = photoId !== null && record.photos.some((photo) => photo.id === photoId);
    return isOwn ? { text: 'photo', valueMm: null } : refuse('bad-input', reason('picture-wanted', { ask }), 'typed');
  }
  if (kind === 'position') return readPosition(typed);
  if (kind === 'value') {
    // Compared only by people: the number as typed, with the unit that the family gives it.
    const isNumber = parseQuantity({ text: typed, dimension: 'number', assume: '' }).ok;
    return isNumber
      ? { text: unit, valueMm: null }
      : refuse('bad-input', reason('not-a-number', { typed, unit }), 'typed');
  }
  if (kind === 'count' && !/^\d{1,4}$/.test(typed)) refuse('bad-input', reason('not-a-count', { typed }), 'typed');
  if (choices && !choices.includes(typed)) refuse('bad-input', reason('not-a-choice', { choices }), 'typed');
  if (!typed) refuse('bad-input', reason('nothing-typed', { ask }), 'typed');
  return { text: typed, valueMm: null };
}

function checkPosition(capture: Capture, valueMm: number, typed: string, before: CaptureTaken): void {
  if (before.valueMm === null) return;
  const byMm = Math.abs(valueMm - before.valueMm);
  const allowedMm = capture.tolerance_mm ?? usualToleranceMm;
  if (byMm > allowedMm + 1e-9)
    refuse('bad-input', reason('differs-from-teardown', { typed, before: before.typed, byMm, allowedMm }), 'typed');
}

const mustEqual: ReadonlySet<Capture['kind']> = new Set(['count', 'orientation', 'thread-hand'] as const);

/** What was captured at teardown must come back at rebuild; a difference needs a reason. */
function checkAgreement(capture: Capture, { valueMm }: Read, command: RecordCapture, record: JobRecord): void {
  if (!capture.agrees_with || command.reason) return;
  const { typed } = command;
  const before = record.captures.find((one) => one.phase === 'teardown' && one.captureId === capture.agrees_with);
  if (!before) return;
  if (capture.kind === 'position' && valueMm !== null) checkPosition(capture, valueMm, typed, before);
  if (mustEqual.has(capture.kind) && typed !== before.typed)
    refuse('bad-input', reason('disagrees-with-teardown', { typed, before: before.typed }), 'typed');
}

/** Records a match mark, position, count, orientation or picture of a step; at rebuild it is compared with teardown. */
export const recordCapture: Decider<RecordCapture, { readonly captureVersion: number }> = (
  { record, family, who },
  command,
) => {
  const { phase, captureId, typed, photoId, basedOn } = command;
  requireStation(
    record,
    ...(phase === 'teardown' ? (['teardown', 'clean', 'inspect'] as const) : ['rebuild' as const]),
  );
  const capture = findCapture(family, command);
  const read = readTyped(capture, command, record);
  checkAgreement(capture, read, command, record);
  const theirs = record.captures.find((one) => one.phase === phase && one.captureId === captureId);
  if ((theirs?.version ?? 0) !== basedOn) refuseChanged(theirs, { typed });
  const text = [read.text, command.reason && `(differs from teardown: ${command.reason})`].filter(Boolean).join(' ');
  const version = basedOn + 1;
  return {
    puts: [put('capture', { phase, captureId, text, valueMm: read.valueMm, typed, photoId, version, ...who })],
    note: { phase, captureId, typed },
    result: { captureVersion: version },
  };
};
