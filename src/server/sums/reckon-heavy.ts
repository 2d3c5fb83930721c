import { Worker } from 'node:worker_threads';
import type { Outcome } from '@/core/sums';
import type { ForecastAsked, PromiseAnswered, PromiseAsked, SaidDay } from '@/core/workload';
import { doHeavy, type PlainPlan, type ShopPlanTask } from './heavy-work';
import { Thread, threadMemory } from './thread';

const words = {
  tooMany: 'Too many of these sums are being reckoned; send it again in a few seconds.',
  stopped: 'The solver stopped; send the sum again.',
  late: (seconds: number) =>
    `This took longer than ${seconds} seconds here. Send it again when less is going on, or give it fewer lines.`,
};
/** The sums themselves stop after two seconds; this is for one that does not. */
const sumLimits = { limitMs: 15_000, restMs: 300_000, mostWaiting: 20, words };
/** A plan of many pumps on a machine that is busy takes its time; nobody waits for it who is not told. */
const planLimits = { limitMs: 60_000, restMs: 300_000, mostWaiting: 20, words };

function start(): Worker {
  const started = new Worker(new URL('./heavy-worker.ts', import.meta.url), { resourceLimits: threadMemory });
  started.unref();
  return started;
}

/** Plans have a thread of their own: whoever places an order does not wait until the shop's work is planned. */
const threads = { sums: new Thread(start, sumLimits), plans: new Thread(start, planLimits) };

/**
 * Reckons a sum that needs a solver in a thread of its own. Throws SumRefusal for what the sum refuses, when too many
 * wait, and when it takes longer than fifteen seconds.
 */
export const reckonHeavy = (id: string, input: unknown) => inThread('sums', id, input) as Promise<Outcome<unknown>>;

/** Draws up the plan of the shop. */
export const planHeavy = (task: ShopPlanTask) => inThread('plans', 'shop-plan', task) as Promise<PlainPlan>;

/** Reckons what a caller is told. */
export const promiseHeavy = (asked: PromiseAsked) =>
  inThread('sums', 'shop-promise', asked) as Promise<PromiseAnswered>;

/** What the plan of a past day says of one pump. */
export const forecastHeavy = (asked: ForecastAsked) =>
  inThread('plans', 'shop-forecast', asked) as Promise<readonly SaidDay[]>;

function inThread(which: keyof typeof threads, id: string, input: unknown): Promise<unknown> {
  // A script that loads the demonstration shop, or a test, answers nobody else meanwhile: it needs no thread.
  if (process.env.NEXT_RUNTIME !== 'nodejs') return doHeavy(id, input);
  return threads[which].ask(id, input);
}
