/**
 * At the start of a serving copy: real devices where a module names them, migrations, older jobs taken over, and the
 * outbox looked through from time to time.
 */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs' || !process.env.DATABASE_URL) return;
  const { migrateDatabase } = await import('./db/migrate');
  const { startSchedule } = await import('./server/schedule');
  const { takeDevices } = await import('./server/real-devices');
  await takeDevices(process.env.PUDDLESTONE_DEVICES);
  await migrateDatabase(process.env.DATABASE_URL).catch((error: unknown) =>
    console.error('Migration must wait for the database:', error),
  );
  startSchedule();
}
