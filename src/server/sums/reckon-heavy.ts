import { present } from '@/core/present';
import { Worker } from 'node:worker_threads';
import { SumRefusal, type Outcome } from '@/core/sums';
import type { ForecastAsked, PromiseAnswered, PromiseAsked, SaidDay } from '@/core/workload';
import { doHeavy, type PlainPlan, type ShopPlanTask } from './heavy-work';

export interface HeavyTask {
  readonly number: number;
  readonly id: string;
  readonly input: unknown;
}

export interface HeavyAnswer {
  readonly number: number;
  readonly outcome?: unknown;
  readonly refusal?: { readonly path: string; readonly message: string };
  readonly fault?: string;
}

interface Waiting {
  readonly resolve: (outcome: unknown) => void;
  readonly reject: (error: Error) => void;
}

/** The sums themselves stop after two seconds; this is for one that does not. */
const limitMs = 15_000;
/** More than this at once are asked to come back. */
const mostWaiting = 20;

let worker: Worker | undefined;
let next = 0;
const waiting = new Map<number, Waiting>();

function giveUp(why: string): void {
  const all = [...waiting.values()];
  waiting.clear();
  const old = worker;
  worker = undefined;
  void old?.terminate();
  for (const one of all) one.reject(new SumRefusal('', why));
}

function startWorker(): Worker {
  const started = new Worker(new URL('./heavy-worker.ts', import.meta.url));
  started.unref();
  started.on('message', ({ number, outcome, refusal, fault }: HeavyAnswer) => {
    const one = waiting.get(number);
    waiting.delete(number);
    if (outcome) one?.resolve(outcome);
    else one?.reject(refusal ? new SumRefusal(refusal.path, refusal.message) : new Error(fault));
  });
  started.on('error', (error) => {
    console.error('heavy sums', error);
    giveUp('The solver stopped; send the sum again.');
  });
  return started;
}

/**
 * Reckons a sum that needs a solver in a thread of its own. Throws SumRefusal for what the sum refuses, when too many
 * wait,
 * and when it takes longer than fifteen seconds.
 */
export const reckonHeavy = (id: string, input: unknown) => inThread(id, input) as Promise<Outcome<unknown>>;

/** Draws up the plan of the shop in the same thread. */
export const planHeavy = (task: ShopPlanTask) => inThread('shop-plan', task) as Promise<PlainPlan>;

/** Reckons what a caller is told. */
export const promiseHeavy = (asked: PromiseAsked) => inThread('shop-promise', asked) as Promise<PromiseAnswered>;

/** What the plan of a past day says of one pump. */
export const forecastHeavy = (asked: ForecastAsked) => inThread('shop-forecast', asked) as Promise<readonly SaidDay[]>;

function inThread(id: string, input: unknown): Promise<unknown> {
  // A script that loads the demonstration shop, or a test, answers nobody else meanwhile: it needs no thread.
  if (process.env.NEXT_RUNTIME !== 'nodejs') return doHeavy(id, input);
  if (waiting.size >= mostWaiting)
    return Promise.reject(
      new SumRefusal('', 'Too many of these sums are being reckoned; send it again in a few seconds.'),
    );
  worker ??= startWorker();
  const number = next++;
  return new Promise<unknown>((resolve, reject) => {
    const late = setTimeout(() => giveUp('This sum took longer than fifteen seconds; give it fewer lines.'), limitMs);
    const done =
      <Value>(then: (value: Value) => void) =>
      (value: Value) => {
        clearTimeout(late);
        then(value);
      };
    waiting.set(number, { resolve: done(resolve), reject: done(reject) });
    present(worker).postMessage({ number, id, input } satisfies HeavyTask);
  });
}
