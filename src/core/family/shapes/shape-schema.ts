import * as z from 'zod';
import { readExpression, ShapeError } from './expression';
import { readPath } from './path-template';

const issueOf = (read: (text: string) => unknown) => (text: string, context: z.RefinementCtx<string>) => {
  try {
    read(text);
  } catch (error) {
    if (!(error instanceof ShapeError)) throw error;
    context.addIssue({ code: 'custom', message: error.message });
  }
};
const expression = z.string().min(1).max(300).superRefine(issueOf(readExpression));
const template = z.string().min(1).max(2000).superRefine(issueOf(readPath));
export const shapeWord = z
  .string()
  .max(40)
  .regex(/^[a-z][a-z0-9_]*$/, 'a name is lower-case words joined by low lines');

const piece = z
  .strictObject({
    times: expression.describe('how many times it is drawn; `i` is 0, 1, 2 … in its path'),
    path: template,
  })
  .describe('a piece of an outline that is drawn several times');

const outline = z.strictObject({
  fill: z
    .enum(['hatched', 'solid', 'open', 'line'])
    .describe('cut through, cut through and thin, seen behind the cut, a line alone'),
  path: z
    .union([template, z.array(z.union([template, piece])).min(1)])
    .describe('an SVG path in capital letters; figures may be {expressions} of the names of the shape'),
});

/** An outline of a section or an end view, as a path template with parameters. */
export const shapeSchema = z.strictObject({
  view: z.enum(['section', 'end view']),
  what: z.string().min(1).describe('what it is the outline of, in words'),
  values: z.record(shapeWord, z.number()).default({}).describe('figures that a body may give, with their usual value'),
  names: z.record(shapeWord, expression).default({}).describe('figures that follow from others, by expression'),
  outlines: z.array(outline).min(1),
  over: z.boolean().default(false).describe('drawn over whatever it lies in: keys, screws, lip seals'),
  faces: z.boolean().default(false).describe('works one way round only: who takes it off is asked which way it faced'),
});
export type Shape = z.infer<typeof shapeSchema>;
