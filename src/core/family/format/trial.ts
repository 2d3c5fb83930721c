import * as z from 'zod';
import { actions } from '../../record/enumerations';
import { conditional, reference, when, type Figure } from './pieces';
import { stepOf } from './steps';

export const trialOf = (figure: Figure) =>
  z
    .strictObject({
      /**
       * 'curve': head over flow by ISO 9906; 'slip': flow over pressure of a positive-displacement pump; 'power': the
       * power taken while it runs, of what has neither, such as a mixer.
       */
      kind: z.enum(['curve', 'slip', 'power']).default('curve'),
      /** In which builds the run has no curve: only the power taken is judged. */
      power_alone: when,
      /** For slip: displacement of one turn, and the least share of it that must arrive at the duty. */
      displacement_cm3: figure(z.number().positive()).optional(),
      least_volumetric_pct: figure(z.number().min(1).max(100)).optional(),
      /** For slip: shares of the duty's pressure at which the flow is read. */
      pressure_shares: z.array(z.number().positive().max(2)).default([0.25, 0.5, 0.75, 1, 1.15]),
      grade: z.enum(['1E', '1B', '1U', '2B', '2U', '3B']),
      flow_shares: z.array(z.number().min(0)),
      pipe_mm: z.strictObject({ suction: figure(z.number()), discharge: figure(z.number()) }),
      /** What is checked on the stand beside the curve. */
      steps: z.array(stepOf(figure)),
      cautions: z.array(reference),
      stop_when: z.array(z.string()),
    })
    .refine(
      (test) =>
        test.kind !== 'slip' || (test.displacement_cm3 !== undefined && test.least_volumetric_pct !== undefined),
      {
        message: 'a slip test needs the displacement of a turn and the least volumetric efficiency',
        path: ['displacement_cm3'],
      },
    );

export const damage = z.strictObject({
  ...conditional,
  seen: z.string(),
  part: reference,
  points_to: z.string(),
  /** What is usually done about it. */
  usual: z.enum(actions).optional(),
  plain: z.string(),
});

export const kitOf = (figure: Figure) =>
  z.strictObject({
    ...conditional,
    id: reference,
    title: z.string(),
    /** As it stands on the kit's tag at the pump. */
    number: figure(z.string()).optional(),
    price_minor: figure(z.number().int()),
    lead_days: figure(z.number().int()),
    gives: z.array(z.strictObject({ ...conditional, part: reference, qty: figure(z.number().int()) })),
  });

/** Time that work needs after it and nobody’s hand: what cures, dries or cools. */
export const restOf = (figure: Figure) =>
  z.strictObject({
    ...conditional,
    id: reference,
    title: z.string(),
    after: z.enum(['clean', 'rebuild']),
    /** By the clock, not by the hours of the shop. */
    hours: figure(z.number().positive().max(500)),
  });

export const labourOf = (figure: Figure) =>
  z.strictObject({
    ...conditional,
    id: reference,
    title: z.string(),
    minutes: figure(z.number()),
    /** How many of the minutes are cleaning: they are planned at the washer and the cabinet. */
    cleaning: figure(z.number().nonnegative()).optional(),
    station: z.enum(['teardown', 'clean', 'inspect', 'rebuild', 'test', 'report']),
    on: z.strictObject({ part: reference, action: z.string() }).optional(),
    machining: z.boolean().default(false),
  });
