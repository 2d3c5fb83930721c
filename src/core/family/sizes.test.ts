import { readFileSync, readdirSync } from 'node:fs';
import { present } from '../present';
import { buildFamily } from './build-family';
import { buildsToCheck } from './builds-to-check';
import type { Family } from './format';
import { loadFamily } from './load-family';

const files = readdirSync('families')
  .filter((name) => name.endsWith('.json'))
  .map((name) => loadFamily(JSON.parse(readFileSync(`families/${name}`, 'utf8'))));
const sizes = files.flatMap((file) => file.sizes.map((row) => [`${file.id} ${row.title}`, file, row] as const));
const pointOf = (family: Family, id: string) => present(family.points.find((one) => one.id.replace(/-1$/, '') === id));

/** Outside diameters of rolling bearings by bore, diameter series 2 and 3, mm (ISO 15; of tapered ones ISO 355). */
const outsideOf: Readonly<Record<number, readonly number[]>> = {
  20: [47, 52],
  25: [52, 62],
  30: [62, 72],
  35: [72, 80],
  40: [80, 90],
  45: [85, 100],
  50: [90, 110],
  55: [100, 120],
  60: [110, 130],
};
/** Limits of a bearing seat over its nominal size, µm (ISO 286-2): j5, k5, k6 by the size up to which they hold. */
const seats: readonly (readonly [upTo: number, ...classes: (readonly [number, number])[]])[] = [
  [30, [-4, 5], [2, 11], [2, 15]],
  [50, [-5, 6], [2, 13], [2, 18]],
  [80, [-7, 6], [2, 15], [2, 21]],
];
/** Limits of a bearing bore, µm (ISO 286-2): H6, H7. */
const bores: typeof seats = [
  [50, [0, 16], [0, 25]],
  [80, [0, 19], [0, 30]],
  [120, [0, 22], [0, 35]],
  [180, [0, 25], [0, 40]],
];
const micron = (mm: number, nominal: number) => Math.round((mm - nominal) * 1000);
const near = (mm: number, step: number) => Math.round(mm / step) * step;

/** Points of the seats of bearings on the shaft and of their bores, where a construction measures them. */
const bearingPoints: Readonly<Record<string, readonly (readonly [seat: string, bore: string | null])[]>> = {
  F1: [
    ['wet-seat', 'wet-bore'],
    ['drive-seat', 'drive-bore'],
  ],
  F2: [['seat-pump', 'shield-pump']],
  F6: [['seat-shaft', null]],
  F7: [['front-seat', 'front-bore']],
  F8: [['gear-seat', 'gear-bore']],
  F9: [['seat', 'bore']],
  F10: [['seat-lower', 'bore-lower']],
};

describe.each(sizes)('size %s', (_title, file, row) => {
  const built = buildFamily(file, { size: row.id });
  test('its bearings are of a size that exists, on seats and in bores of a usual class', () => {
    for (const [seatId, boreId] of bearingPoints[file.id] ?? []) {
      const seat = present(pointOf(built, seatId).new_mm);
      const nominal = near(seat.min, 5);
      const [, ...classes] = present(seats.find(([upTo]) => nominal <= upTo));
      expect(classes).toContainEqual([micron(seat.min, nominal), micron(seat.max, nominal)]);
      if (boreId === null) {
        expect(Object.keys(outsideOf)).toContain(String(nominal));
        continue;
      }
      const bore = present(pointOf(built, boreId).new_mm);
      const outside = near(bore.min, 1);
      expect(outsideOf[nominal]).toContain(outside);
      const [, ...holes] = present(bores.find(([upTo]) => outside <= upTo));
      expect(holes).toContainEqual([micron(bore.min, outside), micron(bore.max, outside)]);
    }
  });
  test('what runs in what leaves the play that the file calls new', () => {
    for (const { derived, id } of built.points) {
      if (!derived) continue;
      const [bore, journal] = [derived.bore, derived.journal].map((one) =>
        present(present(built.points.find((point) => point.id === one)).new_mm),
      );
      const least = micron(present(bore).min, present(journal).max);
      const most = micron(present(bore).max, present(journal).min);
      // The rule may be narrower than its parts, which are then chosen to each other; it never lies apart from them.
      expect([id, derived.design_um.min <= most && derived.design_um.max >= least]).toEqual([id, true]);
      expect([id, derived.limit_um > least]).toEqual([id, true]);
    }
  });
});

/** Stress areas of metric threads, mm² (ISO 898-1, tables for coarse and fine threads). */
const stressArea: Readonly<Record<string, number>> = {
  M4: 8.78,
  M5: 14.2,
  M6: 20.1,
  M8: 36.6,
  M10: 58,
  M12: 84.3,
  M14: 115,
  M16: 157,
  M20: 245,
  M24: 353,
  'M12x1.25': 92.1,
  'M14x1.5': 125,
  'M16x1.5': 167,
  'M18x1.5': 216,
  'M20x1.5': 272,
  'M24x1.5': 401,
  M24x2: 384,
  M27x2: 496,
  'M30x1.5': 642,
  M30x2: 621,
  'M33x1.5': 784,
};
/** Area for a thread that the tables of the standard do not have: of its mean of pitch and core diameter. */
function areaOf(thread: string): number {
  const known = stressArea[thread];
  if (known !== undefined) return known;
  const [, d, pitch] = (/^M(\d+)x([\d.]+)$/.exec(thread) ?? []).map(Number);
  return (Math.PI / 4) * (present(d) - 0.9382 * present(pitch)) ** 2;
}
/** Proof stress of property class 8.8, N/mm² (ISO 898-1), and the usual share of torque that becomes pull. */
const [proofN, nut] = [600, 0.2];

test.each(files.map((file) => [file.id, file] as const))(
  '%s: every torque is one that its thread bears, and does more than hold the nut',
  (_id, file) => {
    for (const whole of buildsToCheck(file)) {
      const built = buildFamily(file, whole);
      for (const { actions } of [...built.teardown, ...built.rebuild, ...built.test.steps])
        for (const { id, answer } of actions) {
          if (answer?.kind !== 'torque') continue;
          const { min, max } = answer.window_nm;
          const diameter = Number(/^M(\d+)/.exec(answer.thread)?.[1]) / 1000;
          // Slotted rings that set a bearing, and caps of plastic, are drawn up by what they press on.
          const isSlotted = diameter >= 0.03;
          const proof = nut * diameter * proofN * areaOf(answer.thread);
          expect([id, answer.thread, max <= proof, isSlotted || min >= proof * 0.03, max / min <= 1.5]).toEqual([
            ...[id, answer.thread],
            ...[true, true, true],
          ]);
        }
    }
  },
);
