import {
  endOldSessions,
  forgetAudits,
  forgetEntries,
  forgetOldTries,
  ownHolder,
  packClosed,
  renewLease,
  takeLease,
} from '@/db';
import type { Context } from './context';
import { backUpWhenDue, keepingHere } from './keeping/keep-backups';
import { carryOutDue } from './outbox';
import { planSoon } from './planning/plan-soon';
import { bringToDate } from './readiness';
import { getRuntime } from './runtime';
import { takeOverOldJobs } from './take-over';

/** How often the outbox is looked through for what could not be carried out at once, in ms. */
const everyMs = 20_000;
const dayMs = 86_400_000;
/** How long the answer to an entry is remembered, in days: no device keeps an entry that long. */
const rememberDays = 60;
/** How long it is kept who came in and what was taken out, in days. */
const auditDays = 366;
/** A sign-in that nobody used for so long ends, and so does one that was parked, in days. */
const unusedDays = 7;
const parkedDays = 2;
/** Longer than any rule of tries remembers, in days. */
const triesDays = 2;
/** The events of a job are packed when it was closed for so long, in hours, and so many jobs a turn. */
const closedHours = 1;
const packedAtOnce = 25;

async function forgetOld({ database, now }: Context): Promise<void> {
  const at = now();
  const before = (days: number) => new Date(at.getTime() - days * dayMs);
  await forgetEntries(database, before(rememberDays));
  await forgetAudits(database, before(auditDays));
  await forgetOldTries(database, before(triesDays));
  await endOldSessions(database, { unusedSince: before(unusedDays), parkedSince: before(parkedDays), at });
}

/**
 * What is done by itself, one turn of it: by one copy over all machines, which is another when that one has gone. Gives
 * a function that takes a turn and says whether it was this copy's.
 */
export function scheduleOf(contextNow: () => Context, holder: string): () => Promise<boolean> {
  const lease = { name: 'schedule', holder };
  let hasTakenOver = false;
  let forgotAt = -Infinity;
  return async () => {
    const context = contextNow();
    const { database } = context;
    if (!(await renewLease(database, lease)) && !(await takeLease(database, lease))) return false;
    if (!hasTakenOver) await takeOverOldJobs(context);
    hasTakenOver = true;
    await carryOutDue(context);
    const keeping = keepingHere(database);
    if (keeping) await backUpWhenDue(keeping);
    await packClosed(database, new Date(context.now().getTime() - closedHours * 3_600_000), packedAtOnce);
    if (performance.now() - forgotAt >= dayMs) {
      await forgetOld(context);
      forgotAt = performance.now();
    }
    return true;
  };
}

/** Lets a serving copy take its turns. A database that is away is tried again. */
export function startSchedule(): void {
  const ownContext = () => getRuntime().contextFor({ kind: 'service', name: 'Puddlestone' });
  const takeTurn = scheduleOf(ownContext, ownHolder());
  let isBusy = false;
  const tick = async () => {
    if (isBusy) return;
    isBusy = true;
    try {
      await bringToDate(process.env.DATABASE_URL ?? '');
      if (await takeTurn()) planSoon();
    } catch (error) {
      console.error('[schedule]', error);
    } finally {
      isBusy = false;
    }
  };
  setInterval(() => void tick(), everyMs).unref();
  void tick();
}
