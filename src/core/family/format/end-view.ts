import * as z from 'zod';
import { conditional, reference, type Figure } from './pieces';
import { shapeWord } from '../shapes';

/** A place from the middle of the end view: to the right and up, in drawing millimetres. */
const place = (figure: Figure) => z.tuple([figure(z.number()), figure(z.number())]);

const bodyOf = (figure: Figure) =>
  z.strictObject({
    ...conditional,
    part: reference,
    /** The shape that draws it: one that ships (disc, gear, lobes, crescent …), or one of the file's own `shapes`. */
    symbol: reference,
    with: z.record(shapeWord, figure(z.number())).optional(),
    at: place(figure).default([0, 0]),
    /** Inner and outer radius; of teeth and lobes at their root and tip. */
    r: z.tuple([figure(z.number().min(0)), figure(z.number().positive())]),
    /** Which member of its part's set it shows. */
    member: z.number().int().min(1).max(60).optional(),
    /** Teeth or lobes. */
    count: figure(z.number().int().min(2).max(80)).optional(),
    /** Where the first tooth or lobe points, anticlockwise from the right. */
    turn_deg: figure(z.number()).default(0),
    /** Of a crescent: middle and radius of the circle that it lies outside of, and from where to where it reaches. */
    outside: z.strictObject({ at: place(figure), r: figure(z.number().positive()) }).optional(),
    arc_deg: z.tuple([figure(z.number()), figure(z.number())]).optional(),
  });

/** The pump seen along its shaft: what turns in what, which way, and where the liquid comes in and goes out. */
export const endViewOf = (figure: Figure) =>
  z.strictObject({
    seen_from: z.enum(['the drive end', 'the cover']),
    radius: figure(z.number().positive()),
    bodies: z.array(bodyOf(figure)).min(1),
    /** Words at their places: suction, discharge, which is on top, which way it turns. */
    labels: z.array(z.strictObject({ ...conditional, words: z.string(), at: place(figure) })).default([]),
  });
