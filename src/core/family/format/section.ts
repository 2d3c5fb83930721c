import * as z from 'zod';
import { conditional, reference, type Figure } from './pieces';

export const symbols = [
  'casing',
  'impeller',
  'ring',
  'nut',
  'shaft',
  'sleeve',
  'seal-rotary',
  'seal-seat',
  'cover',
  'deflector',
  'bracket',
  'ball-bearing',
  'retaining-ring',
  'bearing-cover',
  'lip-seal',
  'gasket',
  'o-ring',
  'key',
  'spring',
  'coupling',
  'bolt',
  'spacer',
  'housing',
  'plate',
  'barrel',
  'chamber',
  'diffuser',
  'washer',
  'cone',
  'strap',
  'bushing',
  'tapered-bearing',
  'packing',
  'lantern',
  'gland',
  'rotor-gear',
  'idler',
  'pin',
  'crescent',
  'lobe',
  'screw',
  'timing-gear',
  'stator',
  'motor-rotor',
  'magnet',
  'fan',
  'pulley',
  'cable',
  'valve',
  'tube',
] as const;

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
    symbol: z.enum(symbols),
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
    bodies: z.array(bodyOf(figure)),
  });
