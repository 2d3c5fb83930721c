/** At the start of a serving copy: migrations, under a lock of the database. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs' || !process.env.DATABASE_URL) return;
  const { migrateDatabase } = await import('./db/migrate');
  await migrateDatabase(process.env.DATABASE_URL).catch((error: unknown) =>
    console.error('Migration must wait for the database:', error),
  );
}
