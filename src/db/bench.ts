import { and, eq, sql } from 'drizzle-orm';
import type { Connection } from './client';
import * as t from './schema';

export interface Who {
  readonly personId: string | null;
  readonly personName: string;
  readonly at: Date;
}

export async function addAcknowledgement(connection: Connection, row: { jobId: string; caution: string } & Who) {
  await connection
    .insert(t.acknowledgements)
    .values(row)
    .onDuplicateKeyUpdate({ set: { caution: row.caution } });
}

type PartAccountRow = { jobId: string; partRef: string; state: string; note: string } & Who;

/** Writes down parts that had no account yet, in one statement; a second writer meets the primary key. */
export async function addPartAccounts(connection: Connection, rows: readonly PartAccountRow[]) {
  if (rows.length) await connection.insert(t.partAccounts).values(rows.map((row) => ({ ...row, version: 1 })));
}

/** Changes a part's account, as compare-and-set on its version. */
export async function savePartAccount(connection: Connection, row: PartAccountRow, basedOn: number): Promise<boolean> {
  const [done] = await connection
    .update(t.partAccounts)
    .set({ ...row, version: basedOn + 1 })
    .where(
      and(
        eq(t.partAccounts.jobId, row.jobId),
        eq(t.partAccounts.partRef, row.partRef),
        eq(t.partAccounts.version, basedOn),
      ),
    );
  return done.affectedRows === 1;
}

export async function putCapture(
  connection: Connection,
  row: {
    jobId: string;
    phase: string;
    captureId: string;
    text: string;
    valueMm: string | null;
    typed: string;
    photoId: string | null;
  } & Who,
  basedOn: number,
): Promise<boolean> {
  if (basedOn === 0) {
    await connection.insert(t.captures).values({ ...row, version: 1 });
    return true;
  }
  const [done] = await connection
    .update(t.captures)
    .set({ ...row, version: basedOn + 1 })
    .where(
      and(
        eq(t.captures.jobId, row.jobId),
        eq(t.captures.phase, row.phase),
        eq(t.captures.captureId, row.captureId),
        eq(t.captures.version, basedOn),
      ),
    );
  return done.affectedRows === 1;
}

type ReadingRow = {
  jobId: string;
  phase: string;
  pointId: string;
  place: string;
  valueMm: string;
  typed: string;
  typedUnit: string;
  typedDigits: number;
  instrumentCode: string | null;
  uncertaintyUm: string | null;
} & Who;

/** Writes down first readings in one statement; a second writer meets the primary key. */
export async function addReadings(connection: Connection, rows: readonly ReadingRow[]) {
  if (rows.length) await connection.insert(t.readings).values(rows.map((row) => ({ ...row, version: 1 })));
}

/** Changes a reading, as compare-and-set on its version. */
export async function saveReading(connection: Connection, row: ReadingRow, basedOn: number): Promise<boolean> {
  const own = and(
    eq(t.readings.jobId, row.jobId),
    eq(t.readings.phase, row.phase),
    eq(t.readings.pointId, row.pointId),
    eq(t.readings.place, row.place),
    eq(t.readings.version, basedOn),
  );
  const [done] = await connection
    .update(t.readings)
    .set({ ...row, version: basedOn + 1 })
    .where(own);
  return done.affectedRows === 1;
}

/** Steps done for the first time, in one statement. */
export async function addSteps(
  connection: Connection,
  rows: readonly ({ jobId: string; phase: string; round: number; stepId: string; data: unknown } & Who)[],
) {
  if (rows.length)
    await connection
      .insert(t.stepsDone)
      .values([...rows])
      .onDuplicateKeyUpdate({ set: { version: sql`${t.stepsDone.version} + 1` } });
}

export async function putStep(
  connection: Connection,
  row: { jobId: string; phase: string; round: number; stepId: string; data: unknown } & Who,
) {
  const { data, personId, personName, at } = row;
  await connection
    .insert(t.stepsDone)
    .values(row)
    .onDuplicateKeyUpdate({
      set: { data, personId, personName, at, secondId: null, secondName: null, secondAt: null },
    });
}

export async function signStep(
  connection: Connection,
  key: { jobId: string; phase: string; round: number; stepId: string },
  second: { id: string; name: string; at: Date },
) {
  await connection
    .update(t.stepsDone)
    .set({ secondId: second.id, secondName: second.name, secondAt: second.at })
    .where(
      and(
        eq(t.stepsDone.jobId, key.jobId),
        eq(t.stepsDone.phase, key.phase),
        eq(t.stepsDone.round, key.round),
        eq(t.stepsDone.stepId, key.stepId),
      ),
    );
}

export async function addFinding(connection: Connection, row: typeof t.findings.$inferInsert) {
  await connection.insert(t.findings).values(row);
}

export async function saveFinding(
  connection: Connection,
  id: string,
  basedOn: number,
  change: Partial<typeof t.findings.$inferInsert>,
): Promise<boolean> {
  const [done] = await connection
    .update(t.findings)
    .set({ ...change, version: basedOn + 1 })
    .where(and(eq(t.findings.id, id), eq(t.findings.version, basedOn)));
  return done.affectedRows === 1;
}

export async function putDisposition(
  connection: Connection,
  row: { findingId: string; jobId: string; action: string; reason: string } & Who,
) {
  const { action, reason, personId, personName, at } = row;
  await connection
    .insert(t.dispositions)
    .values(row)
    .onDuplicateKeyUpdate({ set: { action, reason, personId, personName, at } });
}

export async function addPhoto(connection: Connection, row: typeof t.photos.$inferInsert) {
  await connection.insert(t.photos).values(row);
}

export async function findPhoto(connection: Connection, id: string, size: 'full' | 'thumb') {
  const [row] = await connection
    .select({ jobId: t.photos.jobId, bytes: size === 'full' ? t.photos.bytes : t.photos.thumb })
    .from(t.photos)
    .where(eq(t.photos.id, id));
  return row ?? null;
}

/** Pictures of a job for its documents, at most `limit`. */
export async function listPhotoBytes(connection: Connection, jobId: string, limit: number) {
  return connection
    .select({
      id: t.photos.id,
      caption: t.photos.caption,
      about: t.photos.about,
      bytes: t.photos.bytes,
      at: t.photos.at,
    })
    .from(t.photos)
    .where(eq(t.photos.jobId, jobId))
    .orderBy(t.photos.at, t.photos.id)
    .limit(limit);
}
