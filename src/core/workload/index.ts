export {
  calibrationOf,
  forecastReady,
  heldAt,
  type BackTested,
  type Calibration,
  type ForecastAsked,
  type SaidDay,
} from './back-test';
export { leadSpreads, leastLeads, type LeadKept, type LeadSpreads } from './lead-spreads';
export { minutesAhead, minutesAt, usualMinutes } from './minutes';
export { handSkills, placeSkills, skills, type Skill } from './skills';
export { usualWork, workAhead, workAheadSchema, type WorkAhead } from './work-ahead';
export {
  planShop,
  rangeFrom,
  runsFor,
  runsOf,
  workFinder,
  type PumpPlanned,
  type ShopChances,
  type ShopPlanned,
} from './ready-ranges';
export {
  lackingSkills,
  priorAnswerDays,
  priorFailRate,
  priorLead,
  priorWork,
  shopPlan,
  type Absence,
  type PlannedPump,
  type ShopCalendar,
  type ShopPlanAsked,
  type ShopResource,
  type Wish,
} from './shop-plan';
export { answerPromise, promiseChances, type LaterPump, type PromiseAnswered, type PromiseAsked } from './promise-desk';
export { afloatOf, boardOf, openOn, type Afloat, type Basin, type BoardRow, type Stone } from './plan-board';
export type {
  AbsenceShown,
  PlanDrawn,
  PlanShown,
  PlanTried,
  HandsShown,
  PlanWeeks,
  PromiseShown,
  PumpMoved,
  PumpShown,
} from './plan-shown';
export {
  leastWorked,
  sayWorked,
  standardOf,
  workPiece,
  workRatios,
  workSpread,
  workStations,
  type LastWork,
  type WorkedAt,
  type WorkStation,
} from './worked';
export { daySheetsOf, openDaysOf, type DayLine, type DaySheet } from './day-sheet';
export { mondayOf, weeksOf, type WeekLoad, type WeekPromises, type WeeksRow, type WeeksShown } from './weeks';
export { readHours, readTime, writeHours, type HoursFault } from './hours';
export { standardMinutesSchema } from './standard-minutes';
