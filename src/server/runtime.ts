import { randomBytes } from 'node:crypto';
import { RateLimiterMySQL, RateLimiterRes } from 'rate-limiter-flexible';
import type { Actor } from '@/core/access';
import { addMail, isAnswering, openDatabase, type Database, type OpenedDatabase } from '@/db';
import { asId, type JobId, type MadeId } from '@/core/record';
import {
  simulatedCamera,
  simulatedScanner,
  simulatedGauge,
  simulatedMail,
  simulatedSupplier,
  simulatedTestStand,
  type Letter,
  type StandIns,
} from '@/stand-ins';
import type { Context } from './context';
import { makeId } from './make-id';
import { realDevices } from './real-devices';

export interface Runtime extends OpenedDatabase {
  readonly contextFor: (actor: Actor, given?: { readonly origin?: string; readonly now?: () => Date }) => Context;
  readonly isDatabaseUp: () => Promise<boolean>;
}

const limits = { 'sign-in': { points: 12, duration: 300 }, pin: { points: 8, duration: 300 } } as const;

function makeLimiters({ pool }: OpenedDatabase, databaseUrl: string) {
  const make = (name: keyof typeof limits) =>
    new RateLimiterMySQL({
      storeClient: pool,
      dbName: decodeURIComponent(new URL(databaseUrl).pathname.slice(1)),
      tableName: 'rate_limits',
      tableCreated: true,
      keyPrefix: name,
      ...limits[name],
    });
  return { 'sign-in': make('sign-in'), pin: make('pin') };
}

/** Keeps a letter of the simulated post office where the product's outbox shows it. */
async function keepLetter(database: Database, { attachment, jobId, ...letter }: Letter): Promise<void> {
  await addMail(database, {
    ...letter,
    jobId: jobId === null ? null : asId<JobId>(jobId),
    attachmentName: attachment?.name ?? null,
    attachment: attachment?.bytes ?? null,
  });
}

function simulatedStandIns(database: Database): StandIns {
  return {
    gauge: simulatedGauge,
    camera: simulatedCamera,
    scanner: simulatedScanner,
    supplier: simulatedSupplier,
    testStand: simulatedTestStand,
    mail: simulatedMail((letter) => keepLetter(database, letter)),
  };
}

/**
 * Opens what the use cases need on one database.
 * @param real devices and services that take the place of the simulated ones
 */
export function startRuntime(databaseUrl: string, real: Partial<StandIns> = {}): Runtime {
  const opened = openDatabase(databaseUrl);
  const standIns: StandIns = { ...simulatedStandIns(opened.database), ...real };
  const limiters = makeLimiters(opened, databaseUrl);
  const mayTry: Context['mayTry'] = async (key, limit) => {
    try {
      await limiters[limit].consume(key);
      return true;
    } catch (error) {
      if (error instanceof RateLimiterRes) return false;
      throw error;
    }
  };
  const forgetTries: Context['forgetTries'] = async (key, limit) => void (await limiters[limit].delete(key));
  return {
    ...opened,
    contextFor: (actor, { origin = 'http://localhost:4170', now = () => new Date() } = {}) => ({
      database: opened.database,
      actor,
      now,
      newId: <Id extends MadeId>() => asId<Id>(makeId()),
      newToken: () => randomBytes(32).toString('hex'),
      origin,
      mayTry,
      forgetTries,
      standIns,
    }),
    isDatabaseUp: () => isAnswering(opened.database),
  };
}

const shared = globalThis as { puddlestoneRuntime?: Runtime };

/** The one runtime of a serving copy, made on first use from DATABASE_URL. */
export function getRuntime(): Runtime {
  const url = process.env.DATABASE_URL;
  if (!url) throw new Error('DATABASE_URL is not set: start with npm start');
  return (shared.puddlestoneRuntime ??= startRuntime(url, realDevices()));
}
