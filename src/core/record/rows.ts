import type { FindingId, OrderId, QuoteId } from './ids';
import type {
  Acknowledgement,
  Answer,
  Approval,
  CustomerLink,
  Disposition,
  Finding,
  Intake,
  IssuedReport,
  JobHead,
  JobRecord,
  Look,
  OrderLine,
  PartAccount,
  PhotoTaken,
  PurchaseOrder,
  Quote,
  QuoteLine,
  Reading,
  Receipt,
  RecordFrame,
  ReturnRecord,
  StepDone,
  TestRun,
} from './job-record';

/** The rows that a job consists of, by kind: what a change puts, what a table holds. */
export interface JobRows {
  readonly job: JobHead;
  readonly intake: Intake;
  readonly acknowledgement: Acknowledgement;
  readonly part: PartAccount;
  readonly look: Look;
  readonly step: StepDone;
  readonly answer: Answer;
  readonly reading: Reading;
  readonly finding: Omit<Finding, 'disposition'>;
  readonly disposition: Disposition & { readonly findingId: FindingId };
  readonly photo: PhotoTaken;
  readonly quote: Omit<Quote, 'lines'>;
  readonly quoteLine: QuoteLine & { readonly quoteId: QuoteId; readonly position: number };
  readonly link: CustomerLink;
  readonly approval: Approval;
  readonly order: Omit<PurchaseOrder, 'lines'>;
  readonly orderLine: Omit<OrderLine, 'received'> & { readonly orderId: OrderId };
  readonly receipt: Receipt;
  readonly run: TestRun;
  readonly report: IssuedReport;
  readonly returned: ReturnRecord;
}
export type RowKind = keyof JobRows;
export type RowOf<Kind extends RowKind> = JobRows[Kind];
/** All rows of a job, each kind by its key. */
export type RowTables = { readonly [Kind in RowKind]: Map<string, RowOf<Kind>> };

interface Ways<Row> {
  /** What tells a row from the others of its kind in the same job. */
  readonly key: (row: Row) => string;
  /** What the rows are sorted by, as text. */
  readonly order: (row: Row) => string;
}

const inTime = (row: { readonly at: string }, rest: string) => `${row.at} ${rest}`;
const counted = (number: number) => String(number).padStart(9, '0');
const byId = <Row extends { readonly id: string; readonly at: string }>(): Ways<Row> => ({
  key: (row) => row.id,
  order: (row) => inTime(row, row.id),
});
const single = { key: () => 'one', order: () => '' };
const stepKey = (row: StepDone) => `${row.phase} ${row.round} ${row.stepId}`;
const answerKey = (row: Answer) => `${row.phase} ${row.round} ${row.actionId}`;
const readingKey = (row: Reading) => `${row.pointId} ${row.place} ${row.phase} ${row.round}`;

const ways: { readonly [Kind in RowKind]: Ways<RowOf<Kind>> } = {
  job: single,
  intake: single,
  acknowledgement: { key: (row) => row.caution, order: (row) => inTime(row, row.caution) },
  part: { key: (row) => row.ref, order: (row) => row.ref },
  look: { key: (row) => row.ref, order: (row) => row.ref },
  step: { key: stepKey, order: (row) => inTime(row, stepKey(row)) },
  answer: { key: answerKey, order: (row) => inTime(row, answerKey(row)) },
  reading: { key: readingKey, order: readingKey },
  finding: byId(),
  disposition: { key: (row) => row.findingId, order: (row) => row.findingId },
  photo: byId(),
  quote: { key: (row) => row.id, order: (row) => counted(row.revision) },
  quoteLine: { key: (row) => row.id, order: (row) => `${counted(row.position)} ${row.id}` },
  link: { key: (row) => row.id, order: (row) => `${row.createdAt} ${row.id}` },
  approval: byId(),
  order: { key: (row) => row.id, order: (row) => row.number },
  orderLine: { key: (row) => row.id, order: (row) => row.id },
  receipt: byId(),
  run: { key: (row) => row.id, order: (row) => counted(row.run) },
  report: { key: (row) => row.id, order: (row) => `${counted(row.revision.length)} ${row.revision}` },
  returned: single,
};

/** Every kind of row, in the order in which they are written: what others refer to comes first. */
export const rowKinds: readonly RowKind[] = Object.keys(ways) as RowKind[];

export function emptyTables(): RowTables {
  return {
    job: new Map(),
    intake: new Map(),
    acknowledgement: new Map(),
    part: new Map(),
    look: new Map(),
    step: new Map(),
    answer: new Map(),
    reading: new Map(),
    finding: new Map(),
    disposition: new Map(),
    photo: new Map(),
    quote: new Map(),
    quoteLine: new Map(),
    link: new Map(),
    approval: new Map(),
    order: new Map(),
    orderLine: new Map(),
    receipt: new Map(),
    run: new Map(),
    report: new Map(),
    returned: new Map(),
  };
}

/** Puts a row into its table, in place; gives the row that stood there, or null. */
export function putRow<Kind extends RowKind>(tables: RowTables, kind: Kind, row: RowOf<Kind>): RowOf<Kind> | null {
  const table: Map<string, RowOf<Kind>> = tables[kind];
  const key = ways[kind].key(row);
  const before = table.get(key) ?? null;
  table.set(key, row);
  return before;
}

/** The rows of one kind in their order. */
export function orderedRows<Kind extends RowKind>(tables: RowTables, kind: Kind): readonly RowOf<Kind>[] {
  const table: ReadonlyMap<string, RowOf<Kind>> = tables[kind];
  const keyed = [...table.values()].map((row) => ({ row, order: ways[kind].order(row) }));
  keyed.sort((one, other) => (one.order < other.order ? -1 : one.order > other.order ? 1 : 0));
  return keyed.map(({ row }) => row);
}

function headOf(record: JobRecord): JobHead {
  const { id, tag, station, holder, holderSince, hold, outcome, promisedOn, openedAt, closedAt } = record;
  const { familyId, familyVersion, pump, customer, contact } = record;
  const standing = { station, holder, holderSince, hold, outcome, promisedOn, openedAt, closedAt };
  return { id, tag, ...standing, familyId, familyVersion, pump, customer, contact };
}

function commerceRows(record: JobRecord, put: <Kind extends RowKind>(kind: Kind, row: RowOf<Kind>) => void): void {
  for (const { lines, ...quote } of record.quotes) {
    put('quote', quote);
    lines.forEach((line, position) => put('quoteLine', { ...line, quoteId: quote.id, position }));
  }
  for (const { lines, ...order } of record.orders) {
    put('order', order);
    for (const { received: _received, ...line } of lines) put('orderLine', { ...line, orderId: order.id });
  }
  for (const row of record.links) put('link', row);
  for (const row of record.approvals) put('approval', row);
  for (const row of record.receipts) put('receipt', row);
  for (const row of record.runs) put('run', row);
  for (const row of record.reports) put('report', row);
  if (record.returned) put('returned', record.returned);
}

/** A record taken apart into its rows. `recordOf` puts it together again. */
export function tablesOf(record: JobRecord): RowTables {
  const tables = emptyTables();
  const put = <Kind extends RowKind>(kind: Kind, row: RowOf<Kind>) => void putRow(tables, kind, row);
  put('job', headOf(record));
  put('intake', record.intake);
  for (const row of record.acknowledgements) put('acknowledgement', row);
  for (const row of record.parts) put('part', row);
  for (const row of record.looks) put('look', row);
  for (const row of record.steps) put('step', row);
  for (const row of record.answers) put('answer', row);
  for (const row of record.readings) put('reading', row);
  for (const row of record.photos) put('photo', row);
  for (const { disposition, ...finding } of record.findings) {
    put('finding', finding);
    if (disposition) put('disposition', { ...disposition, findingId: finding.id });
  }
  commerceRows(record, put);
  return tables;
}

function quotesOf(tables: RowTables): readonly Quote[] {
  const lines = orderedRows(tables, 'quoteLine');
  return orderedRows(tables, 'quote').map((quote) => ({
    ...quote,
    lines: lines
      .filter((line) => line.quoteId === quote.id)
      .map(({ quoteId: _quote, position: _position, ...line }) => line),
  }));
}

function ordersOf(tables: RowTables): readonly PurchaseOrder[] {
  const received = new Map<string, number>();
  for (const { lineId, quantity } of tables.receipt.values())
    received.set(lineId, (received.get(lineId) ?? 0) + quantity);
  const lines = orderedRows(tables, 'orderLine');
  return orderedRows(tables, 'order').map((order) => ({
    ...order,
    lines: lines
      .filter((line) => line.orderId === order.id)
      .map(({ orderId: _order, ...line }) => ({ ...line, received: received.get(line.id) ?? 0 })),
  }));
}

function findingsOf(tables: RowTables): readonly Finding[] {
  return orderedRows(tables, 'finding').map((finding) => {
    const decided = tables.disposition.get(finding.id);
    if (!decided) return { ...finding, disposition: null };
    const { findingId: _finding, ...disposition } = decided;
    return { ...finding, disposition };
  });
}

/** The record of a job from its rows. Throws RangeError where there is no job or no intake among them. */
export function recordOf(tables: RowTables, frame: RecordFrame): JobRecord {
  const [head] = orderedRows(tables, 'job');
  const [intake] = orderedRows(tables, 'intake');
  if (!head || !intake) throw new RangeError('rows without a job or without an intake are no record');
  return {
    ...head,
    ...frame,
    intake,
    acknowledgements: orderedRows(tables, 'acknowledgement'),
    parts: orderedRows(tables, 'part'),
    looks: orderedRows(tables, 'look'),
    steps: orderedRows(tables, 'step'),
    answers: orderedRows(tables, 'answer'),
    readings: orderedRows(tables, 'reading'),
    findings: findingsOf(tables),
    quotes: quotesOf(tables),
    links: orderedRows(tables, 'link'),
    approvals: orderedRows(tables, 'approval'),
    orders: ordersOf(tables),
    receipts: orderedRows(tables, 'receipt'),
    runs: orderedRows(tables, 'run'),
    reports: orderedRows(tables, 'report'),
    photos: orderedRows(tables, 'photo'),
    returned: orderedRows(tables, 'returned')[0] ?? null,
  };
}
