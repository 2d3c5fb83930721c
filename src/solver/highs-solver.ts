import { present } from '@/core/present';
import loadHighs from 'highs';
import type { Program, Solution, Solver } from '@/core/sums';

type Highs = Awaited<ReturnType<typeof loadHighs>>;

function matrixOf({ rows, costs }: Program) {
  const starts = new Int32Array(rows.length + 1);
  rows.forEach((row, i) => (starts[i + 1] = present(starts[i]) + row.columns.length));
  const indices = new Int32Array(present(starts[rows.length]));
  const values = new Float64Array(present(starts[rows.length]));
  rows.forEach((row, i) => {
    indices.set(row.columns, starts[i]);
    values.set(row.values, starts[i]);
  });
  return { format: 'csr' as const, numRows: rows.length, numCols: costs.length, starts, indices, values };
}

function solve(highs: Highs, program: Program): Solution {
  const { costs, uppers, rows, whole, limitS, floor } = program;
  const { variableType, modelStatus } = highs.constants;
  const model = highs.createModel({
    numCols: costs.length,
    numRows: rows.length,
    colCost: Float64Array.from(costs),
    colLower: new Float64Array(costs.length),
    colUpper: Float64Array.from(uppers),
    rowLower: Float64Array.from(rows, (row) => row.least),
    rowUpper: Float64Array.from(rows, (row) => row.most),
    matrix: matrixOf(program),
    integrality: new Int32Array(costs.length).fill(whole ? variableType.integer : variableType.continuous),
  });
  try {
    // Costs are whole: a gap below one unit is no gap.
    // Rounding heuristics on, presolve off: measured on short stocks of shims, three times as fast as as-shipped. The
    // feasibility jump off: it takes 30 ms of every programme, of three columns too, and finds no better start.
    model.options.set({
      mip_heuristic_run_feasibility_jump: false,
      mip_heuristic_run_zi_round: true,
      mip_heuristic_run_shifting: true,
      presolve: 'off',
      mip_detect_symmetry: false,
      mip_allow_restart: false,
    });
    model.options.set({
      output_flag: false,
      time_limit: limitS,
      mip_rel_gap: 0,
      mip_abs_gap: whole ? 0.9 : 1e-6,
      ...(whole && floor !== undefined && Number.isFinite(floor) && { objective_target: floor + 0.5 }),
    });
    model.run();
    const status = model.getModelStatus();
    const proven = status === modelStatus.optimal || status === modelStatus.objectiveTarget;
    const objective = model.getObjectiveValue() ?? Number.NaN;
    const isFound =
      Number.isFinite(objective) &&
      (proven || model.info.get('primal_solution_status') === highs.constants.solutionStatus.feasible);
    const solution = isFound ? model.getSolution() : null;
    const bound = whole ? Number(model.info.get('mip_dual_bound')) : proven ? objective : -Infinity;
    return {
      proven,
      values: solution ? [...solution.colValue].map((value) => (whole ? Math.round(value) : value)) : null,
      bound: Number.isFinite(bound) ? bound : -Infinity,
      duals: solution && !whole ? [...solution.rowDual] : [],
    };
  } finally {
    model.dispose();
  }
}

/** Of three columns: what it compiles on its way is not counted against the seconds of the first real sum. */
const smallest: Program = {
  costs: [9, 7, 2],
  uppers: [3, 3, 3],
  rows: [{ columns: [0, 1, 2], values: [2, 1, 1], least: 3, most: Infinity }],
  whole: true,
  limitS: 10,
};

let loaded: Promise<Solver> | undefined;

/**
 * The solver of the optimising sums: HiGHS (MIT) as WebAssembly, about 3.5 MB, loaded once when first asked for; one
 * that could not be loaded is asked for again.
 */
export function loadSolver(options?: Parameters<typeof loadHighs>[0]): Promise<Solver> {
  return (loaded ??= loadHighs(options).then(
    (highs) => {
      for (const whole of [true, false]) solve(highs, { ...smallest, whole });
      return { solve: (program) => solve(highs, program), nowS: () => performance.now() / 1000 };
    },
    (error: unknown) => {
      loaded = undefined;
      throw error;
    },
  ));
}
