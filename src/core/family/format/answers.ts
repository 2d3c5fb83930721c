import * as z from 'zod';
import { bandOf, openBandOf, reference, type Figure } from './pieces';

/**
 * What an answer that is not right does: stops the step, or is kept as a finding while the work goes on. Where nothing is
 * said, what teardown found is a finding, and everything else stops.
 */
const wrong = z.enum(['stop', 'finding']).optional();
/** What an answer that is not right means, in words for the bench. */
const means = z.string().optional();
/** At rebuild: the teardown action whose answer says how it was found; what is left is held against it where nothing says how it should be. */
const agrees_with = reference.optional();

const checkAnswer = z.strictObject({
  kind: z.literal('check'),
  ask: z.string(),
  right: z.enum(['yes', 'no']).default('yes'),
  means,
  wrong,
});

const choiceOf = (figure: Figure) =>
  z.strictObject({
    kind: z.literal('choice'),
    about: z.enum(['orientation', 'thread hand', 'condition', 'other']).default('other'),
    ask: z.string(),
    choices: z.array(z.string()).min(2),
    /** How it is right; without it, as it was found. */
    should: figure(z.string()).optional(),
    /** The axis that is found out here, its choices by their titles: another than was received corrects the build. */
    axis: reference.optional(),
    agrees_with,
    means,
    wrong,
  });

const countOf = (figure: Figure) =>
  z.strictObject({
    kind: z.literal('count'),
    ask: z.string(),
    /** The part that is counted; how many there must be follows from how the pump is built. */
    of: reference.optional(),
    /** How many, where no part says it. */
    expect: figure(z.number().int().min(0)).optional(),
    agrees_with,
    means,
    wrong,
  });

const valueOf = (figure: Figure) =>
  z.strictObject({
    kind: z.literal('value'),
    ask: z.string(),
    unit: z.string(),
    /** Within which it is right. */
    window: openBandOf(figure).optional(),
    should: figure(z.number()).optional(),
    /** How far it may lie from what it should be, or from what was found. */
    tolerance: figure(z.number().positive()).optional(),
    agrees_with,
    /** What is left may be more than was found, and not less: the insulation of a winding. */
    not_below_found: z.boolean().optional(),
    /** What can be meant at all; anything else is refused as a slip of the hand. */
    plausible: bandOf(figure).optional(),
    means,
    wrong,
  });

const torqueOf = (figure: Figure) =>
  z.strictObject({
    kind: z.literal('torque'),
    window_nm: bandOf(figure),
    thread: figure(z.string()),
    grade: z.string(),
    bolts: figure(z.number().int()).default(1),
    pattern: z.string(),
    /** Shares of the torque by pass; without it, one pass. */
    passes_pct: z.array(z.number().positive().max(100)).optional(),
  });

const turn = z.strictObject({
  kind: z.literal('turn'),
  ask: z.string(),
  /** Grades that pass; “free and even” always does. */
  allows: z.array(z.enum(['heavy and even'])).default([]),
  /** What else it may be, and what each points to. */
  means,
});

/**
 * Input field by the point whose readings (as a list, or their mean), the action whose value, or the fact of the job
 * that it takes.
 */
const sources = z
  .record(
    z.string(),
    z.strictObject({
      point: reference.optional(),
      action: reference.optional(),
      job: z
        .enum(['speed_rpm', 'flow_m3h', 'head_m', 'power_kw', 'liquid_temperature_c', 'viscosity_mm2_s'])
        .optional(),
      as: z.enum(['list', 'mean']).default('mean'),
    }),
  )
  .default({});

/**
 * A bench sum at its place: inputs from the file, and those that come from the job. `set` says what to set and asks
 * what was set; `judge` judges what was measured.
 */
const settingOf = (figure: Figure) =>
  z.strictObject({
    kind: z.literal('setting'),
    mode: z.enum(['set', 'judge']).default('set'),
    sum: z.string(),
    title: z.string(),
    input: z.record(z.string(), figure(z.unknown())).default({}),
    from: sources,
    /** The figure of the result that is wanted. */
    gives: z.string(),
    unit: z.string(),
    /** Within which the figure is right. */
    window: openBandOf(figure).optional(),
    /** How far what was set may lie from what was asked. */
    tolerance: figure(z.number().positive()).optional(),
  });

const columnOf = (figure: Figure) =>
  z.strictObject({
    /** Its name, and in the sum that judges, where one does, unless `field` says another. */
    id: z.string().regex(/^[a-z][a-z0-9_]*$/, 'lower-case words joined by low lines'),
    /** Its place in the sum's input, by names joined with full stops: `rim.top_mm`. */
    field: z
      .string()
      .regex(/^[a-z][a-z0-9_]*(\.[a-z][a-z0-9_]*)?$/, 'a name, or two joined with a full stop')
      .optional(),
    title: z.string(),
    unit: z.string().default(''),
    /** Words to choose from; a number where none are given. */
    choices: z.array(z.string()).min(2).optional(),
    /** The choice that says there is nothing of it: the sum gets no such field. */
    none: z.string().optional(),
    /** Within which every entry is right. */
    window: openBandOf(figure).optional(),
    /** How far the entries of all rows may lie apart: four places of a gap. */
    agree: figure(z.number().positive()).optional(),
    /** No entry is more than the one above it: drops that must fall. */
    falls: z.boolean().optional(),
    /** What can be meant at all. */
    plausible: bandOf(figure).optional(),
  });

/**
 * A record of several figures: a leak test, a run-in log, a series of temperatures, a torque by nut, a ledger of shims.
 * A sum may judge it, with the one row as its fields, or all rows as a list.
 */
const recordOf = (figure: Figure) =>
  z.strictObject({
    kind: z.literal('record'),
    ask: z.string(),
    columns: z.array(columnOf(figure)).min(1).max(8),
    /** How many rows at least. */
    least: figure(z.number().int().min(1).max(200)).default(1),
    /** Rows as a good pump gives them; they must be right by the record's own windows and sum. */
    example: z.array(z.record(z.string(), figure(z.string()))).min(1),
    /** The rows by name, where each is a thing of its own, such as a nut; then there are as many as names. */
    rows: z.array(z.string()).optional(),
    judge: z
      .strictObject({
        sum: z.string(),
        input: z.record(z.string(), figure(z.unknown())).default({}),
        from: sources,
        /** The field of the sum that takes all rows; without it the one row gives its fields. */
        list: z.string().optional(),
        /** The figure of the result that says how it is. */
        gives: z.string(),
        unit: z.string().default(''),
        /** Words of the figure that are right. */
        right: z.array(z.string()).optional(),
        window: openBandOf(figure).optional(),
      })
      .optional(),
    means,
    wrong,
  });

const heatOf = (figure: Figure) =>
  z.strictObject({
    kind: z.literal('heat'),
    bore_mm: figure(z.number()),
    shaft: figure(z.string()),
    mounting_clearance_um: figure(z.number().positive()),
    sealed: z.boolean(),
    /** The point whose largest reading says how tight this seat is; the class of the shaft where it has none. */
    seat: reference.optional(),
  });

/** The number on the kit's tag; where the tag is gone, model and serial number find the kits of this build. */
const kitTag = z.strictObject({
  kind: z.literal('kit'),
  ask: z.string(),
  /** The kits of the build that have a number; put in when a pump is built. */
  kits: z.array(z.strictObject({ number: z.string(), title: z.string() })).default([]),
  wrong,
});

/** What an action asks; an action without one is ticked. */
export const answerOf = (figure: Figure) =>
  z.discriminatedUnion('kind', [
    checkAnswer,
    choiceOf(figure),
    countOf(figure),
    valueOf(figure),
    z.strictObject({ kind: z.literal('mark'), ask: z.string(), agrees_with }),
    z.strictObject({ kind: z.literal('note'), ask: z.string(), agrees_with }),
    z.strictObject({ kind: z.literal('photo'), ask: z.string(), beside: reference.optional() }),
    torqueOf(figure),
    turn,
    settingOf(figure),
    heatOf(figure),
    recordOf(figure),
    kitTag,
    z.strictObject({ kind: z.literal('measure'), points: z.array(reference).min(1) }),
  ]);
