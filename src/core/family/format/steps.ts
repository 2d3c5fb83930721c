import * as z from 'zod';
import { bandOf, conditional, reference, type Figure } from './pieces';

const captureOf = (figure: Figure) =>
  z.strictObject({
    ...conditional,
    id: reference,
    /** 'value': a number with a unit of its own, such as MΩ or a torque of drag, kept as it was typed. */
    kind: z.enum(['match-mark', 'position', 'count', 'photo', 'orientation', 'thread-hand', 'value']),
    unit: z.string().optional(),
    /** For a count: the part that is counted. */
    of: reference.optional(),
    ask: z.string(),
    choices: z.array(z.string()).optional(),
    expect: figure(z.union([z.number(), z.string()])).optional(),
    /** In rebuild: the teardown capture that this one must agree with, and for positions within what. */
    agrees_with: reference.optional(),
    tolerance_mm: figure(z.number().positive()).optional(),
  });

const sharedOf = (figure: Figure) => ({
  ...conditional,
  id: reference,
  title: z.string(),
  do: z.string(),
  parts: z.array(reference),
  tools: z.array(z.string()).default([]),
  cautions: z.array(reference).default([]),
  reason: z.string().optional(),
  mistake: z.string().optional(),
  captures: z.array(captureOf(figure)).default([]),
});

/**
 * A bench sum shown at the step: its inputs from the family, and those that come from the job's readings or positions.
 */
const setting = z.strictObject({
  ...conditional,
  sum: z.string(),
  title: z.string(),
  input: z.record(z.string(), z.unknown()).default({}),
  /** Input field by the point whose readings (as a list, or their mean) or the capture whose position it takes. */
  from: z
    .record(
      z.string(),
      z.strictObject({
        point: reference.optional(),
        capture: reference.optional(),
        as: z.enum(['list', 'mean']).default('mean'),
      }),
    )
    .default({}),
  /** The figure of the result that the step wants. */
  gives: z.string(),
  unit: z.string(),
});

export const teardownStepOf = (figure: Figure) => z.strictObject(sharedOf(figure));

export const rebuildStepOf = (figure: Figure) =>
  z.strictObject({
    ...sharedOf(figure),
    needs: z.array(reference).default([]),
    settings: z.array(setting).default([]),
    consumables: z.array(z.strictObject({ what: z.string(), suits: z.array(z.string()), use: z.string() })).default([]),
    heat: z
      .strictObject({
        bore_mm: figure(z.number()),
        shaft: z.string(),
        mounting_clearance_um: figure(z.number().positive()),
        sealed: z.boolean(),
      })
      .optional(),
    torque: z
      .strictObject({
        window_nm: bandOf(figure),
        thread: figure(z.string()),
        grade: z.string(),
        bolts: figure(z.number().int()).default(1),
        pattern: z.string(),
      })
      .optional(),
    measures: z.array(reference).default([]),
    hold_point: z.boolean().default(false),
  });
