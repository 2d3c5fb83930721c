import { and, eq, inArray, isNotNull, lt } from 'drizzle-orm';
import * as z from 'zod';
import type { PersonId } from '@/core/record';
import { fromJson, type Connection } from './client';
import { secondFactors } from './schema';

const hashes = z.array(z.string());

export async function findSecondFactor(connection: Connection, personId: PersonId) {
  const [row] = await connection.select().from(secondFactors).where(eq(secondFactors.personId, personId));
  return row ? { ...row, recovery: hashes.parse(fromJson(row.recovery)) } : null;
}

/** Begins a second factor in place of one that was begun or is used. */
export async function beginFactor(
  connection: Connection,
  row: { readonly personId: PersonId; readonly secret: string; readonly startedAt: Date },
): Promise<void> {
  await connection.delete(secondFactors).where(eq(secondFactors.personId, row.personId));
  await connection.insert(secondFactors).values({ ...row, recovery: [] });
}

export async function confirmFactor(
  connection: Connection,
  personId: PersonId,
  set: { readonly confirmedAt: Date; readonly lastStep: number; readonly recovery: readonly string[] },
): Promise<void> {
  await connection
    .update(secondFactors)
    .set({ ...set, recovery: [...set.recovery] })
    .where(eq(secondFactors.personId, personId));
}

/** Uses the code of a step of time; false when that step or a later one was used already. */
export async function spendStep(connection: Connection, personId: PersonId, step: number): Promise<boolean> {
  const [used] = await connection
    .update(secondFactors)
    .set({ lastStep: step })
    .where(and(eq(secondFactors.personId, personId), lt(secondFactors.lastStep, step)));
  return used.affectedRows === 1;
}

/** Uses a word for a lost device up: the list with it becomes the list without it; false when another did meanwhile. */
export async function spendRecovery(
  connection: Connection,
  personId: PersonId,
  { before, after }: { readonly before: readonly string[]; readonly after: readonly string[] },
): Promise<boolean> {
  const [used] = await connection
    .update(secondFactors)
    .set({ recovery: [...after] })
    .where(and(eq(secondFactors.personId, personId), eq(secondFactors.recovery, [...before])));
  return used.affectedRows === 1;
}

export async function dropFactor(connection: Connection, personId: PersonId): Promise<boolean> {
  const [done] = await connection.delete(secondFactors).where(eq(secondFactors.personId, personId));
  return done.affectedRows === 1;
}

/** Who of these people has a second factor that is confirmed. */
export async function withSecondFactor(
  connection: Connection,
  people: readonly PersonId[],
): Promise<ReadonlySet<PersonId>> {
  if (!people.length) return new Set();
  const rows = await connection
    .select({ personId: secondFactors.personId })
    .from(secondFactors)
    .where(and(inArray(secondFactors.personId, [...people]), isNotNull(secondFactors.confirmedAt)));
  return new Set(rows.map(({ personId }) => personId));
}
