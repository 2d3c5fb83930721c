import type { Spread } from '../planning';
import { quantileBetween } from '../sums/quantile';

/** Stations whose hands-on work is timed, each an operation of the plan. */
export const workStations = ['teardown', 'clean', 'inspect', 'quote', 'rebuild', 'test', 'report'] as const;
export type WorkStation = (typeof workStations)[number];

/** Stations whose work a family lists with its minutes. */
export const listedStations = [
  'teardown',
  'clean',
  'inspect',
  'rebuild',
  'test',
] as const satisfies readonly WorkStation[];
type Listed = (typeof listedStations)[number];

/** Minutes that the family, as the pump is built, reckons for each station. */
export type StandardMinutes = Readonly<Record<Listed, number>>;

export const standardOf = (minutesOf: (station: Listed) => number): StandardMinutes => {
  const [teardown, clean, inspect, rebuild, test] = listedStations.map(minutesOf);
  return { teardown: teardown ?? 0, clean: clean ?? 0, inspect: inspect ?? 0, rebuild: rebuild ?? 0, test: test ?? 0 };
};

/** The last piece of work of a person, on whatever pump. */
export interface LastWork {
  readonly tag: string;
  readonly station: string;
  readonly to: Date;
}

/** An entry that ends a piece of work: when it was made, and how long before the person had turned to it. */
export interface WorkEntry {
  readonly tag: string;
  readonly station: WorkStation;
  readonly madeAt: Date;
  readonly secondsSince: number;
}

/** A longer time without an entry is not known to be work. */
const mostGapS = 2 * 3600;
/** Pieces of the same work that are this near to each other are one. */
const joinS = 600;

export interface WorkPiece {
  readonly from: Date;
  readonly to: Date;
  readonly seconds: number;
  /** It goes on from the last piece. */
  readonly isMore: boolean;
}

/**
 * The piece of work that an entry ends. Nobody is in two places: it begins no sooner than the last one ended. A gap of
 * more than two hours counts as nothing, for nobody knows what was done in it.
 */
export function workPiece(last: LastWork | null, { tag, station, madeAt, secondsSince }: WorkEntry): WorkPiece {
  const to = madeAt.getTime();
  const begun = Math.max(to - Math.max(0, secondsSince) * 1000, Math.min(to, last?.to.getTime() ?? 0));
  const isKnown = to - begun <= mostGapS * 1000;
  const from = isKnown ? begun : to;
  const isSame = last !== null && last.tag === tag && last.station === station;
  return {
    ...{ from: new Date(from), to: madeAt, seconds: Math.round((to - from) / 1000) },
    isMore: isSame && from - last.to.getTime() <= joinS * 1000,
  };
}

/** What one pump took at one station. */
export interface WorkedAt {
  readonly tag: string;
  readonly station: string;
  readonly seconds: number;
  readonly standard: StandardMinutes | null;
}

const isListed = (station: string): station is Listed => listedStations.some((one) => one === station);

/** For each pump with timed work: its minutes over those that the family reckons for the same stations. */
export function workRatios(worked: readonly WorkedAt[]): readonly number[] {
  const tags = [...new Set(worked.map(({ tag }) => tag))];
  return tags.flatMap((tag) => {
    const own = worked.filter((one) => one.tag === tag && isListed(one.station));
    const minutes = own.reduce((sum, { seconds }) => sum + seconds / 60, 0);
    const standard = Object.values(own[0]?.standard ?? {}).reduce((sum, one) => sum + one, 0);
    return standard > 0 && minutes > 0 ? [minutes / standard] : [];
  });
}

/** Fewer pumps than this say little. */
export const leastWorked = 8;

/** By what the family's minutes vary in this shop; null while too few pumps are timed. */
export function workSpread(worked: readonly WorkedAt[]): Spread | null {
  const ratios = workRatios(worked);
  if (ratios.length < leastWorked) return null;
  const at = (pct: number) => Math.min(10, Math.max(0.1, quantileBetween(ratios, pct) ?? 1));
  return { p10: at(10), p50: at(50), p90: at(90) };
}

/** Minutes as they are said. @example sayWorked(125) // '2 h 05' */
export function sayWorked(minutes: number): string {
  const whole = Math.round(minutes);
  return whole < 60 ? `${whole} min` : `${Math.floor(whole / 60)} h ${String(whole % 60).padStart(2, '0')}`;
}
