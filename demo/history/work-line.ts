import { present } from '@/core/present';
import { shiftsFrom } from '../shop-hours';

/** Working time of the demonstration shop as one line of minutes, from the first shift of a period on. */
export interface WorkLine {
  /** Minutes of work before a moment, in milliseconds since 1970; of a moment off work, those until the next opening. */
  readonly minuteOf: (at: number) => number;
  /** The moment after so many minutes of work; beyond the period, its end. */
  readonly momentOf: (minute: number) => number;
}

const minuteMs = 60_000;

export function workLine(from: number, until: number): WorkLine {
  const shifts: { readonly from: number; readonly to: number; readonly before: number }[] = [];
  let before = 0;
  for (const shift of shiftsFrom(from)) {
    if (shift.from > until) break;
    shifts.push({ ...shift, before });
    before += (shift.to - shift.from) / minuteMs;
  }
  /** The last shift of which something is not above a value. */
  const lastBy = (of: 'from' | 'before', value: number) => {
    let [low, high] = [0, shifts.length - 1];
    while (low < high) {
      const middle = Math.ceil((low + high) / 2);
      if (present(shifts[middle])[of] <= value) low = middle;
      else high = middle - 1;
    }
    return present(shifts[low]);
  };
  return {
    minuteOf: (at) => {
      const shift = lastBy('from', at);
      return shift.before + Math.max(0, Math.min(at, shift.to) - shift.from) / minuteMs;
    },
    momentOf: (minute) => {
      const shift = lastBy('before', minute);
      return Math.min(shift.from + (minute - shift.before) * minuteMs, shift.to - minuteMs);
    },
  };
}
