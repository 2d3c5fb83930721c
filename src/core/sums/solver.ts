/** One row of a programme: `least ≤ Σ value·x ≤ most`, either side may be infinite. */
export interface ProgramRow {
  readonly columns: readonly number[];
  readonly values: readonly number[];
  readonly least: number;
  readonly most: number;
}

/** Minimise `Σ cost·x` with `0 ≤ x ≤ upper`, in whole numbers when `whole`. */
export interface Program {
  readonly costs: readonly number[];
  readonly uppers: readonly number[];
  readonly rows: readonly ProgramRow[];
  readonly whole: boolean;
  readonly limitS: number;
  /** No solution can cost less than this: the first that costs no more ends the search. */
  readonly floor?: number;
}

export interface Solution {
  /** Proven best to within less than one unit of cost, where costs are whole. */
  readonly proven: boolean;
  /** One value a column; null when the time was up before anything was found. */
  readonly values: readonly number[] | null;
  /** No solution costs less than this. */
  readonly bound: number;
  /** What one more unit of each row's binding side would change; only without whole numbers. */
  readonly duals: readonly number[];
}

/**
 * What the optimising sums ask of a mixed-integer solver. `src/solver` meets it with a package of the registry; core
 * only knows this contract, so that it runs on the server and in a web worker alike.
 */
export interface Solver {
  readonly solve: (program: Program) => Solution;
  /** Seconds of a clock that only goes forward; core has none of its own. */
  readonly nowS: () => number;
}

export function solverOf(solver: Solver | undefined, sum: string): Solver {
  if (!solver) throw new Error(`${sum} was called without a solver`);
  return solver;
}
