import type { BoardRow, Stone } from './plan-board';
import type { PlanShown, PumpShown } from './plan-shown';

/** One piece of work of a day's list, with what somebody needs to know who takes it up. */
export interface DayLine extends Stone {
  readonly pump: string;
  readonly customer: string;
  readonly promisedOn: string;
  readonly lateDays: number;
}

/** The list of one person for a day. */
export interface DaySheet {
  readonly id: string;
  readonly name: string;
  /** Why they are away; null where they are not. */
  readonly away: string | null;
  readonly openMinutes: number;
  readonly lines: readonly DayLine[];
}

function lineOf(stone: Stone, pumps: readonly PumpShown[]): DayLine {
  const own = pumps.find(({ tag }) => tag === stone.tag);
  return {
    ...stone,
    ...{ pump: own?.pump ?? '', customer: own?.customer ?? '' },
    ...{ promisedOn: own?.promisedOn ?? '', lateDays: own?.lateDays ?? 0 },
  };
}

/** Days of a plan on which anybody is there. */
export function openDaysOf({ days, board }: Pick<PlanShown, 'days' | 'board'>): readonly string[] {
  const isOpen = (day: string) =>
    board.some(({ kind, basins }) => kind === 'hand' && basins.some((one) => one.day === day && one.openMinutes > 0));
  return days.filter(isOpen);
}

/** The list of each person for a day, in the order of their names as the plan has them. */
export function daySheetsOf({ board, pumps }: Pick<PlanShown, 'board' | 'pumps'>, day: string): readonly DaySheet[] {
  return board.flatMap(({ id, name, kind, basins }: BoardRow): readonly DaySheet[] => {
    const basin = basins.find((one) => one.day === day);
    if (kind !== 'hand' || !basin) return [];
    const { away, openMinutes, stones } = basin;
    return [{ id, name, away, openMinutes, lines: stones.map((stone) => lineOf(stone, pumps)) }];
  });
}
