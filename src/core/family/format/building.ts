import * as z from 'zod';
import { reference, when } from './pieces';

/** One way in which a construction can be built otherwise than usual; the first choice is the usual one. */
export const axis = z.strictObject({
  id: reference,
  title: z.string(),
  /** Whether it is known when the pump comes in, or found when it is taken apart. */
  asked: z.enum(['receiving', 'teardown']).default('receiving'),
  /** An axis that only some builds have. */
  when,
  choices: z.array(z.strictObject({ id: reference, title: z.string(), what: z.string() })).min(1),
});

/** One size of the construction: what its nameplate says, and its figures by column. */
export const sizeRow = z.strictObject({
  id: reference,
  title: z.string(),
  /** Words of a nameplate that pick the row. */
  nameplate: z.array(z.string()).default([]),
  /** What stands behind the numbers of its parts and kits; nothing for the usual size. */
  number_ending: z
    .string()
    .max(12)
    .regex(/^[A-Za-z0-9./-]*$/, 'letters, figures, dots, strokes and hyphens')
    .default(''),
  /** How many times the price of the usual size its parts and kits cost, where no column of their own says it. */
  price_times: z.number().positive().max(20).default(1),
  values: z.record(reference, z.union([z.number(), z.string()])),
});

const range = z
  .strictObject({ usual: z.number().int().min(1), least: z.number().int().min(1), most: z.number().int().max(60) })
  .refine((one) => one.least <= one.usual && one.usual <= one.most, 'the usual number lies outside its range');

/** Something that a pump has several of, each with a record of its own: stages, shafts, feet. */
export const set = z.strictObject({
  id: reference,
  /** One of it, as it stands in a heading: “stage”. */
  title: z.string(),
  plural: z.string(),
  /** Fixed, or counted on the pump within a range. */
  count: z.union([z.number().int().min(1).max(60), range]),
  /** What each is called, where it has a name: “drive end”. */
  names: z.array(z.string()).default([]),
  /** Whether teardown takes the last one first, as in a stack. */
  stacked: z.boolean().default(false),
  /** Whether the first one lies at the open end: it comes off first, and goes on last. */
  first_outside: z.boolean().optional(),
  when,
});

export const building = {
  axes: z.array(axis).default([]),
  sizes: z.array(sizeRow).default([]),
  sets: z.array(set).default([]),
};
