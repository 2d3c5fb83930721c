import type { OpenTimes, WorkCalendar } from './open-times';

/** What a plan is made of, as a person would write it down. Times are local, as `YYYY-MM-DDTHH:MM`. */
export interface PlanAsked {
  readonly start: string;
  readonly calendars: readonly WorkCalendar[];
  readonly resources: readonly {
    readonly id: string;
    readonly calendar?: string | undefined;
    readonly skills: readonly string[];
  }[];
  readonly jobs: readonly JobAsked[];
  readonly objective: Objective;
  /** How long may be searched, in milliseconds of a usual machine; a count of tries follows from it. */
  readonly budgetMs: number;
}

export interface JobAsked {
  readonly id: string;
  readonly ready?: string | undefined;
  readonly due?: string | undefined;
  readonly weight: number;
  readonly operations: readonly OperationAsked[];
}

export interface OperationAsked {
  readonly id: string;
  /** Skills, one resource for each. */
  readonly needs: readonly string[];
  readonly minutes: number;
  readonly ready?: string | undefined;
  /** Ids of operations of the same job; left out: the one before it in the list. */
  readonly after?: readonly string[] | undefined;
  readonly split: boolean;
}

export type Objective = 'lateness' | 'makespan';

/** Something that no plan can be made of; the path names the field. */
export class PlanFault extends Error {
  constructor(
    readonly path: string,
    message: string,
  ) {
    super(message);
    this.name = 'PlanFault';
  }
}

/** Who does an operation together. */
export interface Crew {
  /** In the order of its needs, by their places in the list. */
  readonly resources: readonly number[];
  /** When all of them are there; null: always. */
  readonly open: OpenTimes | null;
}

/** An operation with everything looked up: places in lists for ids, minutes from the start for times. */
export interface Operation {
  readonly id: string;
  readonly job: number;
  readonly minutes: number;
  readonly ready: number;
  readonly split: boolean;
  readonly before: readonly number[];
  readonly after: readonly number[];
  /** Who can do it, the least versatile first. */
  readonly crews: readonly Crew[];
}

export interface PlanJob {
  readonly id: string;
  readonly ready: number;
  readonly due: number | null;
  readonly weight: number;
  /** In an order in which each comes after those that it follows. */
  readonly operations: readonly number[];
}

export interface Resource {
  readonly id: string;
  readonly calendar: string | null;
  /** Null: always open. */
  readonly open: OpenTimes | null;
}

export interface Problem {
  readonly startMs: number;
  readonly objective: Objective;
  readonly budgetMs: number;
  readonly resources: readonly Resource[];
  readonly jobs: readonly PlanJob[];
  readonly operations: readonly Operation[];
}
