/**
 * Limits and fits for sizes over 0 to 500 mm, µm. Source: ISO 286-1:2010, tables 1 to 3
 * (grades IT4 to IT11; fundamental deviations of shafts e to s and holes E to S with the Δ rule).
 */
export const mainSteps = [3, 6, 10, 18, 30, 50, 80, 120, 180, 250, 315, 400, 500] as const;

/** Tolerance grades by main step. */
export const grades: Readonly<Record<number, readonly number[]>> = {
  4: [3, 4, 4, 5, 6, 7, 8, 10, 12, 14, 16, 18, 20],
  5: [4, 5, 6, 8, 9, 11, 13, 15, 18, 20, 23, 25, 27],
  6: [6, 8, 9, 11, 13, 16, 19, 22, 25, 29, 32, 36, 40],
  7: [10, 12, 15, 18, 21, 25, 30, 35, 40, 46, 52, 57, 63],
  8: [14, 18, 22, 27, 33, 39, 46, 54, 63, 72, 81, 89, 97],
  9: [25, 30, 36, 43, 52, 62, 74, 87, 100, 115, 130, 140, 155],
  10: [40, 48, 58, 70, 84, 100, 120, 140, 160, 185, 210, 230, 250],
  11: [60, 75, 90, 110, 130, 160, 190, 220, 250, 290, 320, 360, 400],
};

/** Upper deviation of shafts e, f, g (negative) and lower deviation of k to p (positive), by main step. */
export const shaftDeviations: Readonly<Record<string, readonly number[]>> = {
  e: [-14, -20, -25, -32, -40, -50, -60, -72, -85, -100, -110, -125, -135],
  f: [-6, -10, -13, -16, -20, -25, -30, -36, -43, -50, -56, -62, -68],
  g: [-2, -4, -5, -6, -7, -9, -10, -12, -14, -15, -17, -18, -20],
  h: [0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0],
  k: [0, 1, 1, 1, 2, 2, 2, 3, 3, 4, 4, 4, 5],
  m: [2, 4, 6, 7, 8, 9, 11, 13, 15, 17, 20, 21, 23],
  n: [4, 8, 10, 12, 15, 17, 20, 23, 27, 31, 34, 37, 40],
  p: [6, 12, 15, 18, 22, 26, 32, 37, 43, 50, 56, 62, 68],
};

/** Lower deviation of shaft j, by grade and main step. */
export const shaftJ: Readonly<Record<number, readonly number[]>> = {
  5: [-2, -2, -2, -3, -4, -5, -7, -9, -11, -13, -16, -18, -20],
  6: [-2, -2, -2, -3, -4, -5, -7, -9, -11, -13, -16, -18, -20],
  7: [-4, -4, -5, -6, -8, -10, -12, -15, -18, -21, -26, -28, -32],
  8: [-6],
};

/** Upper deviation of hole J, by grade and main step. */
export const holeJ: Readonly<Record<number, readonly number[]>> = {
  6: [2, 5, 5, 6, 8, 10, 13, 16, 18, 22, 25, 29, 33],
  7: [4, 6, 8, 10, 12, 14, 18, 22, 26, 30, 36, 39, 43],
  8: [6, 10, 12, 15, 20, 24, 28, 34, 41, 47, 55, 60, 66],
};

/** r and s go by finer steps: upper end of the step, then lower deviation of r and of s. */
export const fineSteps: readonly (readonly [upTo: number, r: number, s: number])[] = [
  [3, 10, 14],
  [6, 15, 19],
  [10, 19, 23],
  [18, 23, 28],
  [30, 28, 35],
  [50, 34, 43],
  [65, 41, 53],
  [80, 43, 59],
  [100, 51, 71],
  [120, 54, 79],
  [140, 63, 92],
  [160, 65, 100],
  [180, 68, 108],
  [200, 77, 122],
  [225, 80, 130],
  [250, 84, 140],
  [280, 94, 158],
  [315, 98, 170],
  [355, 108, 190],
  [400, 114, 208],
  [450, 126, 232],
  [500, 132, 252],
];
