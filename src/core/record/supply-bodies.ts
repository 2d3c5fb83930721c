import * as z from 'zod';
import { chosenSources, madeShapes, measuredFrom, numberVerdicts, outsideWorks } from './supply-enumerations';
import { day, figure, ref, said, signature, text, whole } from './sheet-pieces';

/** What came by another way than an order, counted and looked at when it was laid ready. */
export const laidReady = z.strictObject({
  count: whole(1000),
  /** The number that stands on it; empty where none does. */
  number: text(60),
  elastomer: text(40),
  lot: text(60),
  note: text(500),
});
/** Where a part comes from, by a person's choice. */
export const sourceFields = z.strictObject({
  source: z.enum(chosenSources),
  /** How many come so; the rest is bought. */
  count: whole(1000).min(1, 'one at least'),
  reason: said(500),
  /** Who brings it, the bin it lies in, or the unit it comes out of. */
  from: text(150),
  dueOn: day,
});
export const sourceBody = sourceFields.extend({
  donor: z.strictObject({ id: ref, tag: ref, look: text(500), wearPct: figure(10000).nullable() }).nullable(),
  here: laidReady.extend(signature).nullable(),
});

/** A dimension of a sketch, in mm or counted; its two limits where it has a tolerance. */
const dimension = z.strictObject({
  id: ref,
  nominal: figure(10000),
  /** As it was typed: H7, ±0.1, +0.02/-0.01; empty for a general one. */
  tolerance: text(20),
});
/** Why a part is made here, and the sketch by which it is made. */
export const madeFields = z.strictObject({
  why: said(500),
  from: z.enum(measuredFrom),
  /** The measure that it follows, in words: which seat, which reading. */
  fromWords: text(300),
  shape: z.enum(madeShapes),
  dimensions: z.array(dimension).min(1, 'the sketch has no dimension').max(20),
  /** Whether it holds pressure, lifts or turns; then it is released by name. */
  bears: z.boolean(),
  material: text(120),
  lot: text(60),
  hardness: text(40),
  /** What the old one was made of. */
  oldMaterial: text(120),
  machine: text(80),
  minutesGuess: whole(100000),
  materialMinor: whole(1e8),
  dueOn: day,
});
export const madeBody = madeFields.extend({
  number: z.string().max(20),
  released: z.strictObject({ ...signature, words: text(300) }).nullable(),
  /** What was worked: minutes of each hand, in their order. */
  worked: z.array(z.strictObject({ ...signature, machine: text(80), minutes: whole(10000) })).max(60),
  readings: z.array(z.strictObject({ ...signature, id: ref, value: figure(10000), gauge: text(60) })).max(20),
  handedOver: z.strictObject({ ...signature, fitted: said(500) }).nullable(),
});

const asked = z.strictObject({
  ask: said(200),
  unit: text(20),
  min: figure(1e6).nullable(),
  max: figure(1e6).nullable(),
});
/** Work that leaves the house: what, to whom, and what must come back measured. */
export const outsideFields = z.strictObject({
  work: z.enum(outsideWorks),
  what: said(500),
  parts: z.array(ref).min(1, 'no part is given').max(40),
  to: said(150),
  priceMinor: whole(1e9),
  asks: z.array(asked).max(20),
  dueOn: day,
});
export const outsideBody = outsideFields.extend({
  number: z.string().max(20),
  sent: z.strictObject({ ...signature, on: day }).nullable(),
  back: z
    .strictObject({
      ...signature,
      on: day,
      values: z.array(figure(1e6).nullable()).max(20),
      words: text(500),
      isTaken: z.boolean(),
    })
    .nullable(),
  /** What earlier returns showed, where the work was sent back. */
  refused: z.array(z.strictObject({ ...signature, words: text(500) })).max(20),
});

/** The number that was found on a part, and what it is beside the list. */
export const numberBody = z.strictObject({
  found: said(60),
  verdict: z.enum(numberVerdicts),
  settled: z.strictObject({ ...signature, words: said(500) }).nullable(),
});

/** In which tray a part lies, and when its label was read. */
export const trayBody = z.strictObject({
  tray: z.string().trim().min(1, 'name the tray').max(20),
  scans: z.array(z.strictObject({ ...signature, station: z.string().max(20) })).max(60),
});

/** What came wrong, damaged or short of an order, and what was written to the supplier. */
export const claimBody = z.strictObject({
  orderNumber: z.string().max(20),
  supplier: z.string().max(191),
  lines: z
    .array(
      z.strictObject({
        ...{ partRef: ref, number: z.string().max(60), count: whole(10000), what: said(400) },
        /** A picture of what came wrong, where one was taken. */
        photoId: z.string().max(36).optional(),
      }),
    )
    .min(1)
    .max(200),
  sent: z.strictObject({ ...signature, to: z.string(), words: z.string(), goesBack: z.boolean() }).nullable(),
});

/** The job that a part of this unit was taken for; empty where it came back. */
export const givenBody = z.strictObject({ to: z.string().max(20) });
