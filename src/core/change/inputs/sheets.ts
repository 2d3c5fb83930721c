import * as z from 'zod';
import { advices } from '../../record';
import {
  begunBody,
  cleaningBody,
  evaluationFields,
  fateBody,
  packingBody,
  policyBody,
  residueFields,
  warrantyBody,
} from '../../record/sheet-bodies';
import { basedOn, optionalText, sentence, tagField } from './fields';

const aboutJob = { tag: tagField, basedOn };

export const writeResidueInput = z.strictObject({ ...aboutJob, residue: residueFields });
export type WriteResidue = z.output<typeof writeResidueInput>;

/** One protected opening for a sample, or the opening of the pump; by name. */
export const allowOpeningInput = z.strictObject({
  ...aboutJob,
  what: z.enum(['sampling', 'opening']),
  protection: sentence(500),
});
export type AllowOpening = z.output<typeof allowOpeningInput>;

export const writeBegunInput = z.strictObject({ ...aboutJob, begun: begunBody });
export type WriteBegun = z.output<typeof writeBegunInput>;

/** The first look; `again` begins another sheet beside the one that was sent. */
export const writeEvaluationInput = z.strictObject({
  ...aboutJob,
  again: z.boolean().default(false),
  evaluation: evaluationFields,
});
export type WriteEvaluation = z.output<typeof writeEvaluationInput>;

export const sendEvaluationInput = z.strictObject({ ...aboutJob, words: sentence(4000) });
export type SendEvaluation = z.output<typeof sendEvaluationInput>;

export const answerEvaluationInput = z.strictObject({
  ...aboutJob,
  choice: z.enum(advices),
  saidBy: sentence(150),
  words: optionalText(500),
});
export type AnswerEvaluation = z.output<typeof answerEvaluationInput>;

/** What was done to parts, as the method asks it; what is seen on one afterwards is said with it. */
export const cleanPartsInput = z.strictObject({
  tag: tagField,
  cautionRead: z.literal(true, 'Read the caution of cleaning first.'),
  run: cleaningBody,
  /** What was seen on a part afterwards, by part. */
  damage: z.record(z.string().max(60), sentence(1000)).default({}),
});
export type CleanParts = z.output<typeof cleanPartsInput>;

export const choosePolicyInput = z.strictObject({ ...aboutJob, policy: policyBody });
export type ChoosePolicy = z.output<typeof choosePolicyInput>;

export const judgeWarrantyInput = z.strictObject({ ...aboutJob, warranty: warrantyBody });
export type JudgeWarranty = z.output<typeof judgeWarrantyInput>;

export const chooseFateInput = z.strictObject({ ...aboutJob, fate: fateBody.omit({ reassembled: true }) });
export type ChooseFate = z.output<typeof chooseFateInput>;

export const reassembleInput = z.strictObject({ ...aboutJob, words: sentence(500) });
export type Reassemble = z.output<typeof reassembleInput>;

export const packInput = z.strictObject({ ...aboutJob, packing: packingBody });
export type Pack = z.output<typeof packInput>;
