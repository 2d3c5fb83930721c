import { getPriority, setPriority } from 'node:os';
import { setFlagsFromString } from 'node:v8';
import { runInNewContext } from 'node:vm';
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

/** After how long without work a thread gives back what it no longer needs, in ms. */
const restMs = 1500;

/**
 * A thread that has nothing to do is not looked through by itself: what a plan or a document left behind, some fifty
 * megabytes, would stand until the next one.
 */
function giveBackAtRest(): () => void {
  if (isMainThread) return () => undefined;
  setFlagsFromString('--expose-gc');
  const collect = runInNewContext('gc') as NodeJS.GCFunction;
  let timer: NodeJS.Timeout | undefined;
  return () => {
    clearTimeout(timer);
    timer = setTimeout(() => void collect({ type: 'major', execution: 'sync', flavor: 'last-resort' }), restMs);
  };
}

/** In a thread: carries out what it is sent and says what became of it. */
export function answerTasks(carryOut: (id: string, input: unknown) => Promise<unknown>): void {
  giveWay();
  const rest = giveBackAtRest();
  const answer = (one: HeavyAnswer) => {
    parentPort?.postMessage(one);
    rest();
  };
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
