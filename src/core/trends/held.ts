/** A stay of a pump at a station, with who held it. Times as `YYYY-MM-DDTHH:MM`; null while it lasts. */
export interface HeldStay {
  readonly station: string;
  readonly holder: string;
  readonly from: string;
  readonly to: string | null;
}

/** Who held the pumps of a station, for how many days in all, and how much of the station's that is. */
export interface HeldBy {
  readonly station: string;
  readonly holder: string;
  readonly days: number;
  readonly pct: number;
}

const dayMs = 86_400_000;
const daysOf = ({ from, to }: HeldStay) =>
  to === null ? 0 : Math.max(0, Date.parse(`${to}Z`) - Date.parse(`${from}Z`)) / dayMs;

/** What held the pumps at each station: the days of each holder, the longest first. Stays that last still say nothing. */
export function heldBy(stays: readonly HeldStay[]): readonly HeldBy[] {
  const days = new Map<string, Map<string, number>>();
  for (const stay of stays) {
    const own = days.get(stay.station) ?? new Map<string, number>();
    own.set(stay.holder, (own.get(stay.holder) ?? 0) + daysOf(stay));
    days.set(stay.station, own);
  }
  return [...days].flatMap(([station, own]) => {
    const all = [...own.values()].reduce((sum, one) => sum + one, 0);
    if (all === 0) return [];
    return [...own]
      .filter(([, one]) => one > 0)
      .map(([holder, one]) => ({ station, holder, days: one, pct: (100 * one) / all }))
      .toSorted((a, b) => b.days - a.days || a.holder.localeCompare(b.holder));
  });
}
