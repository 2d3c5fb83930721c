import { present } from '@/core/present';
import { parentPort } from 'node:worker_threads';
import { findSum, SumRefusal } from '@/core/sums';
import { loadSolver } from '@/solver/highs-solver';
import type { HeavyAnswer, HeavyTask } from './reckon-heavy';

/** Runs in a thread of its own: a proof that takes two seconds must not keep the shop waiting. */
parentPort?.on('message', (task: HeavyTask) => void carryOut(task));

async function carryOut({ number, id, input }: HeavyTask): Promise<void> {
  const answer = (rest: Omit<HeavyAnswer, 'number'>) =>
    parentPort?.postMessage({ number, ...rest } satisfies HeavyAnswer);
  try {
    answer({ outcome: present(findSum(id)).compute(input, await loadSolver()) });
  } catch (error) {
    if (error instanceof SumRefusal) answer({ refusal: { path: error.path, message: error.message } });
    else answer({ fault: error instanceof Error ? error.message : String(error) });
  }
}
