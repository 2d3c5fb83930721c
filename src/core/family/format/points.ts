import * as z from 'zod';
import { gaugeKinds, measuringUnits } from '../../record/enumerations';
import { bandOf, conditional, openBandOf, reference, type Figure } from './pieces';
import { atOf } from './section';

const place = z.strictObject({ plane: z.string(), angle_deg: z.number() });

const clearanceOf = (figure: Figure) =>
  z.strictObject({
    sum: z.literal('running-clearance'),
    bore: reference,
    journal: reference,
    design_um: bandOf(figure),
    limit_um: figure(z.number().positive()),
    /** How long the gap is along the shaft. */
    length_mm: figure(z.number()).optional(),
    /** The share of the pump’s head that stands across the gap; of a gap at each stage, of that stage’s head. */
    head_share: z.number().positive().max(1).optional(),
  });

const limitsOf = (figure: Figure) =>
  z.strictObject({
    new: openBandOf(figure),
    reuse: openBandOf(figure).optional(),
    resolution: z.number().positive(),
    /** What can be meant at all; anything else is refused as a slip of the hand. */
    plausible: bandOf(figure).optional(),
  });

export const pointOf = (figure: Figure) =>
  z.strictObject({
    ...conditional,
    id: reference,
    number: z.number().int(),
    title: z.string(),
    part: reference,
    mates: reference.optional(),
    method: z.string(),
    instrument: z.enum([...gaugeKinds, 'none']),
    places: z.array(place),
    unit: z.enum(measuringUnits).default('mm'),
    resolution_mm: z.number().positive().default(0.01),
    /** A size in mm that wears from a new band towards a limit for reuse; anything else has `limits`. */
    new_mm: bandOf(figure).optional(),
    reuse_mm: openBandOf(figure).optional(),
    /** A quantity in the point's unit: within `new` it is as new, within `reuse` it may go on; either may be open. */
    limits: limitsOf(figure).optional(),
    /** Class the limit comes from, and for a bearing seat the bearing it carries. */
    seat: z
      .strictObject({
        nominal_mm: figure(z.number()),
        shaft: figure(z.string()).optional(),
        hole: figure(z.string()).optional(),
        bearing: z.boolean(),
      })
      .optional(),
    derived: clearanceOf(figure).optional(),
    source: z.string(),
    critical: z.boolean().default(false),
    /** Whether the gauge’s uncertainty is kept clear of the limit; put in where a job departs from the usual way. */
    guard: z.boolean().optional(),
    /** As found, as left, or both: in which phases the point is measured. */
    measured: z.array(z.enum(['as-found', 'as-left'])).min(1),
    /** What a bad value means, in plain words for the customer. */
    plain: z.string(),
    at: atOf(figure),
    half: z.enum(['top', 'bottom']).default('top'),
    /** Where it is at each member of its set, where that is not one behind the other. */
    each: z.array(z.strictObject({ at: atOf(figure), half: z.enum(['top', 'bottom']) })).optional(),
  });
