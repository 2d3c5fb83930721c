import { and, eq, inArray, isNull, or, sql } from 'drizzle-orm';
import { numberKey } from '@/core/supply';
import type { Connection } from './client';
import * as t from './schema';

type DonorRow = typeof t.donorParts.$inferSelect;
/** A part of a unit, for another pump: what it is and how it lies there. */
export type DonorFound = Omit<typeof t.donorParts.$inferInsert, 'numberKey' | 'takenBy' | 'takenAt'>;

const ofPart = ({ tag, partRef }: Pick<DonorRow, 'tag' | 'partRef'>) =>
  and(eq(t.donorParts.tag, tag), eq(t.donorParts.partRef, partRef));

/** A part of a unit that was taken or set aside; null for one that nobody spoke for. */
export async function findDonorPart(connection: Connection, part: Pick<DonorRow, 'tag' | 'partRef'>) {
  const [row] = await connection.select().from(t.donorParts).where(ofPart(part));
  return row ?? null;
}

/** Sets parts aside as donor stock; what stands there already stays. */
export async function addDonorParts(connection: Connection, parts: readonly DonorFound[]): Promise<void> {
  if (!parts.length) return;
  const rows = parts.map((part) => ({ ...part, numberKey: numberKey(part.number), takenBy: null, takenAt: null }));
  await connection
    .insert(t.donorParts)
    .values(rows)
    .onDuplicateKeyUpdate({ set: { tag: sql`${t.donorParts.tag}` } });
}

/** Takes a part for a job; false where another job has it. The row decides: two at once have one winner. */
export async function takeDonorPart(connection: Connection, part: DonorFound, by: string, at: Date): Promise<boolean> {
  await addDonorParts(connection, [part]);
  const [done] = await connection
    .update(t.donorParts)
    .set({ takenBy: by, takenAt: at })
    .where(and(ofPart(part), or(isNull(t.donorParts.takenBy), eq(t.donorParts.takenBy, by))));
  return done.affectedRows > 0;
}

interface Freed {
  readonly by: string;
  readonly id: Pick<DonorRow, 'tag' | 'partRef'>;
  /** Whether it is stock, and free for anybody; else it belongs to its pump again, and has no row. */
  readonly isStock: boolean;
}

/** Gives back what a job had taken of a part. */
export async function freeDonorPart(connection: Connection, { by, id, isStock }: Freed): Promise<void> {
  const taken = and(ofPart(id), eq(t.donorParts.takenBy, by));
  if (isStock) await connection.update(t.donorParts).set({ takenBy: null, takenAt: null }).where(taken);
  else await connection.delete(t.donorParts).where(taken);
}

interface DonorsAsked {
  readonly familyId?: string;
  readonly partRef?: string;
  /** Numbers as they are compared. */
  readonly keys?: readonly string[];
}

/** Free donor parts, of a family and part or with one of some numbers, the least worn first. */
export async function listFreeDonors(connection: Connection, { familyId, partRef, keys }: DonorsAsked, limit = 100) {
  return connection
    .select()
    .from(t.donorParts)
    .where(
      and(
        isNull(t.donorParts.takenBy),
        familyId === undefined ? undefined : eq(t.donorParts.familyId, familyId),
        partRef === undefined ? undefined : eq(t.donorParts.partRef, partRef),
        keys?.length ? inArray(t.donorParts.numberKey, [...keys]) : undefined,
      ),
    )
    .orderBy(sql`${t.donorParts.wearPct} is null`, t.donorParts.wearPct, t.donorParts.tag)
    .limit(limit);
}

/** Numbers that interchange with a number by the shop's catalogue: of its group, what it took the place of, what took its. */
export async function crossingNumbers(connection: Connection, number: string): Promise<readonly string[]> {
  const key = numberKey(number);
  const [own] = await connection.select().from(t.catalogueNumbers).where(eq(t.catalogueNumbers.key, key));
  const group = own?.interchangeGroup ?? '';
  const rows = await connection
    .select({ number: t.catalogueNumbers.number, key: t.catalogueNumbers.key })
    .from(t.catalogueNumbers)
    .where(
      or(
        eq(t.catalogueNumbers.supersededByKey, key),
        own?.supersededByKey ? eq(t.catalogueNumbers.key, own.supersededByKey) : undefined,
        group ? eq(t.catalogueNumbers.interchangeGroup, group) : undefined,
      ),
    )
    .limit(100);
  return rows.filter((row) => row.key !== key).map((row) => row.number);
}

/** Where a supplier is written to; an address made of the name where the catalogue has none. */
export async function supplierAddress(connection: Connection, name: string): Promise<string> {
  const [row] = await connection
    .select({ email: t.suppliers.email })
    .from(t.suppliers)
    .where(eq(t.suppliers.name, name));
  if (row?.email) return row.email;
  return `orders@${name.toLowerCase().replaceAll(/[^a-z]+/g, '-')}.example`;
}
