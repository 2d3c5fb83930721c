import { parentPort } from 'node:worker_threads';
import { SumRefusal } from '@/core/sums';
import type { HeavyAnswer, HeavyTask } from './thread';

/** In a thread: carries out what it is sent and says what became of it. */
export function answerTasks(carryOut: (id: string, input: unknown) => Promise<unknown>): void {
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
