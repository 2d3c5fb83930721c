import { and, desc, eq, isNull, sql } from 'drizzle-orm';
import type { ReportId } from '@/core/record';
import type { Connection } from './client';
import * as t from './schema';

export async function findReport(connection: Connection, number: string, revision: string) {
  const [row] = await connection
    .select({
      id: t.reports.id,
      jobId: t.reports.jobId,
      record: t.reports.record,
      pdf: t.reports.pdf,
      fingerprint: t.reports.fingerprint,
    })
    .from(t.reports)
    .where(and(eq(t.reports.number, number), revision === 'latest' ? undefined : eq(t.reports.revision, revision)))
    .orderBy(desc(sql`char_length(${t.reports.revision})`), desc(t.reports.revision))
    .limit(1);
  return row ?? null;
}

/** The frozen text of a report by its id. */
export async function findReportText(connection: Connection, id: ReportId) {
  const [row] = await connection
    .select({ record: t.reports.record, fingerprint: t.reports.fingerprint, jobId: t.reports.jobId })
    .from(t.reports)
    .where(eq(t.reports.id, id));
  return row ?? null;
}

/** Keeps the PDF of an issued report; one that is there already stays. */
export async function saveReportPdf(connection: Connection, id: ReportId, pdf: Buffer): Promise<void> {
  await connection
    .update(t.reports)
    .set({ pdf })
    .where(and(eq(t.reports.id, id), isNull(t.reports.pdf)));
}
