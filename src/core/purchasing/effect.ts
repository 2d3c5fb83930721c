import { addDays, readyIfArriving, type Remaining } from '../planning';
import type { SourcedLine } from './supply-lines';

/** What a line that is still to come does to its job's promise. */
export interface PromiseEffect {
  /** The day that it is expected on: as named, or the soonest if it were ordered today. */
  readonly arrivesOn: string;
  /** Nobody has named that day yet. */
  readonly isGuess: boolean;
  readonly readyOn: string;
  /** Days from the likely day to the promise; below 0 it is broken by this line. */
  readonly spareDays: number;
}

const daysBetween = (from: string, to: string) => Math.round((Date.parse(to) - Date.parse(from)) / 86_400_000);

interface Asked {
  readonly remaining: Remaining;
  readonly promisedOn: string;
  readonly today: string;
}

/** What a line does to the promise if all else were here: when it comes, when the job is then ready, what is left. */
export function effectOf(
  { dueOn, leadDays }: Pick<SourcedLine, 'dueOn' | 'leadDays'>,
  { remaining, promisedOn, today }: Asked,
): PromiseEffect {
  const named = dueOn === null ? null : dueOn > today ? dueOn : today;
  const arrivesOn = named ?? addDays(today, leadDays);
  const readyOn = readyIfArriving(remaining, arrivesOn, today);
  return { arrivesOn, isGuess: named === null, readyOn, spareDays: daysBetween(readyOn, promisedOn) };
}
