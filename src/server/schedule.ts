import { endOldSessions, forgetAudits, forgetEntries } from '@/db';
import { backUpWhenDue, keepingHere } from './keeping/keep-backups';
import { carryOutDue } from './outbox';
import { planSoon } from './planning/plan-soon';
import { bringToDate } from './readiness';
import { getRuntime } from './runtime';
import { takeOverOldJobs } from './take-over';

/** How often the outbox is looked through for what could not be carried out at once, in ms. */
const everyMs = 20_000;
const dayMs = 86_400_000;
/** How long the answer to an entry is remembered, in ms: no device keeps an entry that long. */
const rememberMs = 60 * dayMs;
/** How long it is kept who came in and what was taken out, in days. */
const auditDays = 366;
/** A sign-in that nobody used for so long ends, and so does one that was parked, in days. */
const unusedDays = 7;
const parkedDays = 2;
const ownContext = () => getRuntime().contextFor({ kind: 'service', name: 'Puddlestone' });

async function forgetOld(): Promise<void> {
  const { database, now } = ownContext();
  const at = now();
  const before = (days: number) => new Date(at.getTime() - days * dayMs);
  await forgetEntries(database, new Date(at.getTime() - rememberMs));
  await forgetAudits(database, before(auditDays));
  await endOldSessions(database, { unusedSince: before(unusedDays), parkedSince: before(parkedDays), at });
}

/** What a serving copy does by itself; several copies may do it at once. A database that is away is tried again. */
export function startSchedule(): void {
  let isBegun = false;
  let forgotAt = -Infinity;
  let isBusy = false;
  const tick = async () => {
    if (isBusy) return;
    isBusy = true;
    try {
      if (!isBegun) {
        await bringToDate(process.env.DATABASE_URL ?? '');
        await takeOverOldJobs(ownContext());
      }
      isBegun = true;
      await carryOutDue(ownContext());
      planSoon();
      const keeping = keepingHere(ownContext().database);
      if (keeping) await backUpWhenDue(keeping);
      if (performance.now() - forgotAt < dayMs) return;
      await forgetOld();
      forgotAt = performance.now();
    } catch (error) {
      console.error('[schedule]', error);
    } finally {
      isBusy = false;
    }
  };
  setInterval(() => void tick(), everyMs).unref();
  void tick();
}
