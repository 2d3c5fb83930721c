/* eslint-disable max-lines -- the whole format of a family file stands in one place */
import * as z from 'zod';

/** Places a coordinate pair [x along the shaft line, radius] of the section drawing, in drawing millimetres. */
const at = z.tuple([z.number(), z.number().min(0)]);
const reference = z.string().regex(/^[a-z0-9-]+$/, 'a reference is lower-case words joined by hyphens');
const band = z
  .strictObject({ min: z.number(), max: z.number() })
  .refine((b) => b.min <= b.max, 'the lower limit is above the upper one');
const openBand = z.strictObject({ min: z.number().optional(), max: z.number().optional() });

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
export const materialClasses = [
  'cast',
  'steel',
  'stainless',
  'bronze',
  'elastomer',
  'carbon-ceramic',
  'plastic',
] as const;

/** Variants in which something exists; absent means in all. */
const variants = z.array(reference).min(1).optional();
/** 'stage': as often as the pump has stages. */
const per = z.enum(['pump', 'stage']).default('pump');

const body = z.strictObject({
  variants,
  part: reference,
  /** Which shaft line it lies on, by its place in `section.lines`. */
  line: z.number().int().min(0).default(0),
  /** Drawn on both sides of its line, or on one side alone. */
  half: z.enum(['both', 'top', 'bottom']).default('both'),
  /** Drawn once for each stage that is shown. */
  per,
  symbol: z.enum(symbols),
  /** From and to along the shaft line. */
  x: z.tuple([z.number(), z.number()]),
  /** Inner and outer radius. */
  r: z.tuple([z.number().min(0), z.number().min(0)]),
  /** For the shaft: [x, radius] at each step, left to right. */
  steps: z.array(at).optional(),
  side: z.enum(['wet end', 'seal', 'bearing', 'drive']),
  inside: reference.optional(),
});

const part = z.strictObject({
  variants,
  per,
  ref: reference,
  name: z.string(),
  /** What it is and does, in words for the customer. */
  plain: z.string(),
  quantity: z.number().int().min(1).default(1),
  material: z.string(),
  class: z.enum(materialClasses),
  wears: z.boolean().default(false),
  soft: z.boolean().default(false),
  elastomer: z.string().optional(),
  /** The elastomer is chosen by job, for its liquid; `elastomer` is the usual one. */
  elastomer_by_job: z.boolean().default(false),
  thread: z.strictObject({ size: z.string(), hand: z.enum(['right', 'left']) }).optional(),
  weight: z.enum(['one person', 'two persons', 'hoist']).default('one person'),
  /** Parts that close it in: they come off before it at teardown and go on after it at rebuild. */
  behind: z.array(reference).default([]),
  number: z.string(),
  superseded: z.array(z.string()).default([]),
  alternatives: z.array(z.string()).default([]),
  price_minor: z.number().int().min(0),
  lead_days: z.number().int().min(0),
  /** How the part is drawn in pictures. */
  picture: z.enum([
    'ring',
    'impeller',
    'shaft',
    'bearing',
    'casing',
    'bracket',
    'seal',
    'plate',
    'gasket',
    'nut',
    'coupling',
  ]),
  /** Cleaning that suits it, and what must be masked. */
  clean: z.strictObject({ method: z.string(), mask: z.string().optional(), never: z.string().optional() }),
});

const place = z.strictObject({ plane: z.string(), angle_deg: z.number() });
const clearance = z.strictObject({
  sum: z.literal('running-clearance'),
  bore: reference,
  journal: reference,
  design_um: band,
  limit_um: z.number().positive(),
  length_mm: z.number().optional(),
  head_share: z.number().optional(),
});

const point = z.strictObject({
  variants,
  per,
  id: reference,
  number: z.number().int(),
  title: z.string(),
  part: reference,
  mates: reference.optional(),
  method: z.string(),
  instrument: z.enum(['outside micrometer', 'bore gauge', 'dial indicator', 'vernier caliper', 'depth gauge', 'none']),
  places: z.array(place),
  unit: z.literal('mm'),
  resolution_mm: z.number().positive(),
  new_mm: band.optional(),
  reuse_mm: openBand.optional(),
  /** Class the limit comes from, and for a bearing seat the bearing it carries. */
  seat: z
    .strictObject({
      nominal_mm: z.number(),
      shaft: z.string().optional(),
      hole: z.string().optional(),
      bearing: z.boolean(),
    })
    .optional(),
  derived: clearance.optional(),
  source: z.string(),
  critical: z.boolean().default(false),
  /** 'as-found' and/or 'as-left': when the point is measured. */
  when: z.array(z.enum(['as-found', 'as-left'])).min(1),
  /** What a bad value means, in plain words for the customer. */
  plain: z.string(),
  at,
  half: z.enum(['top', 'bottom']).default('top'),
});

const capture = z.strictObject({
  variants,
  per,
  id: reference,
  /** 'value': a number with a unit of its own, such as MΩ or a torque of drag, kept as it was typed. */
  kind: z.enum(['match-mark', 'position', 'count', 'photo', 'orientation', 'thread-hand', 'value']),
  unit: z.string().optional(),
  /** For a count: the part that is counted. */
  of: reference.optional(),
  ask: z.string(),
  choices: z.array(z.string()).optional(),
  expect: z.union([z.number(), z.string()]).optional(),
  /** In rebuild: the teardown capture that this one must agree with, and for positions within what. */
  agrees_with: reference.optional(),
  tolerance_mm: z.number().positive().optional(),
});

const stepShared = {
  variants,
  id: reference,
  title: z.string(),
  do: z.string(),
  parts: z.array(reference),
  tools: z.array(z.string()).default([]),
  cautions: z.array(reference).default([]),
  reason: z.string().optional(),
  mistake: z.string().optional(),
  captures: z.array(capture).default([]),
};
/**
 * A bench sum shown at the step: its inputs from the family, and those that come from the job's readings or positions.
 */
const setting = z.strictObject({
  variants,
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

const teardownStep = z.strictObject(stepShared);
const rebuildStep = z.strictObject({
  ...stepShared,
  needs: z.array(reference).default([]),
  settings: z.array(setting).default([]),
  consumables: z.array(z.strictObject({ what: z.string(), suits: z.array(z.string()), use: z.string() })).default([]),
  heat: z
    .strictObject({
      bore_mm: z.number(),
      shaft: z.string(),
      mounting_clearance_um: z.number().positive(),
      sealed: z.boolean(),
    })
    .optional(),
  torque: z
    .strictObject({
      window_nm: band,
      thread: z.string(),
      grade: z.string(),
      bolts: z.number().int().default(1),
      pattern: z.string(),
    })
    .optional(),
  measures: z.array(reference).default([]),
  hold_point: z.boolean().default(false),
});

export const familySchema = z.strictObject({
  format: z.literal('puddlestone-family/1'),
  /** F and a number for those that ship, S and a number for a shop's own. */
  id: z.string().regex(/^[FS]\d{1,4}$/, 'F and a number for a shipped family, S and a number for a shop’s own'),
  /** For a shop's own variant: which family and version it was made from. */
  made_from: z.string().optional(),
  /** Semantic version; behind a `+` the way in which a job's pump is built. */
  version: z.string().regex(/^\d{1,4}\.\d{1,4}\.\d{1,4}(\+[a-z0-9.-]{1,40})?$/, 'a version such as 1.0.0'),
  title: z.string(),
  short: z.string(),
  principle: z.enum(['rotodynamic', 'positive displacement']),
  drive: z.string(),
  sealing: z.string(),
  duty: z.string(),
  nameplate_words: z.array(z.string()),
  elastomers: z.array(z.string()),
  /** Ways in which this construction is built; the first is the usual one. */
  variants: z.array(z.strictObject({ id: reference, title: z.string(), what: z.string() })).default([]),
  /** How many stages it has; parts, points and counts marked by stage come as often. */
  stages: z
    .strictObject({ usual: z.number().int().min(1), least: z.number().int().min(1), most: z.number().int().max(60) })
    .refine(
      (one) => one.least <= one.usual && one.usual <= one.most,
      'the usual number of stages lies outside its range',
    )
    .optional(),
  section: z.strictObject({
    axis: z.enum(['horizontal', 'vertical']),
    length: z.number(),
    radius: z.number(),
    /** Height of each shaft line above the middle of the drawing. */
    lines: z
      .array(z.strictObject({ y: z.number() }))
      .min(1)
      .max(3)
      .default([{ y: 0 }]),
    /** Where the first stage stands and how long it is; what lies behind it moves along with the number of stages. */
    stack: z.strictObject({ from: z.number(), pitch: z.number().positive() }).optional(),
    bodies: z.array(body),
  }),
  parts: z.array(part),
  points: z.array(point),
  teardown: z.array(teardownStep),
  rebuild: z.array(rebuildStep),
  test: z
    .strictObject({
      /** 'curve': head over flow by ISO 9906; 'slip': flow over pressure of a positive-displacement pump. */
      kind: z.enum(['curve', 'slip']).default('curve'),
      /** For slip: displacement of one turn, and the least share of it that must arrive at the duty. */
      displacement_cm3: z.number().positive().optional(),
      least_volumetric_pct: z.number().min(1).max(100).optional(),
      /** For slip: shares of the duty's pressure at which the flow is read. */
      pressure_shares: z.array(z.number().positive().max(2)).default([0.25, 0.5, 0.75, 1, 1.15]),
      grade: z.enum(['1E', '1B', '1U', '2B', '2U', '3B']),
      flow_shares: z.array(z.number().min(0)),
      pipe_mm: z.strictObject({ suction: z.number(), discharge: z.number() }),
      checks: z.array(z.strictObject({ id: reference, title: z.string(), cautions: z.array(reference).default([]) })),
      cautions: z.array(reference),
      stop_when: z.array(z.string()),
    })
    .refine(
      (test) =>
        test.kind === 'curve' || (test.displacement_cm3 !== undefined && test.least_volumetric_pct !== undefined),
      {
        message: 'a slip test needs the displacement of a turn and the least volumetric efficiency',
        path: ['displacement_cm3'],
      },
    ),
  damage: z.array(z.strictObject({ seen: z.string(), part: reference, points_to: z.string(), plain: z.string() })),
  kits: z.array(
    z.strictObject({
      id: reference,
      title: z.string(),
      price_minor: z.number().int(),
      lead_days: z.number().int(),
      gives: z.array(z.strictObject({ part: reference, qty: z.number().int() })),
    }),
  ),
  labour: z.array(
    z.strictObject({
      id: reference,
      title: z.string(),
      minutes: z.number(),
      station: z.enum(['teardown', 'clean', 'inspect', 'rebuild', 'test', 'report']),
      when: z.strictObject({ part: reference, action: z.string() }).optional(),
      machining: z.boolean().default(false),
    }),
  ),
});

/** The JSON Schema of a family file as people write it: what has a usual value may be left out. */
export function familyJsonSchema(): Readonly<Record<string, unknown>> {
  return {
    $id: 'puddlestone-family-1.schema.json',
    title: 'Puddlestone pump family, format 1',
    ...z.toJSONSchema(familySchema, { io: 'input', unrepresentable: 'any' }),
  };
}

export type Family = z.infer<typeof familySchema>;
export type FamilyPart = Family['parts'][number];
export type FamilyPoint = Family['points'][number];
export type TeardownStep = Family['teardown'][number];
export type RebuildStep = Family['rebuild'][number];
export type Capture = TeardownStep['captures'][number];
export type Setting = RebuildStep['settings'][number];
export type Variant = Family['variants'][number];
export type SectionBody = Family['section']['bodies'][number];
