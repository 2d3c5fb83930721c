import { and, asc, count, eq, inArray, lt } from 'drizzle-orm';
import * as z from 'zod';
import type { PersonId } from '@/core/record';
import { fromJson, type Connection } from './client';
import { passkeys, spentChallenges } from './schema';
import { sha256 } from './sha256';
import { isDuplicate } from './translate-error';

const ways = z.array(z.string());

/** A passkey as it was made; its private half never leaves the person's device. */
export interface NewPasskey {
  readonly id: string;
  readonly personId: PersonId;
  /** Its id, in base64url. */
  readonly credential: string;
  /** Public key as COSE, in base64url. */
  readonly publicKey: string;
  readonly counter: number;
  readonly transports: readonly string[];
  readonly name: string;
  readonly at: Date;
}

/** False where the device has been added before, by anybody. */
export async function addPasskey(connection: Connection, { transports, ...row }: NewPasskey): Promise<boolean> {
  try {
    await connection
      .insert(passkeys)
      .values({ ...row, credentialHash: sha256(row.credential), transports: [...transports] });
    return true;
  } catch (error) {
    if (isDuplicate(error)) return false;
    throw error;
  }
}

export async function findPasskey(connection: Connection, credential: string) {
  const [row] = await connection
    .select()
    .from(passkeys)
    .where(eq(passkeys.credentialHash, sha256(credential)));
  return row ? { ...row, transports: ways.parse(fromJson(row.transports)) } : null;
}

/** Those of one person, the first one first. */
export async function listPasskeys(connection: Connection, personId: PersonId) {
  const rows = await connection
    .select()
    .from(passkeys)
    .where(eq(passkeys.personId, personId))
    .orderBy(asc(passkeys.at), asc(passkeys.id));
  return rows.map((row) => ({ ...row, transports: ways.parse(fromJson(row.transports)) }));
}

export async function noteUse(
  connection: Connection,
  id: string,
  set: { readonly counter: number; readonly usedAt: Date },
): Promise<void> {
  await connection.update(passkeys).set(set).where(eq(passkeys.id, id));
}

/** Ends one of a person's; false where it is none of theirs. */
export async function dropPasskey(connection: Connection, personId: PersonId, id: string): Promise<boolean> {
  const [done] = await connection.delete(passkeys).where(and(eq(passkeys.id, id), eq(passkeys.personId, personId)));
  return done.affectedRows === 1;
}

/** Ends all of a person's; how many there were. */
export async function dropPasskeys(connection: Connection, personId: PersonId): Promise<number> {
  const [done] = await connection.delete(passkeys).where(eq(passkeys.personId, personId));
  return done.affectedRows;
}

/** How many each of these people has; who has none is left out. */
export async function countPasskeys(
  connection: Connection,
  people: readonly PersonId[],
): Promise<ReadonlyMap<PersonId, number>> {
  if (!people.length) return new Map();
  const rows = await connection
    .select({ personId: passkeys.personId, n: count() })
    .from(passkeys)
    .where(inArray(passkeys.personId, [...people]))
    .groupBy(passkeys.personId);
  return new Map(rows.map(({ personId, n }) => [personId, n]));
}

/** Uses a challenge up; false where it was used before. Those that were used before a moment are forgotten. */
export async function spendChallenge(
  connection: Connection,
  challenge: string,
  { at, forgetBefore }: { readonly at: Date; readonly forgetBefore: Date },
): Promise<boolean> {
  await connection.delete(spentChallenges).where(lt(spentChallenges.at, forgetBefore));
  try {
    await connection.insert(spentChallenges).values({ challenge: sha256(challenge), at });
    return true;
  } catch (error) {
    if (isDuplicate(error)) return false;
    throw error;
  }
}
