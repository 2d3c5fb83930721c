import { statfs } from 'node:fs/promises';
import { dirname } from 'node:path';
import * as z from 'zod';
import { backupHour, judgeBackupAge, keepBackups, lastNight } from '@/core/keeping';
import { DomainError } from '@/core/errors';
import { findLastBackup, findShopBegin, listBackups, readNoticeFacts, readShop } from '@/db';
import { defineUseCase, forVerb } from '../use-case';
import { backUp, keepingHere } from './keep-backups';

const shownBackups = 20;
const hourMs = 3_600_000;

/** What is left on the disk of a folder, or of the one that it will be made in, in bytes; null where that is not known. */
async function bytesLeft(folder: string): Promise<number | null> {
  for (const path of [folder, dirname(folder)]) {
    const found = await statfs(path).catch(() => null);
    if (found) return found.bavail * found.bsize;
  }
  return null;
}

/** How the record is kept: the last good backup and its age, what was tried, what is left on the disk. */
export const readKeeping = defineUseCase({
  verb: 'read-keeping',
  audience: ['owner'],
  input: z.strictObject({}),
  async run({ database, now }) {
    const [shop, since, good, tried] = await Promise.all([
      readShop(database),
      findShopBegin(database),
      findLastBackup(database),
      listBackups(database, shownBackups),
    ]);
    const zone = shop?.zone ?? 'UTC';
    const at = now();
    const lastGood = good?.startedAt ?? null;
    const here = keepingHere(database);
    return {
      zone,
      ...judgeBackupAge({ now: at, lastGood, since: since ?? at }),
      lastGood: lastGood?.toISOString() ?? null,
      nextAt: lastNight(new Date(at.getTime() + 24 * hourMs), zone).toISOString(),
      hour: backupHour,
      keep: keepBackups,
      folder: here?.folder ?? null,
      bytesLeft: here && (await bytesLeft(here.folder)),
      tried: tried.map(({ startedAt, finishedAt, ...row }) => ({
        ...row,
        startedAt: startedAt.toISOString(),
        seconds: finishedAt ? (finishedAt.getTime() - startedAt.getTime()) / 1000 : null,
      })),
    };
  },
});
export type KeepingShown = Awaited<ReturnType<typeof readKeeping.run>>;

/** For how long the owner is told of what was locked, in ms. */
const toldOfLocksMs = 24 * hourMs;

/** What the owner is told on every page: a night without a backup, and what was locked since yesterday. */
export const readOwnerNotices = defineUseCase({
  verb: 'read-owner-notices',
  audience: ['owner'],
  input: z.strictObject({}),
  async run({ database, now }) {
    const at = now();
    const { since, lastGood, locks } = await readNoticeFacts(database, new Date(at.getTime() - toldOfLocksMs));
    const { hours, isLate } = judgeBackupAge({ now: at, lastGood, since: since ?? at });
    return {
      backup: keepingHere(database) && isLate ? { hours, hasNone: !lastGood } : null,
      locks: [...new Set(locks)],
    };
  },
});

/** A backup now, beside the nightly ones. */
export const makeBackupNow = forVerb('make-backup', async ({ database, actor }) => {
  const here = keepingHere(database);
  if (!here) throw new DomainError('wrong-state', { what: 'This copy was started without a folder for backups.' });
  const made = await backUp(here, { askedBy: actor.kind === 'person' ? actor.name : 'Puddlestone' });
  if (!made)
    throw new DomainError('wrong-state', {
      what: 'A backup is being made just now. It is in the list when it is done.',
    });
  if (made.failure !== null) throw new DomainError('wrong-state', { what: `There is no new backup. ${made.failure}` });
  const { file, bytes, jobs, pictures } = made;
  return { file, bytes, jobs, pictures };
});
