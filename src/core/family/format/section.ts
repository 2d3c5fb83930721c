import * as z from 'zod';
import { conditional, reference, type Figure } from './pieces';
import { shapeWord } from '../shapes';

/** Places a coordinate pair [x along the shaft line, radius] of the section drawing, in drawing millimetres. */
export const atOf = (figure: Figure) => z.tuple([figure(z.number()), figure(z.number().min(0))]);

const bodyOf = (figure: Figure) =>
  z.strictObject({
    ...conditional,
    part: reference,
    /** Which shaft line it lies on, by its place in `section.lines`. */
    line: z.number().int().min(0).default(0),
    /** Drawn on both sides of its line, or on one side alone. */
    half: z.enum(['both', 'top', 'bottom']).default('both'),
    /** The shape that draws it: one that ships, or one of the file's own `shapes`. */
    symbol: reference,
    /** Figures of the shape that are not the usual ones. */
    with: z.record(shapeWord, figure(z.number())).optional(),
    /** From and to along the shaft line. */
    x: z.tuple([figure(z.number()), figure(z.number())]),
    /** Inner and outer radius. */
    r: z.tuple([figure(z.number().min(0)), figure(z.number().min(0))]),
    /** For the shaft: [x, radius] at each step, left to right. */
    steps: z.array(atOf(figure)).optional(),
    side: z.enum(['wet end', 'seal', 'bearing', 'drive']),
    inside: reference.optional(),
    /** Which member of its part's set it shows: of four seals the third. */
    member: z.number().int().min(1).max(60).optional(),
  });

export const sectionOf = (figure: Figure) =>
  z.strictObject({
    axis: z.enum(['horizontal', 'vertical']),
    length: figure(z.number()),
    radius: figure(z.number()),
    /** Height of each shaft line above the middle of the drawing. */
    lines: z
      .array(z.strictObject({ y: z.number() }))
      .min(1)
      .max(3)
      .default([{ y: 0 }]),
    /** Where the first of a stacked set stands and how long it is; what lies behind it moves along with their number. */
    stack: z
      .strictObject({ set: reference.default('stage'), from: z.number(), pitch: z.number().positive() })
      .optional(),
    /**
     * Parts that are too small to be drawn: each lights up where another is drawn, the first of these that the build
     * has.
     */
    drawn_with: z.record(reference, z.array(reference).min(1)).default({}),
    /** How much further along everything is drawn, with its points, in some builds: what reaches out at the near end. */
    moved: z.array(z.strictObject({ ...conditional, by: z.number() })).default([]),
    bodies: z.array(bodyOf(figure)),
  });
