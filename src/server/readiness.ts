import { migrateDatabase, UnfitDatabase } from '@/db';

const shared = globalThis as { puddlestoneIsMigrated?: boolean };

/** Whether the database was found to be as this version needs it; until then nothing is served from it. */
export const isMigrated = (): boolean => shared.puddlestoneIsMigrated === true;

/**
 * Brings the database to what this version needs, once; a database that is away is asked again later. Throws
 * UnfitDatabase for one that this version must not touch.
 */
export async function bringToDate(url: string): Promise<void> {
  if (isMigrated()) return;
  await migrateDatabase(url);
  shared.puddlestoneIsMigrated = true;
}

/** The same at the start of a copy: a database that is away is waited for, one that is unfit ends the copy. */
export async function bringToDateOrWait(url: string): Promise<void> {
  try {
    await bringToDate(url);
  } catch (error) {
    console.error('[start]', error);
    if (error instanceof UnfitDatabase) throw error;
  }
}
