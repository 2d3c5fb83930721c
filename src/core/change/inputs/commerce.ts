import * as z from 'zod';
import {
  actions,
  declineDecisions,
  lineKinds,
  optionLevels,
  pumpConditions,
  recordedWays,
  runDecisions,
} from '../../record';
import {
  basedOn,
  dayField,
  elementId,
  optionalText,
  photoId,
  quoteId,
  quoteLineId,
  sentence,
  tagField,
} from './fields';

/** For verbs that need to know the job only. */
export const tagInput = z.strictObject({ tag: tagField });

const quantity = z.number('type a number').gt(0, 'must be more than 0').max(100000);
/** In minor units; below nothing for a discount alone. */
const price = z.number('type a price').int().min(-100_000_000).max(100_000_000);
const positivePrice = price.min(0);
const optionLevel = z.enum(optionLevels);
const discountPct = z.number('type a percentage').min(0, 'must not be below 0').max(100, 'at most 100 %');
const instead = optionalText(60);
/** The current quote where none is named; a supplement by its id. */
const quoteMeant = quoteId.nullable().default(null);

export const addLineInput = z.strictObject({
  tag: tagField,
  quoteId: quoteMeant,
  basedOn,
  kind: z.enum(lineKinds),
  description: sentence(500),
  plain: optionalText(500),
  quantity,
  unit: z.string().trim().min(1).max(12),
  unitPriceMinor: price,
  /** In which options it stands; in every one where none is named. */
  options: z.array(optionLevel).max(3).default([]),
  instead,
  /** What one unit costs the shop, for its margin. */
  unitCostMinor: positivePrice.nullable().default(null),
});
export type AddLine = z.output<typeof addLineInput>;

export const changeLineInput = z.strictObject({
  tag: tagField,
  lineId: quoteLineId,
  basedOn,
  description: sentence(500),
  quantity,
  unitPriceMinor: price,
  plain: sentence(500).optional(),
  discountPct: discountPct.optional(),
  options: z.array(optionLevel).max(3).optional(),
  instead: instead.optional(),
  unitCostMinor: positivePrice.nullable().optional(),
});
export type ChangeLine = z.output<typeof changeLineInput>;

export const takeProposalInput = z.strictObject({ tag: tagField, lineId: quoteLineId, basedOn });
export type TakeProposal = z.output<typeof takeProposalInput>;

export const strikeLineInput = z.strictObject({
  tag: tagField,
  lineId: quoteLineId,
  basedOn,
  /** Null puts the line back. */
  reason: sentence(500).nullable(),
});
export type StrikeLine = z.output<typeof strikeLineInput>;

const years = z.number('type years').gt(0, 'must be more than 0').max(100);
/** What the ways of going on are compared by. */
export const comparisonInput = z.strictObject({
  hoursPerYear: z.number('type hours').min(0).max(8784, 'a year has 8784 hours at most'),
  pricePerKwhMinor: z.number('type a price').min(0).max(1_000_000),
  interestPct: z.number('type a percentage').min(0).max(100),
  hireMinorPerDay: positivePrice,
  lifeYears: z.strictObject({
    ...{ minimum: years, recommended: years, 'as new': years, 'as it is': years, 'new unit': years },
  }),
  newUnit: z.strictObject({ priceMinor: positivePrice, days: z.number('type days').int().min(0).max(3650) }).nullable(),
});

export const changeQuoteInput = z.strictObject({
  tag: tagField,
  quoteId: quoteMeant,
  basedOn,
  /** Goes before the offer. */
  note: z.string().trim().max(2000).optional(),
  recipients: z
    .array(z.strictObject({ name: sentence(150), email: z.email('is not a mail address').max(190) }))
    .max(10)
    .optional(),
  /** A rate for this quote alone; null for the shop's. */
  labourMinorPerHour: positivePrice.nullable().optional(),
  /** Off the sum of the lines. */
  discountPct: discountPct.optional(),
  /** The tax of this quote alone; a revision keeps it where it is one of the shop's rates. */
  taxPct: discountPct.optional(),
  validUntil: dayField.optional(),
  options: z.array(optionLevel).min(1, 'offer one at least').max(3).optional(),
  advised: optionLevel.optional(),
  basis: comparisonInput.nullable().optional(),
});
export type ChangeQuote = z.output<typeof changeQuoteInput>;

export const sendSupplementInput = z.strictObject({ tag: tagField, quoteId, basedOn });
export type SendSupplement = z.output<typeof sendSupplementInput>;

export const withdrawSupplementInput = z.strictObject({ tag: tagField, quoteId, reason: sentence(500) });
export type WithdrawSupplement = z.output<typeof withdrawSupplementInput>;

/** Something that is found after the inspection, and what it does to the job. */
export const findLaterInput = z.strictObject({
  tag: tagField,
  partRef: elementId,
  words: sentence(1000),
  /** For the customer; the shop's words where there are none. */
  plain: optionalText(1000),
  /** Why nobody could see it before, for the customer. */
  whyOnlyNow: sentence(500),
  photoId: photoId.nullable(),
  action: z.enum(actions),
  reason: optionalText(1000),
  /** Steps that wait for the answer; those that need the part where none are named. */
  stops: z.array(elementId).max(60).optional(),
});
export type FindLater = z.output<typeof findLaterInput>;

const said = {
  /** The option that is chosen, where several are offered. */
  option: optionLevel.nullable().default(null),
  declinedLines: z.array(quoteLineId).max(500),
  declineAll: z.boolean(),
  /** Said after reading what it means to leave something out without which the pump may fail. */
  criticalConfirmed: z.boolean().default(false),
};

/**
 * SVG path of a drawn signature: only moves and lines with numbers; or `typed`, where the typed name stands for it.
 */
const signaturePath = z
  .string()
  .max(30000, 'is too long a line')
  .regex(/^typed$|^(M-?\d+(\.\d+)? -?\d+(\.\d+)?(L-?\d+(\.\d+)? -?\d+(\.\d+)?)*)+$/, 'sign in the box');

export const answerQuoteInput = z.strictObject({
  quoteId,
  name: sentence(150),
  ...said,
  signature: signaturePath,
});
export type AnswerQuote = z.output<typeof answerQuoteInput>;

const recorded = {
  way: z.enum(recordedWays),
  name: sentence(150),
  /** What was said and when, or the order's number. */
  reference: sentence(300),
  ...said,
};
export const recordApprovalInput = z.strictObject({ tag: tagField, quoteId: quoteMeant, ...recorded });
export type RecordApproval = z.output<typeof recordApprovalInput>;

export const correctApprovalInput = z.strictObject({ tag: tagField, ...recorded, reason: sentence(500) });
export type CorrectApproval = z.output<typeof correctApprovalInput>;

export const settleDeclineInput = z.strictObject({
  tag: tagField,
  decision: z.enum(declineDecisions),
  /** The disclaimer as it is printed, or why it goes back. */
  words: sentence(1000),
});
export type SettleDecline = z.output<typeof settleDeclineInput>;

export const askQuestionInput = z.strictObject({ quoteId, name: sentence(150), words: sentence(1000) });
export type AskQuestion = z.output<typeof askQuestionInput>;

export const answerQuestionInput = z.strictObject({
  tag: tagField,
  questionId: z.string().max(36),
  words: sentence(2000),
});
export type AnswerQuestion = z.output<typeof answerQuestionInput>;

export const sendReminderInput = z.strictObject({ tag: tagField, quoteId: quoteMeant, words: sentence(2000) });
export type SendReminder = z.output<typeof sendReminderInput>;

export const agreeLimitInput = z.strictObject({
  tag: tagField,
  limitMinor: positivePrice,
  saidBy: sentence(150),
  /** It holds for every pump of theirs that comes in from now on, too. */
  forAll: z.boolean().default(false),
  basedOn,
});
export type AgreeLimit = z.output<typeof agreeLimitInput>;

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

export const deliverPumpInput = z.strictObject({
  tag: tagField,
  deliveredTo: sentence(150),
  deliveredOn: dayField,
  /** Of whoever took the pump over; empty where the carrier's paper has it. */
  signature: signaturePath.or(z.literal('')).default(''),
});
export type DeliverPump = z.output<typeof deliverPumpInput>;
