import { present } from '@/core/present';
import type { Program, ProgramRow } from '@/core/sums';
import type { ClassicShop } from './job-shops';

/**
 * A classic job shop as a program for a mixed-integer solver: a start for every operation, a choice for every two on
 * one machine, and the makespan, which is the least. Source: A. S. Manne, On the job-shop scheduling problem,
 * Operations Research 8, 1960.
 */
export function programOfShop({ rows }: ClassicShop, limitS: number): Program {
  const operations = rows.flatMap((row, job) =>
    Array.from({ length: row.length / 2 }, (_, at) => ({
      ...{ job, at, machine: present(row[2 * at]), minutes: present(row[2 * at + 1]) },
    })),
  );
  const horizon = operations.reduce((sum, { minutes }) => sum + minutes, 0);
  const count = operations.length;
  const makespan = count;
  const uppers = [...operations.map(() => horizon), horizon];
  const program: ProgramRow[] = [];
  const add = (columns: readonly number[], values: readonly number[], least: number) =>
    program.push({ columns, values, least, most: Infinity });
  operations.forEach((one, i) => {
    add([i, makespan], [-1, 1], one.minutes);
    if (one.at > 0) add([i - 1, i], [-1, 1], present(operations[i - 1]).minutes);
    operations.forEach((other, k) => {
      if (k <= i || other.machine !== one.machine || other.job === one.job) return;
      const choice = uppers.push(1) - 1;
      // One first where the choice is 1, the other first where it is 0.
      add([i, k, choice], [-1, 1, -horizon], one.minutes - horizon);
      add([i, k, choice], [1, -1, horizon], other.minutes);
    });
  });
  const costs = uppers.map((_, column) => (column === makespan ? 1 : 0));
  return { costs, uppers, rows: program, whole: true, limitS };
}
