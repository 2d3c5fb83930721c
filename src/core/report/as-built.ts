import * as z from 'zod';
import { supplySections } from './as-built-supply';

const signed = z.object({ by: z.string(), at: z.string() });
const workingStep = z.object({
  what: z.string(),
  formula: z.string().optional(),
  put: z.string().optional(),
  outcome: z.string(),
  source: z.string().optional(),
});
const side = z.object({
  readings: z.array(
    z.object({
      place: z.string(),
      /** Null where the point is no length; its value stands in `value`, in the unit of the point. */
      value_mm: z.number().nullable(),
      value: z.number().optional(),
      typed: z.string(),
      instrument: z.string().nullable(),
      by: z.string(),
    }),
  ),
  worst_mm: z.number().nullable(),
  /** In the unit of the point, where that is no length. */
  worst: z.number().nullable().optional(),
  verdict: z.string(),
  reason: z.string(),
  working: z.array(workingStep),
});

/** The as-built record: what is issued, frozen and published as JSON. Field names carry their units. */
export const asBuiltSchema = z.object({
  format: z.literal('puddlestone-as-built/1'),
  number: z.string(),
  revision: z.string(),
  what_changed: z.string(),
  issued: signed,
  shop: z.object({ name: z.string(), place: z.string() }),
  job: z.object({
    tag: z.string(),
    opened_at: z.string(),
    customer: z.string(),
    equipment_number: z.string(),
    why_out: z.string(),
    liquid: z.string(),
    cleaning: z.string(),
    running_hours: z.number().nullable(),
  }),
  pump: z.object({
    maker: z.string(),
    model: z.string(),
    serial: z.string(),
    size: z.string(),
    family: z.string(),
    family_version: z.string(),
  }),
  duty: z
    .object({ flow_m3h: z.number(), head_m: z.number(), power_kw: z.number().nullable(), speed_rpm: z.number() })
    .nullable(),
  history: z.array(
    z.object({ tag: z.string(), opened_at: z.string(), outcome: z.string(), report: z.string().nullable() }),
  ),
  points: z.array(
    z.object({
      number: z.number(),
      title: z.string(),
      /** Of its values and limits. */
      unit: z.string().default('mm'),
      new: z.string(),
      reuse: z.string(),
      source: z.string(),
      critical: z.boolean(),
      as_found: side,
      as_left: side,
    }),
  ),
  findings: z.array(
    z.object({
      what: z.string(),
      part: z.string(),
      proposed: z.string().nullable(),
      verdict: z.string().nullable(),
      overruled: z.string().nullable(),
      waived: z.string().nullable(),
      disposition: z.string().nullable(),
      reason: z.string().nullable(),
      by: z.string(),
    }),
  ),
  /** A pump that came as one build and went back as another: which, and what came out and went in by it. */
  conversion: z
    .object({
      came_as: z.string(),
      went_back_as: z.string(),
      out: z.array(z.object({ name: z.string(), number: z.string(), quantity: z.number() })),
      in: z.array(z.object({ name: z.string(), number: z.string(), quantity: z.number() })),
    })
    .optional(),
  /** What was begun before the pump came: by whom, how far, and what could no longer be taken. */
  begun_elsewhere: z
    .object({ by: z.string(), done: z.string(), lost: z.array(z.object({ what: z.string(), instead: z.string() })) })
    .optional(),
  /** What was in the pump that nobody could name, and who allowed that it was opened. */
  residue: z.object({ description: z.string(), result: z.string(), allowed_by: z.string().nullable() }).optional(),
  /** A pump that came back within its warranty: whose fault it was. */
  warranty_return: z
    .object({ of: z.string(), judgement: z.string(), share_pct: z.number(), reason: z.string(), by: z.string() })
    .optional(),
  /** Runs of cleaning: by which method, what was asked of it, which parts, what was seen on them when they were clean. */
  cleaning: z
    .array(
      z.object({
        parts: z.array(z.string()),
        how: z.string(),
        seen: z.array(z.string()),
        by: z.string(),
        at: z.string(),
      }),
    )
    .optional(),
  ...supplySections,
  /** What was to be done, why, from which source, and how far it went; reports from before had no such list. */
  scope: z
    .array(
      z.object({
        what: z.string(),
        action: z.string(),
        why: z.string(),
        source: z.string(),
        standing: z.string(),
        quote: z.string().nullable(),
      }),
    )
    .optional(),
  parts_fitted: z.array(z.object({ name: z.string(), number: z.string(), quantity: z.number(), order: z.string() })),
  positions: z.array(z.object({ what: z.string(), teardown: z.string(), rebuild: z.string() })),
  steps: z.array(
    z.object({
      round: z.number(),
      title: z.string(),
      by: z.string(),
      at: z.string(),
      torque_nm: z.number().nullable(),
      temperature_c: z.number().nullable(),
      consumable: z.string().nullable(),
      hold_point_signed_by: z.string().nullable(),
    }),
  ),
  settings: z.array(z.object({ title: z.string(), working: z.array(workingStep) })),
  tests: z.array(
    z.object({
      run: z.number(),
      at: z.string(),
      by: z.string(),
      grade: z.string(),
      verdict: z.string(),
      reason: z.string(),
      decision: z.string().nullable(),
      decision_reason: z.string().nullable(),
      decided_by: z.string().nullable(),
      points: z.array(
        z.object({ flow_m3h: z.number(), head_m: z.number(), power_kw: z.number(), efficiency_pct: z.number() }),
      ),
      kind: z.enum(['curve', 'slip', 'power']).optional(),
      /** Of what has no curve: shaft power at the rated speed, what the plate says, how far readings lie apart. */
      power: z.object({ mean_kw: z.number(), rated_kw: z.number().nullable(), spread_pct: z.number() }).optional(),
      band: z
        .object({
          flow_m3h: z.object({ min: z.number(), max: z.number() }),
          head_m: z.object({ min: z.number(), max: z.number() }),
        })
        .optional(),
      slip: z
        .object({
          theoretical_m3h: z.number(),
          least_m3h: z.number(),
          duty_kpa: z.number(),
          pressures_kpa: z.array(z.number()),
          volumetric_pct: z.number(),
          line: z.array(z.number()),
          /** What is to be expected of the job's liquid, by its viscosity and that of the stand's. */
          at_job: z
            .object({
              test_mm2_s: z.number(),
              job_mm2_s: z.number(),
              slip_m3h: z.number(),
              flow_m3h: z.number(),
            })
            .optional(),
        })
        .optional(),
      guarantee: z.object({ flow_m3h: z.number(), head_m: z.number() }),
      curve: z.array(z.number()),
      working: z.array(workingStep),
    }),
  ),
  approvals: z.array(
    z.object({
      revision: z.number(),
      way: z.string(),
      name: z.string(),
      at: z.string(),
      text: z.string(),
      fingerprint: z.string(),
    }),
  ),
  deviations: z.array(z.string()),
  policies: z.array(z.string()),
  cautions: z.array(z.string()),
  photos: z.array(z.object({ id: z.string(), caption: z.string(), at: z.string() })),
  signatures: z.array(z.object({ role: z.string(), name: z.string(), at: z.string() })),
  events: z.object({ count: z.number(), head_hash: z.string() }),
});
export type AsBuilt = z.infer<typeof asBuiltSchema>;

/** The as-built record's published JSON Schema (draft 2020-12), generated from the schema above. */
export function asBuiltJsonSchema() {
  return {
    $id: 'puddlestone-as-built-1.schema.json',
    title: 'Puddlestone as-built record, format 1',
    ...z.toJSONSchema(asBuiltSchema),
  };
}
