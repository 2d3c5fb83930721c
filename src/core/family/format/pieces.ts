import * as z from 'zod';

/** Lower-case words joined by single hyphens; two hyphens stand between an axis and its choice in a version. */
export const reference = z
  .string()
  .max(60)
  .regex(/^[a-z0-9]+(-[a-z0-9]+)*$/, 'a reference is lower-case words joined by hyphens');

/**
 * How a figure may be written: as it is, or in a file also as the name of a column of the size table. The type is that
 * of the figure either way, for a family is built for one size before anything is reckoned from it.
 */
export type Figure = <Schema extends z.ZodType>(schema: Schema) => Schema;
export const asItIs: Figure = (schema) => schema;
const column = z.strictObject({ size: reference }).describe('the column of the size table that gives the figure');
export const orBySize: Figure = <Schema extends z.ZodType>(schema: Schema) =>
  z.union([schema, column]) as z.ZodType as Schema;

/** From and to, both included. */
export const bandOf = (figure: Figure) =>
  z
    .strictObject({ min: figure(z.number()), max: figure(z.number()) })
    .refine(
      ({ min, max }) => typeof min !== 'number' || typeof max !== 'number' || min <= max,
      'the lower limit is above the upper one',
    );
export const openBandOf = (figure: Figure) =>
  z.strictObject({ min: figure(z.number()).optional(), max: figure(z.number()).optional() });

/** In which builds something exists: the choice, or one of the choices, of every axis named. Absent means in all. */
export const when = z
  .record(reference, z.union([reference, z.array(reference).min(1)]))
  .optional()
  .describe('in which builds this exists: axis and choice, or choices; absent means in all');
/** The set over which something repeats; absent means once a pump. */
export const per = reference.optional().describe('the set over which this repeats; absent means once a pump');

/** What every element of a file may say of itself. */
export const conditional = { when, per };

export const materialClasses = [
  'cast',
  'steel',
  'stainless',
  'bronze',
  'elastomer',
  'carbon-ceramic',
  'plastic',
] as const;
