import { randomBytes } from 'node:crypto';
import type { Actor } from '@/core/access';
import { addMail, isAnswering, openDatabase, readShopAtHand, type Database, type OpenedDatabase } from '@/db';
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
import { noDevice, type Device } from './people/device';
import { makeId } from './make-id';
import { realDevices } from './real-devices';

export interface Runtime extends OpenedDatabase {
  readonly contextFor: (
    actor: Actor,
    given?: {
      readonly origin?: string;
      readonly now?: () => Date;
      readonly device?: Device;
      /** Whether it is for one look alone, in which the shop stays as it was read first. */
      readonly isOneLook?: boolean;
    },
  ) => Context;
  readonly isDatabaseUp: () => Promise<boolean>;
}

/** What is asked for first is what all get who ask after it. */
function once<Value>(read: () => Promise<Value>): () => Promise<Value> {
  let asked: Promise<Value> | undefined;
  return () => (asked ??= read());
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
  return {
    ...opened,
    contextFor: (
      actor,
      { origin = 'http://localhost:4170', now = () => new Date(), device = noDevice, isOneLook = false } = {},
    ) => {
      const read = () => readShopAtHand(opened.database);
      return {
        database: opened.database,
        actor,
        now,
        newId: <Id extends MadeId>() => asId<Id>(makeId()),
        newToken: () => randomBytes(32).toString('hex'),
        origin,
        device,
        shopAtHand: isOneLook ? once(read) : read,
        standIns,
      };
    },
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
