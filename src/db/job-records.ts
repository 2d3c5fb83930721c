import { and, desc, eq, lt, ne } from 'drizzle-orm';
import * as z from 'zod';
import { actions, holders, partStates, stations, type Intake, type JobRecord, type Quote } from '@/core/record';
import { childrenOf, loadChildren } from './child-rows';
import { fromJson, type Connection } from './client';
import * as t from './schema';

const iso = (date: Date) => date.toISOString();
const isoOrNull = (date: Date | null) => (date ? date.toISOString() : null);
const numberOrNull = (value: string | null) => (value === null ? null : Number(value));
const json = <T>(schema: z.ZodType<T>, value: unknown): T => schema.parse(fromJson(value));

const holdSchema = z.object({ reason: z.string(), holder: z.enum(holders), until: z.string() });
const dutySchema = z.object({
  flowM3h: z.number(),
  headM: z.number(),
  powerKw: z.number().optional(),
  efficiencyPct: z.number().optional(),
  speedRpm: z.number(),
});
const signedSchema = z.object({ personName: z.string(), at: z.string() });
export const intakeBodySchema = z.object({
  equipmentNumber: z.string(),
  duty: dutySchema.nullable(),
  liquid: z.string(),
  cleaning: z.enum(['none', 'declaration', 'sheet']),
  cleaningReference: z.string(),
  whyOut: z.string(),
  runningHours: z.number().nullable(),
  cameWith: z.array(z.string()),
  shims: z.array(z.object({ foot: z.string(), thicknesses: z.string() })),
  hazards: z.string(),
  shippingDamage: z.string(),
  elastomer: z.string(),
  isolation: signedSchema.nullable(),
});
const stepDataSchema = z.record(z.string(), z.union([z.string(), z.number(), z.boolean()]));
const decisionsSchema = z.record(z.string(), z.enum(['approved', 'declined']));
const linePartsSchema = z.array(z.object({ ref: z.string(), qty: z.number() }));
const standReadingSchema = z.object({
  flowM3h: z.number(),
  suctionKpa: z.number(),
  dischargeKpa: z.number(),
  speedRpm: z.number(),
  powerInKw: z.number(),
  motorEfficiencyPct: z.number(),
  densityKgM3: z.number(),
  vibrationMmS: z.number(),
  bearingC: z.number(),
});

async function loadHead(connection: Connection, tag: string, lock: boolean) {
  const query = connection
    .select({ job: t.jobs, pump: t.pumps, customer: t.customers, contact: t.contacts })
    .from(t.jobs)
    .innerJoin(t.pumps, eq(t.pumps.id, t.jobs.pumpId))
    .innerJoin(t.customers, eq(t.customers.id, t.jobs.customerId))
    .leftJoin(t.contacts, eq(t.contacts.id, t.jobs.contactId))
    .where(eq(t.jobs.tag, tag));
  if (lock) await connection.select({ id: t.jobs.id }).from(t.jobs).where(eq(t.jobs.tag, tag)).for('update');
  const [row] = await query;
  return row ?? null;
}

async function loadEarlierVisits(connection: Connection, job: { id: string; pumpId: string; openedAt: Date }) {
  const rows = await connection
    .select({
      id: t.jobs.id,
      tag: t.jobs.tag,
      openedAt: t.jobs.openedAt,
      outcome: t.jobs.outcome,
      report: t.reports.number,
      revision: t.reports.revision,
    })
    .from(t.jobs)
    .leftJoin(t.reports, eq(t.reports.jobId, t.jobs.id))
    .where(and(eq(t.jobs.pumpId, job.pumpId), ne(t.jobs.id, job.id), lt(t.jobs.openedAt, job.openedAt)))
    .orderBy(desc(t.jobs.openedAt))
    .limit(50);
  return [
    ...new Map(
      rows.map((row) => [
        row.tag,
        { tag: row.tag, openedAt: iso(row.openedAt), outcome: row.outcome, reportNumber: row.report },
      ]),
    ).values(),
  ];
}

const children = {
  intakes: childrenOf(t.intakes, t.intakes.jobId, ['version']),
  acknowledgements: childrenOf(t.acknowledgements, t.acknowledgements.jobId, ['at']),
  parts: childrenOf(t.partAccounts, t.partAccounts.jobId, ['partRef']),
  steps: childrenOf(t.stepsDone, t.stepsDone.jobId, ['at']),
  captures: childrenOf(t.captures, t.captures.jobId, ['at']),
  readings: childrenOf(t.readings, t.readings.jobId, ['pointId', 'place']),
  photos: childrenOf(t.photos, t.photos.jobId, ['at', 'id'], ['bytes', 'thumb']),
  findings: childrenOf(t.findings, t.findings.jobId, ['at', 'id']),
  dispositions: childrenOf(t.dispositions, t.dispositions.jobId, ['at']),
  quotes: childrenOf(t.quotes, t.quotes.jobId, ['revision']),
  quoteLines: childrenOf(t.quoteLines, t.quoteLines.jobId, ['position']),
  approvals: childrenOf(t.approvals, t.approvals.jobId, ['at', 'id']),
  orders: childrenOf(t.purchaseOrders, t.purchaseOrders.jobId, ['number']),
  orderLines: childrenOf(t.purchaseOrderLines, t.purchaseOrderLines.jobId, ['id']),
  receipts: childrenOf(t.receipts, t.receipts.jobId, ['at']),
  runs: childrenOf(t.testRuns, t.testRuns.jobId, ['run']),
  testPoints: childrenOf(t.testPoints, t.testPoints.jobId, ['position']),
  reports: childrenOf(t.reports, t.reports.jobId, ['revision'], ['record', 'pdf']),
  returns: childrenOf(t.returns, t.returns.jobId, ['releasedAt']),
} as const;
type ChildRows = Awaited<ReturnType<typeof loadChildren<typeof children>>>;

function quotesOf({ quotes: heads, quoteLines: lines }: ChildRows): Quote[] {
  return heads.map((quote) => ({
    id: quote.id,
    revision: quote.revision,
    state: z.enum(['draft', 'sent', 'answered', 'superseded']).parse(quote.state),
    currency: quote.currency,
    taxPct: Number(quote.taxPct),
    validUntil: quote.validUntil,
    sentAt: isoOrNull(quote.sentAt),
    text: quote.text,
    fingerprint: quote.fingerprint,
    version: quote.version,
    lines: lines
      .filter((line) => line.quoteId === quote.id)
      .map((line) => ({
        id: line.id,
        kind: z.enum(['part', 'labour', 'machining', 'outside', 'test', 'freight']).parse(line.kind),
        description: line.description,
        plain: line.plain,
        quantity: Number(line.quantity),
        unit: line.unit,
        unitPriceMinor: line.unitPriceMinor,
        findingIds: json(z.array(z.string()), line.findingIds),
        parts: json(linePartsSchema, line.parts),
        declinable: line.declinable,
        struckReason: line.struckReason,
      })),
  }));
}

function ordersOf({ orders: heads, orderLines: lines, receipts: received }: ChildRows) {
  const countOf = (lineId: string) =>
    received.filter((receipt) => receipt.lineId === lineId).reduce((sum, receipt) => sum + receipt.quantity, 0);
  return heads.map((order) => ({
    id: order.id,
    number: order.number,
    supplier: order.supplier,
    acknowledgement: order.acknowledgement,
    dueOn: order.dueOn,
    personName: order.personName,
    at: iso(order.at),
    lines: lines
      .filter((line) => line.orderId === order.id)
      .map((line) => ({
        id: line.id,
        partRef: line.partRef,
        number: line.number,
        quantity: line.quantity,
        sent: line.sent,
        received: countOf(line.id),
      })),
  }));
}

function findingsOf({ findings, dispositions }: ChildRows) {
  const decided = new Map(dispositions.map((one) => [one.findingId, one]));
  return findings
    .map((finding) => ({ finding, disposition: decided.get(finding.id) ?? null }))
    .map(({ finding, disposition }) => ({
      id: finding.id,
      kind: z.enum(['point', 'visual']).parse(finding.kind),
      phase: z.enum(['as-found', 'as-left']).parse(finding.phase),
      pointId: finding.pointId,
      partRef: finding.partRef,
      words: finding.words,
      plain: finding.plain,
      proposed: finding.proposed,
      verdict: finding.verdict,
      overruledReason: finding.overruledReason,
      waivedReason: finding.waivedReason,
      photoId: finding.photoId,
      version: finding.version,
      personName: finding.personName,
      at: iso(finding.at),
      disposition: disposition && {
        action: z.enum(actions).parse(disposition.action),
        reason: disposition.reason,
        personName: disposition.personName,
        at: iso(disposition.at),
      },
    }));
}

function runsOf({ runs, testPoints: points }: ChildRows) {
  return runs.map((run) => ({
    id: run.id,
    run: run.run,
    guarantee: json(dutySchema, run.guarantee),
    grade: run.grade,
    verdict: z.enum(['pass', 'fail']).parse(run.verdict),
    points: points.filter((point) => point.runId === run.id).map((point) => json(standReadingSchema, point.raw)),
    decision: z.enum(['passed', 'failed', 'concession']).nullable().parse(run.decision),
    decisionReason: run.decisionReason,
    decisionBy: run.decisionBy,
    personName: run.personName,
    at: iso(run.at),
  }));
}

function benchOf({ acknowledgements, parts, steps, captures, readings, photos }: ChildRows) {
  return {
    acknowledgements: acknowledgements.map((row) => ({
      caution: row.caution,
      personName: row.personName,
      at: iso(row.at),
    })),
    parts: parts.map((row) => ({
      ref: row.partRef,
      state: z.enum(partStates).parse(row.state),
      note: row.note,
      version: row.version,
      personName: row.personName,
      at: iso(row.at),
    })),
    steps: steps.map((row) => ({
      phase: z.enum(['teardown', 'clean', 'rebuild', 'test']).parse(row.phase),
      round: row.round,
      stepId: row.stepId,
      personId: row.personId,
      personName: row.personName,
      at: iso(row.at),
      data: json(stepDataSchema, row.data),
      second: row.secondName && row.secondAt ? { personName: row.secondName, at: iso(row.secondAt) } : null,
    })),
    captures: captures.map((row) => ({
      phase: z.enum(['teardown', 'rebuild']).parse(row.phase),
      captureId: row.captureId,
      text: row.text,
      valueMm: numberOrNull(row.valueMm),
      typed: row.typed,
      photoId: row.photoId,
      version: row.version,
      personName: row.personName,
      at: iso(row.at),
    })),
    readings: readings.map((row) => ({
      phase: z.enum(['as-found', 'as-left']).parse(row.phase),
      pointId: row.pointId,
      place: row.place,
      valueMm: Number(row.valueMm),
      typed: row.typed,
      typedUnit: row.typedUnit,
      typedDigits: row.typedDigits,
      instrument: row.instrumentCode,
      uncertaintyUm: numberOrNull(row.uncertaintyUm),
      version: row.version,
      personName: row.personName,
      at: iso(row.at),
    })),
    photos: photos.map(({ id, about, caption, width, height, personName, at }) => ({
      id,
      about,
      caption,
      width,
      height,
      personName,
      at: iso(at),
    })),
  };
}

function commerceOf({ approvals, reports, returns: returned }: ChildRows) {
  const back = returned[0];
  return {
    approvals: approvals.map((row) => ({
      id: row.id,
      quoteId: row.quoteId,
      way: z.enum(['link', 'telephone', 'purchase order']).parse(row.way),
      name: row.name,
      reference: row.reference,
      decisions: json(decisionsSchema, row.decisions),
      signature: row.signature,
      text: row.text,
      fingerprint: row.fingerprint,
      personName: row.personName,
      at: iso(row.at),
    })),
    reports: reports.map(({ id, number, revision, whatChanged, fingerprint, personName, at }) => ({
      id,
      number,
      revision,
      whatChanged,
      fingerprint,
      personName,
      at: iso(at),
    })),
    returned: back
      ? {
          releasedBy: back.releasedBy,
          releasedAt: iso(back.releasedAt),
          packing: back.packing,
          deliveredAt: isoOrNull(back.deliveredAt),
          deliveredTo: back.deliveredTo,
          warrantyFrom: back.warrantyFrom,
          warrantyMonths: back.warrantyMonths,
        }
      : null,
  };
}

/** The whole record of one job; null when there is no such tag. With `lock` the job's row is held until the transaction ends. */
export async function loadJobRecord(
  connection: Connection,
  tag: string,
  { lock = false }: { readonly lock?: boolean } = {},
): Promise<JobRecord | null> {
  const head = await loadHead(connection, tag, lock);
  if (!head) return null;
  const { job, pump, customer, contact } = head;
  const [rows, earlierVisits] = await Promise.all([
    loadChildren(connection, job.id, children),
    loadEarlierVisits(connection, job),
  ]);
  const intakeRow = rows.intakes[0]!;
  const intake: Intake = { ...json(intakeBodySchema, intakeRow.body), version: intakeRow.version };
  return {
    id: job.id,
    tag: job.tag,
    station: z.enum(stations).parse(job.station),
    holder: z.enum(holders).parse(job.holder),
    holderSince: iso(job.holderSince),
    hold: job.hold === null ? null : json(holdSchema.nullable(), job.hold),
    outcome: z.enum(['open', 'repaired', 'declined']).parse(job.outcome),
    promisedOn: job.promisedOn,
    openedAt: iso(job.openedAt),
    closedAt: isoOrNull(job.closedAt),
    version: job.version,
    headHash: job.headHash,
    familyId: job.familyId,
    familyVersion: job.familyVersion,
    pump: { id: pump.id, maker: pump.maker, model: pump.model, serial: pump.serial, size: pump.size },
    customer: { id: customer.id, name: customer.name },
    contact: contact && { name: contact.name, email: contact.email, phone: contact.phone },
    earlierVisits,
    intake,
    findings: findingsOf(rows),
    quotes: quotesOf(rows),
    orders: ordersOf(rows),
    runs: runsOf(rows),
    ...benchOf(rows),
    ...commerceOf(rows),
  };
}

export async function findTagById(connection: Connection, jobId: string): Promise<string | null> {
  const [row] = await connection.select({ tag: t.jobs.tag }).from(t.jobs).where(eq(t.jobs.id, jobId));
  return row?.tag ?? null;
}
