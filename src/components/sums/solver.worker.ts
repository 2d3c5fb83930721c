import { present } from '@/core/present';
import { expose } from 'comlink';
import { findSum, SumRefusal, type Outcome } from '@/core/sums';
import { loadSolver } from '@/solver/highs-solver';

export type HeavyOutcome =
  { readonly outcome: Outcome<unknown> } | { readonly refusal: { readonly path: string; readonly message: string } };

/** Runs beside the page: a proof may take two seconds, in which the page must still type. */
const heavySums = {
  async compute(id: string, input: unknown): Promise<HeavyOutcome> {
    try {
      return {
        outcome: present(findSum(id)).compute(input, await loadSolver({ locateFile: () => '/solver/highs.wasm' })),
      };
    } catch (error) {
      if (error instanceof SumRefusal) return { refusal: { path: error.path, message: error.message } };
      throw error;
    }
  },
};
export type HeavySums = typeof heavySums;
expose(heavySums);
