import * as z from 'zod';
import { actions, phases, pointDecisions } from '../../record';
import { basedOn, elementId, findingId, optionalText, photoId, placeField, sentence, tagField } from './fields';

const readingEntry = z.strictObject({
  pointId: elementId,
  place: placeField,
  typed: z.string().trim().max(60),
  instrument: z.string().max(20).nullable(),
  basedOn,
});

export const recordReadingsInput = z.strictObject({
  tag: tagField,
  phase: z.enum(phases),
  entries: z.array(readingEntry).min(1, 'no reading is given').max(300),
});
export type RecordReadings = z.output<typeof recordReadingsInput>;

export const concedeReadingsInput = recordReadingsInput.extend({ reason: sentence(500) });
export type ConcedeReadings = z.output<typeof concedeReadingsInput>;

export const readGaugeInput = z.strictObject({
  tag: tagField,
  phase: z.enum(phases),
  pointId: elementId,
  place: placeField,
});

export const judgePointInput = z.strictObject({
  tag: tagField,
  pointId: elementId,
  decision: z.enum(pointDecisions),
  reason: sentence(1000),
  /** The version of the point's finding; 0 when there is none yet. */
  basedOn: basedOn.default(0),
});
export type JudgePoint = z.output<typeof judgePointInput>;

export const lookAtPartsInput = z.strictObject({
  tag: tagField,
  parts: z
    .array(z.strictObject({ partRef: elementId, basedOn }))
    .min(1, 'no part is given')
    .max(200),
});
export type LookAtParts = z.output<typeof lookAtPartsInput>;

export const recordFindingInput = z.strictObject({
  tag: tagField,
  partRef: elementId,
  words: sentence(1000),
  plain: optionalText(1000),
  photoId: photoId.nullable(),
});
export type RecordFinding = z.output<typeof recordFindingInput>;

export const disposeInput = z.strictObject({
  tag: tagField,
  target: z.union([z.strictObject({ pointId: elementId }), z.strictObject({ findingId })]),
  action: z.enum(actions),
  reason: sentence(1000),
  /** The version of the disposition that stands; 0 when there is none yet. */
  basedOn: basedOn.default(0),
});
export type Dispose = z.output<typeof disposeInput>;
