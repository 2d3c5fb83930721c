import * as z from 'zod';
import {
  addWorkedInput,
  correctWorkedInput,
  endAbsenceInput,
  endFeedInput,
  makeFeedInput,
  saveAbsenceInput,
  saveCalendarInput,
  saveResourceInput,
  weighJobInput,
  wishOperationInput,
} from '@/core/change/inputs';
import { verb } from './verb';

const desk = ['coordinator'] as const;
const version = z.object({ version: z.number().int() });

/** The plan of hands and places: hours, who is away, wishes that it respects. */
export const planningVerbs = {
  'save-absence': verb({
    about: 'Somebody is away for some days, or a place is; the plan flows round it.',
    audience: desk,
    input: saveAbsenceInput,
    result: z.object({ id: z.string() }),
  }),
  'end-absence': verb({
    about: 'Takes an absence away: it was a mistake, or is over sooner.',
    audience: desk,
    input: endAbsenceInput,
    result: z.object({ id: z.string() }),
  }),
  'save-resource': verb({
    about: 'What a hand can do and when it is there; a place of the shop.',
    audience: desk,
    input: saveResourceInput,
    result: version,
  }),
  'save-calendar': verb({
    about: 'Hours of hands and places, week by week, and the days on which nobody is there.',
    audience: desk,
    input: saveCalendarInput,
    result: version,
  }),
  'wish-operation': verb({
    about: 'A hand or a first day for one operation of a job, which the plan respects.',
    audience: desk,
    input: wishOperationInput,
    result: z.object({ tag: z.string() }),
  }),
  'weigh-job': verb({
    about: 'How much a late day of a job weighs against those of others.',
    audience: desk,
    input: weighJobInput,
    result: z.object({ tag: z.string() }),
  }),
  'back-test': verb({
    about: 'Holds the next few pumps that went out against what the plan of the day said on which they came in.',
    audience: desk,
    input: z.strictObject({}),
    result: z.object({ tested: z.number().int(), left: z.number().int() }),
  }),
  'make-feed': verb({
    about: 'Makes a link under which a calendar reads the work of a hand or a place, or what comes and goes.',
    audience: ['coordinator', 'technician', 'inspector', 'parts'],
    input: makeFeedInput,
    result: z.object({ id: z.string(), path: z.string() }),
  }),
  'end-feed': verb({
    about: 'Ends a calendar’s link: whoever has it reads nothing any more.',
    audience: ['coordinator', 'technician', 'inspector', 'parts'],
    input: endFeedInput,
    result: z.object({ id: z.string() }),
  }),
  'correct-worked': verb({
    about: 'The minutes of a piece of work were others than the bench took; with a reason.',
    audience: ['coordinator', 'technician', 'inspector'],
    input: correctWorkedInput,
    result: version,
  }),
  'add-worked': verb({
    about: 'Work on a pump that no device saw.',
    audience: ['coordinator', 'technician', 'inspector'],
    input: addWorkedInput,
    result: z.object({ id: z.string() }),
  }),
} as const;
