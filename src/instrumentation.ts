/**
 * At the start of a serving copy: real devices where a module names them, migrations, older jobs taken over, and the
 * outbox looked through from time to time.
 */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs' || !process.env.DATABASE_URL) return;
  const { bringToDateOrWait } = await import('./server/readiness');
  const { startSchedule } = await import('./server/schedule');
  const { takeDevices } = await import('./server/real-devices');
  const { registerFigures } = await import('./server/figures');
  await takeDevices(process.env.PUDDLESTONE_DEVICES);
  await bringToDateOrWait(process.env.DATABASE_URL);
  registerFigures();
  startSchedule();
}
