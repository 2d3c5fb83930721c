/**
 * At the start of a serving copy: real devices where a module names them, migrations, older jobs taken over, the outbox
 * looked through from time to time, and what a page needs to be given again.
 */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs' || !process.env.DATABASE_URL) return;
  const { bringToDateOrWait } = await import('./server/readiness');
  const { startSchedule } = await import('./server/schedule');
  const { takeDevices } = await import('./server/real-devices');
  const { registerFigures } = await import('./server/figures');
  const { getRuntime } = await import('./server/runtime');
  await takeDevices(process.env.PUDDLESTONE_DEVICES);
  await bringToDateOrWait(process.env.DATABASE_URL);
  registerFigures();
  // Our own server gives a page again while the database answers as it did (scripts/lib/kept-pages.mjs).
  (globalThis as { puddlestoneLooks?: object }).puddlestoneLooks = getRuntime().looks;
  startSchedule();
}
