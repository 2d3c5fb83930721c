import * as z from 'zod';
import { instrumentKinds } from '../../record/enumerations';
import { answerOf } from './answers';
import { conditional, reference, type Figure } from './pieces';

/** Which member of its set something is; put in when a pump is built. */
const member = z
  .strictObject({ set: reference, number: z.number().int(), of: z.number().int(), name: z.string() })
  .optional();

/** One movement a line; a single text is taken for its lines. */
const lines = z.union([z.array(z.string()).min(1), z.string().transform((text) => text.split('\n'))]);

const consumable = z.strictObject({ what: z.string(), suits: z.array(z.string()), use: z.string() });

/** One thing that is done, marked, counted, measured, checked or decided; ticked or answered on its own. */
const actionOf = (figure: Figure) =>
  z.strictObject({
    ...conditional,
    id: reference,
    member,
    /** Once for each soft part of the build: a kit is opened, and each of its pieces is held against the list. */
    each: z.literal('soft part').optional(),
    /** The part that it is about, where it stands once for each; put in when a pump is built. */
    piece: reference.optional(),
    /** As it stands in the list of actions; the first line of `do` where it has none. */
    title: z.string().optional(),
    do: lines,
    reason: z.string().optional(),
    mistake: z.string().optional(),
    tools: z.array(z.string()).default([]),
    /** The kind of tool with an identity whose code is asked for; a torque wants its wrench, a heating its thermometer. */
    tool: z.enum(instrumentKinds).optional(),
    /** What is put on or in; one of them is chosen, of those that the elastomers met there will stand. */
    consumables: z.array(consumable).default([]),
    /** Parts that light up in the section; all of the step where none is named. */
    lights: z.array(reference).default([]),
    /** Which way the lit parts move: along the shaft, about it, or not at all. */
    moves: z.enum(['toward drive', 'toward wet end', 'clockwise', 'anticlockwise', 'none']).default('none'),
    cautions: z.array(reference).default([]),
    /** Actions of this step that come first; without it, the one before. */
    after: z.array(reference).optional(),
    /** At teardown: asked once, and not again when the pump is put together. */
    once: z.boolean().default(false),
    answer: answerOf(figure).optional(),
  });

/** Actions that belong together and are done, and where it says so signed, as one. */
export const stepOf = (figure: Figure) =>
  z.strictObject({
    ...conditional,
    id: reference,
    member,
    title: z.string(),
    reason: z.string().optional(),
    mistake: z.string().optional(),
    /** Steps that come first; without it, the one before; an empty list for none. */
    after: z.array(reference).optional(),
    /** Parts that come off, or go on, here. */
    parts: z.array(reference).default([]),
    /** Parts that must have come in before it can be done. */
    needs: z.array(reference).default([]),
    cautions: z.array(reference).default([]),
    /** A second person signs it before anything closes over it. */
    hold_point: z.boolean().default(false),
    actions: z.array(actionOf(figure)).min(1),
  });
