import { registerFigures } from './figures';
import { bringToDateOrWait } from './readiness';
import { takeDevices } from './real-devices';
import { getRuntime } from './runtime';
import { startSchedule } from './schedule';

/**
 * At the start of a serving copy: real devices where a module names them, migrations, older jobs taken over, the outbox
 * looked through from time to time, and what a page needs to be given again. Throws UnfitDatabase for a database that
 * this version must not touch, and for devices that do not fit.
 * @param url of the database
 */
export async function beginServing(url: string): Promise<void> {
  await takeDevices(process.env.PUDDLESTONE_DEVICES);
  await bringToDateOrWait(url);
  registerFigures();
  // Our own server gives a page again while the database answers as it did (scripts/lib/kept-pages.mjs).
  (globalThis as { puddlestoneLooks?: object }).puddlestoneLooks = getRuntime().looks;
  startSchedule();
}
