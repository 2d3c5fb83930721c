import type { Spread } from '../planning';
import type { Station } from '../record';
import type { Afloat, BoardRow } from './plan-board';
import type { PromiseAnswered } from './promise-desk';
import type { PumpPlanned } from './ready-ranges';
import type { Absence, ShopCalendar, ShopResource, Wish } from './shop-plan';
import type { Skill } from './skills';
import type { WeeksShown } from './weeks';

/** A pump as the plan shows it. */
export interface PumpShown extends Omit<PumpPlanned, 'limit'> {
  readonly limit: { readonly kind: PumpPlanned['limit']['kind']; readonly words: string };
  readonly pump: string;
  readonly customer: string;
  readonly promisedOn: string;
  readonly station: Station;
  readonly isHeld: boolean;
  readonly weight: number;
}

/** What is drawn of a plan, as it stands or as it is tried. */
export interface PlanDrawn {
  readonly days: readonly string[];
  readonly board: readonly BoardRow[];
  readonly afloat: readonly Afloat[];
  readonly pumps: readonly PumpShown[];
}

export interface AbsenceShown extends Absence {
  readonly id: string;
  readonly reason: string;
}

/** The plan with all that it is made of. */
export interface PlanShown extends PlanDrawn {
  /** Local time, as YYYY-MM-DDTHH:MM. */
  readonly now: string;
  readonly today: string;
  readonly resources: readonly (ShopResource & { readonly version: number })[];
  readonly calendars: readonly (ShopCalendar & { readonly name: string; readonly version: number })[];
  readonly absences: readonly AbsenceShown[];
  readonly wishes: readonly Wish[];
  /** Skills that some work needs and nobody has: then there is no plan yet. */
  readonly lacking: readonly Skill[];
  /** Why no plan can be drawn up, such as an absence that leaves nobody; null where there is one. */
  readonly fault: string | null;
  /** How many answers and first tests the shop's history has, and what is reckoned with. */
  readonly answers: number;
  readonly tests: number;
  readonly answerDays: Spread;
  readonly failRate: number;
  /** By what the minutes of the families vary, and how many timed pumps that is from. */
  readonly workSpread: Spread;
  readonly timed: number;
  /** By what the lead times that suppliers acknowledge vary, of all and by supplier, and how many orders that is from. */
  readonly leadSpread: Spread;
  /** Days until the last part of a repair is here, where its history says it. */
  readonly partsDays: Spread | null;
  readonly leadByHouse: Readonly<Record<string, Spread>>;
  readonly orders: number;
}

/** All hands and places, also those that the plan leaves out, with their hours. */
export interface HandsShown {
  readonly today: string;
  readonly resources: readonly (ShopResource & { readonly version: number; readonly isActive: boolean })[];
  readonly calendars: PlanShown['calendars'];
}

/** What hands and places have to do in the weeks ahead. */
export interface PlanWeeks extends WeeksShown {
  readonly today: string;
  readonly fault: string | null;
}

/** A pump that is ready on another day by a try. */
export interface PumpMoved {
  readonly tag: string;
  readonly from: string;
  readonly to: string;
  readonly promisedOn: string;
  readonly isLate: boolean;
}

export interface PlanTried extends PlanDrawn {
  readonly moved: readonly PumpMoved[];
}

/** What a caller is told; null where skills are lacking. */
export interface PromiseShown {
  readonly lacking: readonly Skill[];
  /** Why there is no answer just now, in words; null where there is one, or skills are lacking. */
  readonly fault: string | null;
  readonly answer: PromiseAnswered | null;
}
