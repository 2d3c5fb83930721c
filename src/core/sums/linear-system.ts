import { present } from '../present';

/** Solves a small dense system by elimination with row exchange; null when it has no single answer. */
export function solve(matrix: readonly (readonly number[])[], right: readonly number[]): number[] | null {
  const n = right.length;
  const rows = matrix.map((row, i) => [...row, present(right[i])]);
  const scale = Math.max(...rows.flat().map(Math.abs), Number.MIN_VALUE);
  for (let column = 0; column < n; column++) {
    let pivot = column;
    for (let row = column + 1; row < n; row++)
      if (Math.abs(present(present(rows[row])[column])) > Math.abs(present(present(rows[pivot])[column]))) pivot = row;
    if (Math.abs(present(present(rows[pivot])[column])) < 1e-13 * scale) return null;
    [rows[column], rows[pivot]] = [present(rows[pivot]), present(rows[column])];
    for (let row = 0; row < n; row++) {
      if (row === column) continue;
      const factor = present(present(rows[row])[column]) / present(present(rows[column])[column]);
      for (let k = column; k <= n; k++) present(rows[row])[k]! -= factor * present(present(rows[column])[k]);
    }
  }
  return rows.map((row, i) => present(row[n]) / present(row[i]));
}
