import { present } from '../present';
import * as z from 'zod';
import { defineSum, lengthMm, notNegative, positive, show, sizeLimits, SumRefusal } from './sum';

const wrenchInput = z.strictObject({
  target_nm: positive.max(1e5),
  wrench_length_mm: lengthMm,
  extension_mm: notNegative.max(1e4),
  wrench_max_nm: positive.max(1e5),
});
const wrenchResult = z.object({ set_nm: z.number(), share_of_range_pct: z.number() });

/**
 * What a torque wrench is set to with an extension in line. `set = target·L/(L + E)`. Source: lever rule; ISO 6789
 * range 20 to 100 %.
 */
export const torqueWrench = defineSum<z.infer<typeof wrenchInput>, z.infer<typeof wrenchResult>>({
  id: 'torque-wrench',
  title: 'Torque wrench with an extension',
  ask: ['extension', 'crowfoot', 'what to set', 'torque wrench'],
  input: wrenchInput,
  result: wrenchResult,
  example: {
    input: { target_nm: 100, wrench_length_mm: 400, extension_mm: 100, wrench_max_nm: 200 },
    result: { set_nm: 80, share_of_range_pct: 40 },
  },
  compute({ target_nm, wrench_length_mm: length, extension_mm, wrench_max_nm }) {
    const set = (target_nm * length) / (length + extension_mm);
    const share = (100 * set) / wrench_max_nm;
    if (share < 20 - 1e-9 || share > 100 + 1e-9)
      throw new SumRefusal(
        'target_nm',
        `set to ${show(set, 1)} N·m, which is ${show(share, 0)} % of this wrench; it is true from 20 to 100 %`,
      );
    return {
      result: { set_nm: set, share_of_range_pct: share },
      working: [
        {
          what: 'Set',
          formula: 'target · L / (L + E)',
          put: `${show(target_nm, 1)} · ${show(length)} / (${show(length)} + ${show(extension_mm)})`,
          outcome: `${show(set, 1)} N·m`,
        },
        {
          what: 'Of the wrench',
          put: `${show(set, 1)} of ${show(wrench_max_nm)} N·m`,
          outcome: `${show(share, 0)} %`,
          source: 'ISO 6789: 20 to 100 %',
        },
      ],
      warnings: [],
    };
  },
});

const patternInput = z.strictObject({
  bolts: z.number().int('count whole bolts').min(2, 'a circle has two bolts or more').max(200),
  passes_pct: z.array(positive.max(100)).min(1).max(20),
  final_round: z.boolean(),
});
const patternResult = z.object({ passes: z.array(z.object({ pct: z.number(), order: z.array(z.number()) })) });

const apart = (one: number, other: number, count: number) =>
  Math.min(Math.abs(one - other), count - Math.abs(one - other));

/**
 * Crosswise order round a bolt circle, numbered from 1: opposite pairs (for an even number), each next pair as far from
 * those done as those left allow. Source: EN 1591-4, crosswise tightening.
 * @example crosswiseOrder(8) // [1, 5, 3, 7, 2, 6, 4, 8]
 */
export function crosswiseOrder(bolts: number): number[] {
  const isEven = bolts % 2 === 0;
  const half = bolts / 2;
  const count = isEven ? half : bolts;
  const left = Array.from({ length: count }, (_, i) => i);
  const done: number[] = [];
  while (left.length) {
    const last = done.at(-1);
    const nearest = (one: number) => (done.length ? Math.min(...done.map((other) => apart(one, other, count))) : 0);
    const best = left.reduce((top, one) => {
      const [a, b] = [nearest(one), nearest(top)];
      if (a !== b) return a > b ? one : top;
      const [c, d] = last === undefined ? [0, 0] : [apart(one, last, count), apart(top, last, count)];
      return c > d ? one : top;
    }, present(left[0]));
    done.push(best);
    left.splice(left.indexOf(best), 1);
  }
  return isEven ? done.flatMap((one) => [one + 1, one + half + 1]) : done.map((one) => one + 1);
}

/** Order and passes of a bolt circle. Source: EN 1591-4. */
export const boltPattern = defineSum<z.infer<typeof patternInput>, z.infer<typeof patternResult>>({
  id: 'bolt-pattern',
  title: 'Order of a bolt circle',
  ask: ['crosswise', 'bolt circle', 'which bolt next', 'passes', 'flange'],
  input: patternInput,
  result: patternResult,
  example: {
    input: { bolts: 4, passes_pct: [30, 60, 100], final_round: true },
    result: {
      passes: [
        { pct: 30, order: [1, 3, 2, 4] },
        { pct: 60, order: [1, 3, 2, 4] },
        { pct: 100, order: [1, 3, 2, 4] },
        { pct: 100, order: [1, 2, 3, 4] },
      ],
    },
  },
  compute({ bolts, passes_pct, final_round }) {
    const falling = passes_pct.findIndex((pct, i) => i > 0 && pct < present(passes_pct[i - 1]));
    if (falling > 0)
      throw new SumRefusal(
        `passes_pct.${falling}`,
        `${passes_pct[falling]} % comes after ${passes_pct[falling - 1]} %; passes rise`,
      );
    const order = crosswiseOrder(bolts);
    const round = Array.from({ length: bolts }, (_, i) => i + 1);
    const passes = [
      ...passes_pct.map((pct) => ({ pct, order: [...order] })),
      ...(final_round ? [{ pct: present(passes_pct.at(-1)), order: round }] : []),
    ];
    return {
      result: { passes },
      working: [
        { what: 'Crosswise', put: `${bolts} bolts`, outcome: order.join(' ') },
        { what: 'Passes', outcome: `${passes_pct.join(', ')} %${final_round ? ', then one round 1 to ' + bolts : ''}` },
      ],
      warnings: [],
    };
  },
});

const nutInput = z.strictObject({
  torque_nm: positive.max(1e5),
  window_nm: sizeLimits,
  nut_slots: z.number().int().min(1).max(360),
  washer_tabs: z.number().int().min(1).max(360),
  angle_to_slot_deg: notNegative.max(360).optional(),
  nm_per_deg: positive.max(1e4),
});
const nutResult = z.object({ turn_deg: z.number(), torque_nm: z.number(), in_window: z.boolean() });
const commonDivisor = (a: number, b: number): number => (b === 0 ? a : commonDivisor(b, a % b));

/**
 * The smallest further turn of a lock nut at which a slot meets a tab within the torque window; never backwards.
 * Source: geometry, alignments every 360/lcm(slots, tabs) degrees.
 */
export const lockNut = defineSum<z.infer<typeof nutInput>, z.infer<typeof nutResult>>({
  id: 'lock-nut',
  title: 'Lock nut on to the next tab',
  ask: ['tab washer', 'lock nut', 'next slot', 'align'],
  input: nutInput,
  result: nutResult,
  example: {
    input: {
      torque_nm: 100,
      window_nm: { min: 95, max: 115 },
      nut_slots: 4,
      washer_tabs: 19,
      angle_to_slot_deg: 3,
      nm_per_deg: 2,
    },
    result: { turn_deg: 3, torque_nm: 106, in_window: true },
  },
  compute({ torque_nm, window_nm, nut_slots, washer_tabs, angle_to_slot_deg, nm_per_deg }) {
    const step = 360 / ((nut_slots * washer_tabs) / commonDivisor(nut_slots, washer_tabs));
    if (angle_to_slot_deg !== undefined && angle_to_slot_deg > step + 1e-9)
      throw new SumRefusal('angle_to_slot_deg', `the next alignment is at most ${show(step, 2)}° away`);
    const first = angle_to_slot_deg ?? step;
    const torqueAt = (turn: number) => torque_nm + turn * nm_per_deg;
    const skip = Math.max(0, Math.ceil((window_nm.min - torqueAt(first)) / (step * nm_per_deg) - 1e-9));
    const turn = first + skip * step;
    const torque = torqueAt(turn);
    const inWindow = torque <= window_nm.max + 1e-9 && torque >= window_nm.min - 1e-9;
    return {
      result: { turn_deg: turn, torque_nm: torque, in_window: inWindow },
      working: [
        {
          what: 'Alignments every',
          formula: '360 / lcm(slots, tabs)',
          put: `${nut_slots} slots, ${washer_tabs} tabs`,
          outcome: `${show(step, 2)}°`,
        },
        {
          what: 'Next within the window',
          put: `${show(first, 2)}°${angle_to_slot_deg === undefined ? ' (worst case)' : ''}${skip ? ` + ${skip} · ${show(step, 2)}°` : ''}`,
          outcome: `${show(turn, 2)}°`,
        },
        {
          what: 'Torque there',
          formula: 'torque + turn · rise',
          put: `${show(torque_nm, 1)} + ${show(turn, 2)} · ${show(nm_per_deg, 2)}`,
          outcome: `${show(torque, 1)} N·m, window ${show(window_nm.min, 1)} to ${show(window_nm.max, 1)}`,
        },
      ],
      warnings: inWindow
        ? []
        : [
            {
              code: 'no-alignment',
              sentence: 'No alignment lies within the window: change the washer or face the nut. Never turn it back.',
            },
          ],
    };
  },
});
