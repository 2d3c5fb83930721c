import * as z from 'zod';
import { handSkills, placeSkills } from '../../workload/skills';
import { workStations } from '../../workload/worked';
import { basedOn, dayField, elementId, optionalText, personId, sentence, tagField } from './fields';

const resourceId = z.string().min(1, 'name the hand or the place').max(36);
const timeOfDay = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$|^24:00$/, 'a time looks like 07:00');

/** Somebody is sick or on holiday; a place or a gauge is away. Whole days, the last one with them. */
export const saveAbsenceInput = z
  .strictObject({ resourceId, from: dayField, to: dayField, reason: sentence(300) })
  .refine(({ from, to }) => from <= to, { message: 'the last day is before the first', path: ['to'] });

export const endAbsenceInput = z.strictObject({ id: z.string().max(36) });

/** What a hand can do and when it is there; a place, and whether it is used. */
export const saveResourceInput = z.strictObject({
  id: resourceId,
  basedOn,
  name: sentence(100),
  kind: z.enum(['hand', 'place']),
  skills: z.array(z.enum([...handSkills, ...placeSkills])).max(20),
  calendarId: z.string().max(36).nullable(),
  isActive: z.boolean(),
});
export type SaveResource = z.output<typeof saveResourceInput>;

export const saveCalendarInput = z.strictObject({
  id: z.string().max(36),
  basedOn,
  name: sentence(100),
  weekly: z
    .array(
      z
        .strictObject({ weekday: z.number().int().min(1).max(7), from: timeOfDay, to: timeOfDay })
        .refine(({ from, to }) => from < to, { message: 'it closes before it opens', path: ['to'] }),
    )
    .max(50),
  closed: z.array(dayField).max(400),
});

/** A hand or a first day for one operation of a job; both null: as the plan likes. */
export const wishOperationInput = z.strictObject({
  tag: tagField,
  operation: elementId.or(z.string().max(80)),
  resourceId: resourceId.nullable(),
  notBefore: dayField.nullable(),
});

/** How much a late day of a job weighs against those of others; 1 for most. */
export const weighJobInput = z.strictObject({
  tag: tagField,
  weight: z.number('type a weight').gt(0, 'must be more than 0').max(100, 'at most 100'),
  reason: sentence(300),
});

/** What a caller asks: a pump that would come on a day, in its turn or before all others. */
export const askPromiseInput = z.strictObject({
  familyId: z.string().regex(/^[FS]\d{1,4}$/, 'choose a construction'),
  size: optionalText(60),
  comesOn: dayField,
  isFirst: z.boolean().default(false),
});
export type AskPromise = z.output<typeof askPromiseInput>;

/** A change that is tried on the plan before it is kept. */
export const tryPlanInput = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('wish'), wish: wishOperationInput }),
  z.strictObject({ kind: z.literal('weight'), tag: tagField, weight: z.number().gt(0).max(100) }),
  z.strictObject({ kind: z.literal('absence'), resourceId, from: dayField, to: dayField }),
]);
export type TryPlan = z.output<typeof tryPlanInput>;

const minutesField = z
  .number('type the minutes')
  .min(0, 'cannot be less than 0')
  .max(24 * 60, 'at most a day');

/** The minutes of a piece of work were others: a break, a second pair of hands, a forgotten tablet. */
export const correctWorkedInput = z.strictObject({
  id: z.string().max(36),
  basedOn,
  minutes: minutesField,
  reason: sentence(300),
});

/** Work that no device saw. */
export const addWorkedInput = z.strictObject({
  tag: tagField,
  station: z.enum(workStations),
  personId,
  day: dayField,
  minutes: minutesField.gt(0, 'must be more than 0'),
  reason: sentence(300),
});

/** A link for a calendar: of a hand's or a place's work, or of what comes and goes. */
export const makeFeedInput = z.strictObject({ subject: resourceId });
export const endFeedInput = z.strictObject({ id: z.string().max(36) });
