import * as z from 'zod';
import {
  advices,
  cleaningMethods,
  fates,
  foundStates,
  judgements,
  matters,
  oldPartsFates,
  sights,
  turnings,
} from './enumerations';

import { day, figure, range, ref, said, signature, text, whole } from './sheet-pieces';
import { claimBody, givenBody, madeBody, numberBody, outsideBody, sourceBody, trayBody } from './supply-bodies';

/**
 * What the sheets of a job hold, as they are sent and as they are kept: a sheet is filled in as a whole, by a person.
 * The words of a refusal stand here, at the field that they are about.
 */
/** What is in a pump that nobody can name: where it is, its sample, what the laboratory says, how it may be removed. */
export const residueFields = z.strictObject({
  description: said(1000),
  place: said(300),
  /** Where the pump stands apart meanwhile. */
  quarantine: text(200),
  sampleNumber: text(60),
  laboratory: text(150),
  sampledOn: day,
  /** What it is, by the laboratory; empty until it is known. */
  result: text(1000),
  safetySheet: text(200),
  methods: z.array(z.enum(cleaningMethods)).max(cleaningMethods.length),
  /** How much waste, and to whom it went. */
  waste: text(300),
});
const allowed = z.strictObject({ ...signature, protection: said(500) });
export const residueBody = residueFields.extend({
  /** Who allowed one protected opening for a sample, and by which protection. */
  sampling: allowed.nullable(),
  /** Who allowed that the pump is opened. */
  opening: allowed.nullable(),
});

/** A pump that somebody else began to take apart. */
export const begunBody = z.strictObject({
  by: said(150),
  on: day,
  /** What they did, and how far they came. */
  done: said(1000),
  whyStopped: text(500),
  fragments: whole(500),
  parts: z.array(z.strictObject({ ref, state: z.enum(foundStates), note: text(300) })).max(200),
  /** What can no longer be taken, and from what it is taken instead. */
  lost: z.array(z.strictObject({ actionId: ref, instead: said(300) })).max(200),
});

const guessed = z.strictObject({ what: said(200), to: text(150), minor: whole(1e9) });
/** The first look at the bench: what is wrong, what can be saved, about what it takes, and what the shop advises. */
export const evaluationFields = z.strictObject({
  turns: z.enum(turnings),
  binds: text(300),
  substance: text(200),
  causes: z.array(said(200)).max(20),
  lost: z.array(z.strictObject({ ref, reason: said(300) })).max(60),
  atRisk: z.array(z.strictObject({ ref, known: said(200) })).max(60),
  outside: z.array(guessed).max(20),
  made: z.array(z.strictObject({ ref, from: said(200) })).max(20),
  hours: range(1000),
  partsMinor: range(1e9),
  days: range(400),
  newUnit: z.strictObject({ minor: whole(1e9), days: whole(700) }).nullable(),
  advice: z.enum(advices),
  words: text(1500),
});
export const evaluationBody = evaluationFields.extend({
  /** The labour rate by which the guess became money. */
  rateMinor: z.number().int(),
  sent: z.strictObject({ to: z.string(), at: z.string(), words: z.string() }).nullable(),
  answer: z.strictObject({ ...signature, choice: z.enum(advices), saidBy: said(150), words: text(500) }).nullable(),
});

/** One run of cleaning, over one part or a basket. */
export const cleaningBody = z.strictObject({
  method: z.enum(cleaningMethods),
  parts: z.array(ref).min(1, 'no part is given').max(200),
  /** What the method asks: its bath, its time, its rinsing, by the name of the question. */
  facts: z.record(z.string().max(40), z.union([z.string().trim().max(200), z.number(), z.boolean()])),
  /** What was covered before blasting, each said by itself. */
  masks: z.record(z.string().max(60), z.enum(['masked', 'none here'])),
  /** The look at each part afterwards. */
  seen: z.record(ref, z.enum(sights)),
});

/** Which school a job follows in a matter, and why. */
export const policyBody = z.strictObject({
  matter: z.enum(matters),
  school: said(60),
  /** Empty for what the shop does anyway. */
  reason: text(500),
});

/** A pump that comes back within its warranty: whose fault it is, beside the earlier record. */
export const warrantyBody = z.strictObject({
  earlierTag: z.string().max(20),
  judgement: z.enum(judgements),
  /** Of the price, in percent, what the shop bears. */
  sharePct: figure(100),
  reason: said(1000),
});

/** What becomes of a pump that is not repaired, by its owner's word. */
export const fateBody = z.strictObject({
  fate: z.enum(fates),
  saidBy: said(150),
  words: said(500),
  /** Who put it together again, where it goes back so. */
  reassembled: z.strictObject({ ...signature, words: said(500) }).nullable(),
});

const packed = z.strictObject({ what: said(200), count: whole(1000), isPacked: z.boolean() });
/** How a pump is made ready for its way back. */
export const packingBody = z.strictObject({
  preservedWith: said(300),
  ports: whole(60),
  blanks: whole(60),
  shaftBlocked: text(200),
  inside: said(200),
  /** Whether a tag on the pump says that it is without oil or grease. */
  isTagged: z.boolean(),
  loose: z.array(packed).max(80),
  oldParts: z.enum(oldPartsFates),
  oldPartsSaidBy: said(150),
  declaration: text(200),
  wastePapers: text(200),
  weightKg: figure(20000).nullable(),
  carrier: text(150),
  carrierNumber: text(80),
});

/** The body of a sheet by its kind. */
export const sheetBodies = {
  residue: residueBody,
  begun: begunBody,
  evaluation: evaluationBody,
  cleaning: cleaningBody,
  policy: policyBody,
  warranty: warrantyBody,
  fate: fateBody,
  packing: packingBody,
  source: sourceBody,
  made: madeBody,
  outside: outsideBody,
  number: numberBody,
  tray: trayBody,
  given: givenBody,
  claim: claimBody,
} as const;
export const sheetKinds = Object.keys(sheetBodies) as readonly (keyof typeof sheetBodies)[];
