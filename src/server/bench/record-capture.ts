import * as z from 'zod';
import { DomainError } from '@/core/errors';
import type { Capture, Family } from '@/core/family';
import type { JobRecord } from '@/core/record';
import { parseQuantity } from '@/core/units';
import { putCapture } from '@/db';
import { changeJob, requireStation } from '../change-job';
import { basedOn, defineUseCase, optionalText, tagField } from '../use-case';

const input = z.strictObject({
  tag: tagField,
  phase: z.enum(['teardown', 'rebuild']),
  captureId: z.string().max(60),
  typed: optionalText(300),
  photoId: z.string().max(36).nullable().default(null),
  reason: optionalText(500),
  basedOn,
});
type Input = z.infer<typeof input>;

function findCapture(family: Family, { phase, captureId }: Input): Capture {
  const found = (phase === 'teardown' ? family.teardown : family.rebuild)
    .flatMap((step) => step.captures)
    .find((capture) => capture.id === captureId);
  if (!found) throw new DomainError('bad-input', { what: `${captureId} is not asked for in ${phase}.` });
  return found;
}

function refuse(what: string): never {
  throw new DomainError('bad-input', { what, issues: [{ path: 'typed', message: what }] });
}

interface Read {
  readonly text: string;
  readonly valueMm: string | null;
}

function readTyped(capture: Capture, { typed, photoId }: Input, record: JobRecord): Read {
  if (capture.kind === 'photo') {
    if (!photoId || !record.photos.some((photo) => photo.id === photoId))
      refuse(`${capture.ask}: take or choose a picture first.`);
    return { text: 'photo', valueMm: null };
  }
  if (capture.kind === 'position') {
    const parsed = parseQuantity({ text: typed, dimension: 'length', assume: 'mm' });
    if (!parsed.ok) refuse(parsed.sentence);
    if (parsed.quantity.value.abs().gt(10000)) refuse(`${typed} is more than ten metres.`);
    return { text: '', valueMm: parsed.quantity.value.toFixed(6) };
  }
  if (capture.kind === 'value') {
    // Compared only by people: the number as typed, with the unit that the family gives it.
    if (!parseQuantity({ text: typed, dimension: 'number', assume: '' }).ok)
      refuse(`"${typed}" is not a number${capture.unit ? ` in ${capture.unit}; type it without the unit` : ''}.`);
    return { text: capture.unit ?? '', valueMm: null };
  }
  if (capture.kind === 'count' && !/^\d{1,4}$/.test(typed)) refuse(`"${typed}" is not a count.`);
  if (capture.choices && !capture.choices.includes(typed)) refuse(`Choose ${capture.choices.join(' or ')}.`);
  if (!typed) refuse(`${capture.ask}: nothing is typed yet.`);
  return { text: typed, valueMm: null };
}

/** What was captured at teardown must come back at rebuild; a difference needs a reason. */
function checkAgreement(capture: Capture, read: Read, { typed, reason }: Input, record: JobRecord): void {
  if (!capture.agrees_with || reason) return;
  const before = record.captures.find((one) => one.phase === 'teardown' && one.captureId === capture.agrees_with);
  if (!before) return;
  if (capture.kind === 'position' && before.valueMm !== null && read.valueMm !== null) {
    const difference = Math.abs(Number(read.valueMm) - before.valueMm);
    const allowed = capture.tolerance_mm ?? 0.5;
    if (difference > allowed + 1e-9)
      refuse(
        `${typed} differs from ${before.typed} at teardown by ${difference.toFixed(2)} mm, allowed ${allowed} mm. Measure again, or give the reason.`,
      );
  }
  const mustEqual = capture.kind === 'count' || capture.kind === 'orientation' || capture.kind === 'thread-hand';
  if (mustEqual && typed !== before.typed)
    refuse(`"${typed}" does not agree with "${before.typed}" at teardown. Look again, or give the reason.`);
}

/** Records a match mark, position, count, orientation or picture of a step; at rebuild it is compared with teardown. */
export const recordCapture = defineUseCase<Input, { version: number }>({
  verb: 'record-capture',
  audience: ['technician', 'inspector'],
  input: input as z.ZodType<Input>,
  async run(context, given) {
    return changeJob(
      context,
      { tag: given.tag, kind: 'record-capture' },
      async ({ connection, record, family, who }) => {
        requireStation(
          record,
          ...(given.phase === 'teardown' ? (['teardown', 'clean', 'inspect'] as const) : (['rebuild'] as const)),
        );
        const capture = findCapture(family, given);
        const read = readTyped(capture, given, record);
        checkAgreement(capture, read, given, record);
        const stored = record.captures.find((one) => one.phase === given.phase && one.captureId === given.captureId);
        const text = [read.text, given.reason && `(differs from teardown: ${given.reason})`].filter(Boolean).join(' ');
        const row = {
          jobId: record.id,
          phase: given.phase,
          captureId: given.captureId,
          text,
          valueMm: read.valueMm,
          typed: given.typed,
          photoId: given.photoId,
          ...who,
        };
        if ((stored?.version ?? 0) !== given.basedOn || !(await putCapture(connection, row, given.basedOn)))
          throw new DomainError('changed-meanwhile', { theirs: stored, yours: { typed: given.typed } });
        return {
          result: {},
          data: {
            phase: given.phase,
            captureId: given.captureId,
            typed: given.typed,
            text,
            valueMm: read.valueMm,
            photoId: given.photoId,
          },
        };
      },
    );
  },
});
