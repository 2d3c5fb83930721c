import { present } from '../present';
import { solve } from './linear-system';

/** Coefficients of a polynomial, lowest power first. */
export type Polynomial = readonly number[];

/**
 * Least-squares polynomial of the given order, reckoned on a scaled abscissa; null where the abscissae are too few.
 * Source: normal equations.
 */
export function fitPolynomial(xs: readonly number[], ys: readonly number[], order: number): Polynomial | null {
  const scale = Math.max(...xs.map(Math.abs)) || 1;
  const scaled = xs.map((x) => x / scale);
  const powers = Array.from({ length: order + 1 }, (_, i) => i);
  const matrix = powers.map((i) => powers.map((j) => scaled.reduce((sum, x) => sum + x ** (i + j), 0)));
  const right = powers.map((i) => scaled.reduce((sum, x, k) => sum + x ** i * present(ys[k]), 0));
  return solve(matrix, right)?.map((coefficient, i) => coefficient / scale ** i) ?? null;
}

/** Order of the fit for so many points: a square up to four of them, else a cube. */
export const orderFor = (count: number) => (count <= 4 ? 2 : 3);

/** Value of a polynomial. @example evaluate([40, -0.1], 100) // 30 */
export function evaluate(polynomial: Polynomial, x: number): number {
  return polynomial.reduceRight((sum, coefficient) => sum * x + coefficient, 0);
}

/** Places within [from, to] where f crosses zero, by a fine scan and bisection. A touch at a scan place counts. */
export function rootsWithin(f: (x: number) => number, from: number, to: number): number[] {
  const steps = 2000;
  const found: number[] = [];
  let left = from;
  let atLeft = f(left);
  for (let i = 1; i <= steps; i++) {
    const right = from + ((to - from) * i) / steps;
    const atRight = f(right);
    if (atLeft === 0) found.push(left);
    else if (atLeft * atRight < 0) found.push(bisect(f, left, right));
    left = right;
    atLeft = atRight;
  }
  if (atLeft === 0) found.push(left);
  return found;
}

function bisect(f: (x: number) => number, from: number, to: number): number {
  let [low, high] = [from, to];
  const sign = Math.sign(f(low));
  for (let i = 0; i < 100 && high - low > 1e-13 * Math.max(1, Math.abs(high)); i++) {
    const middle = (low + high) / 2;
    if (Math.sign(f(middle)) === sign) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
