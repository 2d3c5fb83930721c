import { getPriority, setPriority } from 'node:os';
import { isMainThread, parentPort } from 'node:worker_threads';
import { SumRefusal } from '@/core/sums';
import type { HeavyAnswer, HeavyTask } from './thread';

/** Of a core that is fought for, a thread five steps lower gets a quarter: it gives way and is not starved. */
const step = 5;

/**
 * Whoever looks at a page goes before whatever is worked out beside it. Linux keeps a priority for each thread, so that
 * this is of the own thread only; elsewhere it would be of the whole process and is left as it is.
 */
function giveWay(): void {
  if (isMainThread || process.platform !== 'linux') return;
  try {
    setPriority(Math.min(19, getPriority() + step));
  } catch (error) {
    // Where a container does not allow it, the work is done all the same.
    console.warn('a thread keeps the priority of its process', error);
  }
}

/** In a thread: carries out what it is sent and says what became of it. */
export function answerTasks(carryOut: (id: string, input: unknown) => Promise<unknown>): void {
  giveWay();
  const answer = (one: HeavyAnswer) => parentPort?.postMessage(one);
  parentPort?.on('message', ({ number, id, input }: HeavyTask) => {
    carryOut(id, input).then(
      (outcome) => answer({ number, outcome }),
      (error: unknown) => {
        if (error instanceof SumRefusal) answer({ number, refusal: { path: error.path, message: error.message } });
        else answer({ number, fault: error instanceof Error ? error.message : String(error) });
      },
    );
  });
}
