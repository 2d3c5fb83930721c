import * as z from 'zod';
import { partPictures } from '../../record/enumerations';
import { conditional, materialClasses, reference, when, type Figure } from './pieces';

export const partOf = (figure: Figure) =>
  z.strictObject({
    ...conditional,
    ref: reference,
    name: z.string(),
    /** What it is and does, in words for the customer. */
    plain: z.string(),
    quantity: figure(z.number().int().min(1)).default(1),
    material: z.string(),
    class: z.enum(materialClasses),
    wears: z.boolean().default(false),
    soft: z.boolean().default(false),
    /** Must be looked at before the inspection is done, and said of what was seen. */
    critical: z.boolean().default(false),
    elastomer: z.string().optional(),
    /** The elastomer is chosen by job, for its liquid; `elastomer` is the usual one. */
    elastomer_by_job: z.boolean().default(false),
    thread: z.strictObject({ size: figure(z.string()), hand: z.enum(['right', 'left']) }).optional(),
    weight: z.enum(['one person', 'two persons', 'hoist']).default('one person'),
    /** In a conversion: it leaves with the old build, or comes with the new one; put in when a pump is built. */
    converted: z.enum(['leaves', 'comes']).optional(),
    /** In which builds it stays where it is: neither taken off, cleaned, renewed nor put on. */
    stays: when,
    /** Parts that close it in: they come off before it at teardown and go on after it at rebuild. */
    behind: z.array(reference).default([]),
    number: figure(z.string()),
    /** The same part in every size: its number has no ending, its price is the same. */
    any_size: z.boolean().default(false),
    /** Parts of one matched set have the same words here, such as “bush and shaft”: they go from pump to pump together. */
    together: z.string().optional(),
    superseded: z.array(z.string()).default([]),
    alternatives: z.array(z.string()).default([]),
    price_minor: figure(z.number().int().min(0)),
    lead_days: figure(z.number().int().min(0)),
    /** How the part is drawn in pictures. */
    picture: z.enum(partPictures),
    /** Cleaning that suits it, and what must be masked. */
    clean: z.strictObject({ method: z.string(), mask: z.string().optional(), never: z.string().optional() }),
  });
