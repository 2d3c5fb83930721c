import type { PlanAsked } from '@/core/planning';

/** A classic job shop: in each row machine and minutes by turns. */
export interface ClassicShop {
  readonly name: string;
  /** The published shortest makespan. */
  readonly optimum: number;
  readonly rows: readonly (readonly number[])[];
}

const rowsOf = (text: string) =>
  text
    .trim()
    .split('\n')
    .map((line) => line.trim().split(/\s+/).map(Number));

/** H. Fisher and G. L. Thompson, in: J. F. Muth and G. L. Thompson, Industrial Scheduling, 1963. */
const ft06 = rowsOf(`
  2 1 0 3 1 6 3 7 5 3 4 6
  1 8 2 5 4 10 5 10 0 10 3 4
  2 5 3 4 5 8 0 9 1 1 4 7
  1 5 0 5 2 5 3 3 4 8 5 9
  2 9 1 3 4 5 5 4 0 3 3 1
  1 3 3 3 5 9 0 10 4 4 2 1`);
const ft10 = rowsOf(`
  0 29 1 78 2 9 3 36 4 49 5 11 6 62 7 56 8 44 9 21
  0 43 2 90 4 75 9 11 3 69 1 28 6 46 5 46 7 72 8 30
  1 91 0 85 3 39 2 74 8 90 5 10 7 12 6 89 9 45 4 33
  1 81 2 95 0 71 4 99 6 9 8 52 7 85 3 98 9 22 5 43
  2 14 0 6 1 22 5 61 3 26 4 69 8 21 7 49 9 72 6 53
  2 84 1 2 5 52 3 95 8 48 9 72 0 47 6 65 4 6 7 25
  1 46 0 37 3 61 2 13 6 32 5 21 9 32 8 89 7 30 4 55
  2 31 0 86 1 46 5 74 4 32 6 88 8 19 9 48 7 36 3 79
  0 76 1 69 3 76 5 51 2 85 9 11 6 40 7 89 4 26 8 74
  1 85 0 13 2 61 6 7 8 64 9 76 5 47 3 52 4 90 7 45`);
const ft20 = rowsOf(`
  0 29 1 9 2 49 3 62 4 44
  0 43 1 75 3 69 2 46 4 72
  1 91 0 39 2 90 4 12 3 45
  1 81 0 71 4 9 2 85 3 22
  2 14 1 22 0 26 3 21 4 72
  2 84 1 52 4 48 0 47 3 6
  1 46 0 61 2 32 3 32 4 30
  2 31 1 46 0 32 3 19 4 36
  0 76 3 76 2 85 1 40 4 26
  1 85 2 61 0 64 3 47 4 90
  1 78 3 36 0 11 4 56 2 21
  2 90 0 11 1 28 3 46 4 30
  0 85 2 74 1 10 3 89 4 33
  2 95 0 99 1 52 3 98 4 43
  0 6 1 61 4 69 2 49 3 53
  1 2 0 95 3 72 4 65 2 25
  0 37 2 13 1 21 3 89 4 55
  0 86 1 74 4 88 2 48 3 79
  1 69 2 51 0 11 3 89 4 74
  0 13 1 7 2 76 3 52 4 45`);
/** S. Lawrence, Resource constrained project scheduling, Carnegie-Mellon University, 1984. */
const la01 = rowsOf(`
  1 21 0 53 4 95 3 55 2 34
  0 21 3 52 4 16 2 26 1 71
  3 39 4 98 1 42 2 31 0 12
  1 77 0 55 4 79 2 66 3 77
  0 83 3 34 2 64 1 19 4 37
  1 54 2 43 4 79 0 92 3 62
  3 69 4 77 1 87 2 87 0 93
  2 38 0 60 1 41 3 24 4 83
  3 17 1 49 4 25 0 44 2 98
  4 77 3 79 2 43 1 75 0 96`);
const la16 = rowsOf(`
  1 21 6 71 9 16 8 52 7 26 2 34 0 53 4 21 3 55 5 95
  4 55 2 31 5 98 9 79 0 12 7 66 1 42 8 77 6 77 3 39
  3 34 2 64 8 62 1 19 4 92 9 79 7 43 6 54 0 83 5 37
  1 87 3 69 2 87 7 38 8 24 9 83 6 41 0 93 5 77 4 60
  2 98 0 44 5 25 6 75 7 43 1 49 4 96 9 77 3 17 8 79
  2 35 3 76 5 28 9 10 4 61 6 9 0 95 8 35 1 7 7 95
  3 16 2 59 0 46 1 91 9 43 8 50 6 52 5 59 4 28 7 27
  1 45 0 87 3 41 4 20 6 54 9 43 8 14 5 9 2 39 7 71
  4 33 2 37 8 66 5 33 3 26 7 8 1 28 6 89 9 42 0 78
  8 69 9 81 2 94 4 96 3 27 0 69 7 45 6 78 1 74 5 84`);

/**
 * A job shop from two seeds, by the published generator.
 * Source: E. Taillard, Benchmarks for basic scheduling problems, European Journal of Operational Research 64, 1993.
 */
function drawnShop(jobs: number, machines: number, timeSeed: number, machineSeed: number): ClassicShop['rows'] {
  const generator = (seed: number) => {
    let state = seed;
    return (low: number, high: number) => {
      const k = Math.floor(state / 127_773);
      state = 16_807 * (state % 127_773) - k * 2836;
      if (state < 0) state += 2_147_483_647;
      return low + Math.floor((state / 2_147_483_647) * (high - low + 1));
    };
  };
  const time = generator(timeSeed);
  const minutes = Array.from({ length: jobs }, () => Array.from({ length: machines }, () => time(1, 99)));
  const machine = generator(machineSeed);
  return minutes.map((row) => {
    const order = row.map((_, m) => m);
    for (let m = 0; m < machines; m++) {
      const other = machine(m + 1, machines) - 1;
      [order[m], order[other]] = [order[other] ?? 0, order[m] ?? 0];
    }
    return row.flatMap((one, m) => [order[m] ?? 0, one]);
  });
}

/** Classic job shops with their published optima. */
export const classicShops: readonly ClassicShop[] = [
  { name: 'ft06', optimum: 55, rows: ft06 },
  { name: 'ft10', optimum: 930, rows: ft10 },
  { name: 'ft20', optimum: 1165, rows: ft20 },
  { name: 'la01', optimum: 666, rows: la01 },
  { name: 'la16', optimum: 945, rows: la16 },
  { name: 'ta01', optimum: 1231, rows: drawnShop(15, 15, 840612802, 398197754) },
  { name: 'ta02', optimum: 1244, rows: drawnShop(15, 15, 1314640371, 386720536) },
  { name: 'ta11', optimum: 1357, rows: drawnShop(20, 15, 533484900, 317419073) },
];

/** A job shop as a plan is asked for. */
export function planOfShop({ rows }: ClassicShop, budgetMs = 4000): PlanAsked {
  const machines = Math.max(...rows.flatMap((row) => row.filter((_, i) => i % 2 === 0))) + 1;
  return {
    ...{ start: '2026-11-23T00:00', calendars: [], objective: 'makespan', budgetMs },
    resources: Array.from({ length: machines }, (_, m) => ({ id: `machine ${m}`, skills: [`m${m}`] })),
    jobs: rows.map((row, j) => ({
      ...{ id: `job ${j}`, weight: 1 },
      operations: Array.from({ length: row.length / 2 }, (_, k) => ({
        ...{ id: `${k}`, needs: [`m${row[2 * k]}`], minutes: row[2 * k + 1] ?? 1, split: false },
      })),
    })),
  };
}
