import { randomUUID } from 'node:crypto';
import { readdir, rm } from 'node:fs/promises';
import { join } from 'node:path';
import { isBackupDue, outlivedBackups } from '@/core/keeping';
import {
  addBackup,
  findLastBackup,
  findShopBegin,
  giveLeaseBack,
  listBackups,
  ownHolder,
  readShop,
  renewLease,
  takeLease,
  type Database,
} from '@/db';
import { backupName, makeBackup, momentOfBackup } from './make-backup';

/** The name of the shop as its files say it. */
export const readShopName = async (database: Database): Promise<string> => (await readShop(database))?.name ?? '';

export interface KeepingAt {
  readonly database: Database;
  readonly databaseUrl: string;
  /** Where backups lie. */
  readonly folder: string;
  readonly now: () => Date;
}

/** Takes out backups that need not be kept any more, and what a backup that was cut off left. */
async function takeOutOld(folder: string): Promise<void> {
  const names = await readdir(folder);
  const files = names.flatMap((name) => {
    const at = momentOfBackup(name);
    return at ? [{ name, at }] : [];
  });
  const parts = names.filter((name) => name.endsWith('.zip.part') && momentOfBackup(name.slice(0, -5)));
  for (const name of [...outlivedBackups(files).map((file) => file.name), ...parts])
    await rm(join(folder, name), { force: true });
}

/** What went wrong with a backup, as the owner reads it: no statement, no value. */
function sayFailure(error: unknown, folder: string): string {
  const code = typeof error === 'object' && error !== null && 'code' in error ? String(error.code) : '';
  if (code === 'ENOSPC') return `The disk of ${folder} is full.`;
  if (code === 'EACCES' || code === 'EROFS' || code === 'EPERM') return `Nothing can be written into ${folder}.`;
  if (error instanceof Error && error.name === 'BackupFault') return error.message;
  return `It failed (${code || (error instanceof Error ? error.name : 'unknown')}); the log says more.`;
}

export interface BackupWanted {
  readonly askedBy: string;
  /** Pictures before are left out: such a file is made by request, beside the whole ones, and never stands for one. */
  readonly withoutPicturesBefore?: Date | null;
  /** Whether those that are outlived are taken out: not in a folder that was named for this one alone. */
  readonly tidies?: boolean;
}

/**
 * Makes a backup, one at a time over all copies, writes down how it went, and takes out those that are outlived. Gives
 * null when another copy is at one just now.
 */
export async function backUp(at: KeepingAt, { askedBy, withoutPicturesBefore = null, tidies = true }: BackupWanted) {
  const { database, databaseUrl, folder } = at;
  const lease = { name: 'backup', holder: ownHolder() };
  if (!(await takeLease(database, lease))) return null;
  const renewing = setInterval(() => void renewLease(database, lease).catch(() => undefined), 15_000);
  const startedAt = at.now();
  const isWhole = withoutPicturesBefore === null;
  const file = join(folder, backupName(startedAt, isWhole));
  const begun = { id: randomUUID(), startedAt, file, askedBy };
  try {
    const shop = await readShopName(database);
    const { bytes, manifest } = await makeBackup({ databaseUrl, file, now: startedAt, shop, withoutPicturesBefore });
    const made = { ...begun, finishedAt: at.now(), bytes, jobs: manifest.jobs, pictures: manifest.pictures };
    if (isWhole) await addBackup(database, made);
    if (isWhole && tidies)
      await takeOutOld(folder).catch((error: unknown) => console.error('[backup] old ones stay', error));
    return { ...made, failure: null };
  } catch (error) {
    console.error('[backup]', error);
    const failure = sayFailure(error, folder);
    if (isWhole) await addBackup(database, { ...begun, failure });
    return { ...begun, failure };
  } finally {
    clearInterval(renewing);
    await giveLeaseBack(database, lease).catch(() => undefined);
  }
}

/** Makes the nightly backup where it is due. */
export async function backUpWhenDue(at: KeepingAt): Promise<void> {
  const { database } = at;
  const [shop, since, good, tried] = await Promise.all([
    readShop(database),
    findShopBegin(database),
    findLastBackup(database),
    listBackups(database, 1),
  ]);
  if (!shop || !since) return;
  const soFar = { lastGood: good?.startedAt ?? null, lastTry: tried[0]?.startedAt ?? null, since };
  if (isBackupDue({ now: at.now(), zone: shop.zone, ...soFar })) await backUp(at, { askedBy: 'Puddlestone' });
}

/** Where this copy keeps backups; null where it was started without a folder for them. */
export function keepingHere(database: Database): KeepingAt | null {
  const { PUDDLESTONE_BACKUPS: folder, DATABASE_URL: databaseUrl } = process.env;
  return folder && databaseUrl ? { database, databaseUrl, folder, now: () => new Date() } : null;
}
