import { parentPort } from 'node:worker_threads';
import { SumRefusal } from '@/core/sums';
import { doHeavy } from './heavy-work';
import type { HeavyAnswer, HeavyTask } from './reckon-heavy';

/** Runs in a thread of its own: a proof that takes two seconds must not keep the shop waiting. */
parentPort?.on('message', (task: HeavyTask) => void carryOut(task));

async function carryOut({ number, id, input }: HeavyTask): Promise<void> {
  const answer = (rest: Omit<HeavyAnswer, 'number'>) =>
    parentPort?.postMessage({ number, ...rest } satisfies HeavyAnswer);
  try {
    answer({ outcome: await doHeavy(id, input) });
  } catch (error) {
    if (error instanceof SumRefusal) answer({ refusal: { path: error.path, message: error.message } });
    else answer({ fault: error instanceof Error ? error.message : String(error) });
  }
}
