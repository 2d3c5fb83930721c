import * as z from 'zod';

/** Pieces that many inputs share; each is refused in words. */
export const tagField = z
  .string()
  .regex(/^P-\d{4,7}$/, 'a tag looks like P-0417')
  .brand<'Tag'>();
export const sentence = (max = 2000) =>
  z.string().trim().min(1, 'must not be empty').max(max, `at most ${max} characters`);
export const optionalText = (max = 2000) => z.string().trim().max(max, `at most ${max} characters`).default('');
export const dayField = z
  .string()
  .regex(/^\d{4}-\d{2}-\d{2}$/, 'a day looks like 2026-12-09')
  .refine(
    (day) => !Number.isNaN(Date.parse(day)) && new Date(day).toISOString().startsWith(day),
    'there is no such day',
  )
  .refine((day) => day >= '1900-01-01' && day < '2200-01-01', 'a day between 1900 and 2199');
/** The version of what a person saw when they made their entry; 0 for nothing yet. */
export const basedOn = z.number().int().min(0);
/** An id of a family's element: part, point, step, caution. */
export const elementId = z.string().max(60);
export const placeField = z.string().max(60).brand<'Place'>();

const madeId = () => z.string().max(36);
export const photoId = madeId().brand<'PhotoId'>();
export const findingId = madeId().brand<'FindingId'>();
export const quoteId = madeId().brand<'QuoteId'>();
export const quoteLineId = madeId().brand<'QuoteLineId'>();
export const orderLineId = madeId().brand<'OrderLineId'>();
export const personId = madeId().brand<'PersonId'>();
