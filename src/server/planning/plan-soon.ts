import { getRuntime } from '../runtime';
import { renewPlan } from './plan-that-stands';

/**
 * How long after a change the plan is drawn up anew, and how long at the least between two of them, in ms: while many
 * people work, each entry changes what lies ahead, and whoever looks at the plan itself has it drawn up at once anyway.
 */
const afterMs = 1500;
const betweenMs = 60_000;

let timer: NodeJS.Timeout | undefined;
let isBusy = false;
let wantsMore = false;
let lastAt = -Infinity;

async function renew(): Promise<void> {
  timer = undefined;
  isBusy = true;
  try {
    await renewPlan(getRuntime().contextFor({ kind: 'service', name: 'Puddlestone' }));
  } catch (error) {
    console.error('[plan]', error);
  }
  lastAt = performance.now();
  isBusy = false;
  if (!wantsMore) return;
  wantsMore = false;
  planSoon();
}

/**
 * Draws the plan of the shop up anew in a moment, in a serving copy: a change was made. Several changes share one plan;
 * several copies may do it at once, and one of them keeps it.
 */
export function planSoon(): void {
  if (process.env.NEXT_RUNTIME !== 'nodejs' || timer) return;
  if (isBusy) {
    wantsMore = true;
    return;
  }
  const wait = Math.max(afterMs, lastAt + betweenMs - performance.now());
  timer = setTimeout(() => void renew(), wait).unref();
}
