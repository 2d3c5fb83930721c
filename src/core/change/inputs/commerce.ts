import * as z from 'zod';
import { lineKinds, pumpConditions, recordedWays, runDecisions } from '../../record';
import {
  basedOn,
  dayField,
  elementId,
  optionalText,
  orderLineId,
  quoteId,
  quoteLineId,
  sentence,
  tagField,
} from './fields';

/** For verbs that need to know the job only. */
export const tagInput = z.strictObject({ tag: tagField });

const quantity = z.number('type a number').gt(0, 'must be more than 0').max(100000);
const price = z.number('type a price').int().min(0).max(100_000_000);

export const addLineInput = z.strictObject({
  tag: tagField,
  basedOn,
  kind: z.enum(lineKinds),
  description: sentence(500),
  plain: optionalText(500),
  quantity,
  unit: z.string().trim().min(1).max(12),
  unitPriceMinor: price,
});
export type AddLine = z.output<typeof addLineInput>;

export const changeLineInput = z.strictObject({
  tag: tagField,
  lineId: quoteLineId,
  basedOn,
  description: sentence(500),
  quantity,
  unitPriceMinor: price,
});
export type ChangeLine = z.output<typeof changeLineInput>;

export const strikeLineInput = z.strictObject({
  tag: tagField,
  lineId: quoteLineId,
  basedOn,
  /** Null puts the line back. */
  reason: sentence(500).nullable(),
});
export type StrikeLine = z.output<typeof strikeLineInput>;

const declined = { declinedLines: z.array(quoteLineId).max(500), declineAll: z.boolean() };

export const answerQuoteInput = z.strictObject({
  quoteId,
  name: sentence(150),
  ...declined,
  /**
   * SVG path of the drawn signature: only moves and lines with numbers; or `typed`, where the typed name stands for it.
   */
  signature: z
    .string()
    .max(30000, 'is too long a line')
    .regex(/^typed$|^(M-?\d+(\.\d+)? -?\d+(\.\d+)?(L-?\d+(\.\d+)? -?\d+(\.\d+)?)*)+$/, 'sign in the box'),
});
export type AnswerQuote = z.output<typeof answerQuoteInput>;

export const recordApprovalInput = z.strictObject({
  tag: tagField,
  way: z.enum(recordedWays),
  name: sentence(150),
  reference: optionalText(150),
  ...declined,
});
export type RecordApproval = z.output<typeof recordApprovalInput>;

export const orderInput = z.strictObject({ tag: tagField, orderNumber: z.string().max(20) });
export type OrderAsked = z.output<typeof orderInput>;

/** A supplier's answer to an order; a service sends it, not a person. */
export const acknowledgeOrderInput = z.strictObject({
  tag: tagField,
  orderNumber: z.string().max(20),
  reference: sentence(100),
  dueOn: dayField,
});
export type AcknowledgeOrder = z.output<typeof acknowledgeOrderInput>;

export const receivePartsInput = z.strictObject({
  tag: tagField,
  orderNumber: z.string().max(20),
  counts: z
    .array(
      z.strictObject({
        lineId: orderLineId,
        counted: z.number('type a count').int('count whole pieces').min(0).max(10000),
      }),
    )
    .min(1)
    .max(200),
  note: optionalText(500),
});
export type ReceiveParts = z.output<typeof receivePartsInput>;

export const runTestInput = z.strictObject({ tag: tagField, condition: z.enum(pumpConditions) });
export type RunTest = z.output<typeof runTestInput>;

export const decideRunInput = z.strictObject({
  tag: tagField,
  run: z.number().int().min(1),
  decision: z.enum(runDecisions),
  reason: optionalText(1000),
  /** For a failed run: the step of rebuild from which the pump is opened again; all of it where none is named. */
  reopenFrom: elementId.nullable().default(null),
});
export type DecideRun = z.output<typeof decideRunInput>;

export const correctReportInput = z.strictObject({ tag: tagField, whatChanged: sentence(1000) });
export type CorrectReport = z.output<typeof correctReportInput>;

export const releasePumpInput = z.strictObject({ tag: tagField, packing: sentence(1000) });
export type ReleasePump = z.output<typeof releasePumpInput>;

export const deliverPumpInput = z.strictObject({ tag: tagField, deliveredTo: sentence(150), deliveredOn: dayField });
export type DeliverPump = z.output<typeof deliverPumpInput>;
