import * as z from 'zod';

/** Pieces that the bodies of sheets are made of, with the words of their refusals. */
export const text = (max: number) => z.string().trim().max(max, `at most ${max} characters`).default('');
export const said = (max: number) =>
  z.string().trim().min(1, 'must not be empty').max(max, `at most ${max} characters`);
export const ref = z.string().max(60);
export const whole = (max: number) =>
  z.number('type a whole number').int('it is counted whole').min(0, 'it cannot be less than 0').max(max);
export const figure = (max: number) => z.number('type a number').min(0, 'it cannot be less than 0').max(max);
/** From and to, both included. */
export const range = (max: number) =>
  z
    .strictObject({ from: figure(max), to: figure(max) })
    .refine(({ from, to }) => from <= to, 'the first figure is above the second');
export const day = z
  .string()
  .regex(/^(\d{4}-\d{2}-\d{2})?$/, 'a day looks like 2026-12-09')
  .default('');
export const signature = {
  personId: z.string().brand<'PersonId'>().nullable(),
  personName: z.string(),
  at: z.string(),
};
