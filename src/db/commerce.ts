import { and, eq, sql } from 'drizzle-orm';
import type { DraftLine } from '@/core/quoting';
import type { QuoteLine, StandReading } from '@/core/record';
import type { Connection } from './client';
import * as t from './schema';

export async function addQuote(
  connection: Connection,
  quote: typeof t.quotes.$inferInsert,
  lines: readonly (DraftLine & { id: string })[],
) {
  await connection.insert(t.quotes).values(quote);
  if (lines.length)
    await connection
      .insert(t.quoteLines)
      .values(lines.map((line, i) => ({ ...asRow(line), quoteId: quote.id, jobId: quote.jobId, position: i })));
}

function asRow(line: QuoteLine) {
  return {
    id: line.id,
    kind: line.kind,
    description: line.description,
    plain: line.plain,
    quantity: String(line.quantity),
    unit: line.unit,
    unitPriceMinor: line.unitPriceMinor,
    findingIds: [...line.findingIds],
    parts: [...line.parts],
    declinable: line.declinable,
    struckReason: line.struckReason,
  };
}

/** Compare-and-set on the quote's version, then the change of one of its lines. */
export async function bumpQuote(connection: Connection, quoteId: string, basedOn: number): Promise<boolean> {
  const [done] = await connection
    .update(t.quotes)
    .set({ version: basedOn + 1 })
    .where(and(eq(t.quotes.id, quoteId), eq(t.quotes.version, basedOn)));
  return done.affectedRows === 1;
}

export async function saveQuoteLine(
  connection: Connection,
  lineId: string,
  change: { description?: string; quantity?: string; unitPriceMinor?: number; struckReason?: string | null },
) {
  await connection.update(t.quoteLines).set(change).where(eq(t.quoteLines.id, lineId));
}

export async function addQuoteLine(
  connection: Connection,
  quote: { id: string; jobId: string },
  line: QuoteLine,
  position: number,
) {
  await connection.insert(t.quoteLines).values({ ...asRow(line), quoteId: quote.id, jobId: quote.jobId, position });
}

export async function saveQuoteState(
  connection: Connection,
  quoteId: string,
  change: Partial<Pick<typeof t.quotes.$inferInsert, 'state' | 'sentAt' | 'text' | 'fingerprint'>>,
) {
  await connection.update(t.quotes).set(change).where(eq(t.quotes.id, quoteId));
}

export async function addApproval(connection: Connection, row: typeof t.approvals.$inferInsert) {
  await connection.insert(t.approvals).values(row);
}

export async function addOrder(
  connection: Connection,
  order: typeof t.purchaseOrders.$inferInsert,
  lines: readonly { id: string; partRef: string; number: string; quantity: number }[],
) {
  await connection.insert(t.purchaseOrders).values(order);
  await connection
    .insert(t.purchaseOrderLines)
    .values(lines.map((line) => ({ ...line, orderId: order.id, jobId: order.jobId })));
}

export async function addSent(connection: Connection, lineId: string, quantity: number) {
  await connection
    .update(t.purchaseOrderLines)
    .set({ sent: sql`${t.purchaseOrderLines.sent} + ${quantity}` })
    .where(eq(t.purchaseOrderLines.id, lineId));
}

export async function saveOrderDate(connection: Connection, orderId: string, dueOn: string) {
  await connection.update(t.purchaseOrders).set({ dueOn }).where(eq(t.purchaseOrders.id, orderId));
}

export async function addReceipt(connection: Connection, row: typeof t.receipts.$inferInsert) {
  await connection.insert(t.receipts).values(row);
}

export async function addTestRun(
  connection: Connection,
  run: typeof t.testRuns.$inferInsert,
  points: readonly { id: string; raw: StandReading }[],
) {
  await connection.insert(t.testRuns).values(run);
  await connection
    .insert(t.testPoints)
    .values(points.map((point, i) => ({ id: point.id, runId: run.id, jobId: run.jobId, position: i, raw: point.raw })));
}

export async function decideTestRun(
  connection: Connection,
  runId: string,
  decision: { decision: string; decisionReason: string; decisionBy: string; decisionAt: Date },
) {
  await connection.update(t.testRuns).set(decision).where(eq(t.testRuns.id, runId));
}

export async function addReport(connection: Connection, row: typeof t.reports.$inferInsert) {
  await connection.insert(t.reports).values(row);
}

export async function findReport(connection: Connection, number: string, revision: string) {
  const [row] = await connection
    .select({
      jobId: t.reports.jobId,
      record: t.reports.record,
      pdf: t.reports.pdf,
      fingerprint: t.reports.fingerprint,
    })
    .from(t.reports)
    .where(and(eq(t.reports.number, number), eq(t.reports.revision, revision)));
  return row ?? null;
}

export async function putReturn(connection: Connection, row: typeof t.returns.$inferInsert) {
  await connection.insert(t.returns).values(row);
}

export async function saveDelivery(
  connection: Connection,
  jobId: string,
  change: { deliveredAt: Date; deliveredTo: string; warrantyFrom: string },
) {
  await connection.update(t.returns).set(change).where(eq(t.returns.jobId, jobId));
}
