import { headOf } from './head-of';
import type { Sheet } from './sheets';
import type { FindingId, OrderId, QuoteId } from './ids';
import type {
  Acknowledgement,
  Agreement,
  Answer,
  Approval,
  Correction,
  CustomerLink,
  DeclineSettled,
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
  PromiseMove,
  PurchaseOrder,
  Question,
  Quote,
  QuoteLine,
  Reading,
  Receipt,
  RecordFrame,
  Reminder,
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
  readonly promise: PromiseMove;
  readonly correction: Correction;
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
  readonly question: Question;
  readonly agreement: Agreement;
  readonly decline: DeclineSettled;
  readonly reminder: Reminder;
  readonly order: Omit<PurchaseOrder, 'lines'>;
  readonly orderLine: Omit<OrderLine, 'received'> & { readonly orderId: OrderId };
  readonly receipt: Receipt;
  readonly run: TestRun;
  readonly report: IssuedReport;
  readonly returned: ReturnRecord;
  readonly sheet: Sheet;
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
  promise: { key: (row) => String(row.number), order: (row) => counted(row.number) },
  correction: { key: (row) => String(row.number), order: (row) => counted(row.number) },
  step: { key: stepKey, order: (row) => inTime(row, stepKey(row)) },
  answer: { key: answerKey, order: (row) => inTime(row, answerKey(row)) },
  reading: { key: readingKey, order: readingKey },
  finding: byId(),
  disposition: { key: (row) => row.findingId, order: (row) => row.findingId },
  photo: byId(),
  quote: { key: (row) => row.id, order: (row) => `${row.kind} ${counted(row.revision)}` },
  quoteLine: { key: (row) => row.id, order: (row) => `${counted(row.position)} ${row.id}` },
  link: { key: (row) => row.id, order: (row) => `${row.createdAt} ${row.id}` },
  approval: byId(),
  question: { key: (row) => row.id, order: (row) => `${row.askedAt} ${row.id}` },
  agreement: single,
  decline: { key: (row) => row.approvalId, order: (row) => inTime(row, row.approvalId) },
  reminder: { key: (row) => String(row.number), order: (row) => counted(row.number) },
  order: { key: (row) => row.id, order: (row) => row.number },
  orderLine: { key: (row) => row.id, order: (row) => row.id },
  receipt: byId(),
  run: { key: (row) => row.id, order: (row) => counted(row.run) },
  report: { key: (row) => row.id, order: (row) => `${counted(row.revision.length)} ${row.revision}` },
  returned: single,
  sheet: { key: (row) => `${row.kind} ${row.key}`, order: (row) => `${row.kind} ${row.key.padStart(9, '0')}` },
};

/** Every kind of row, in the order in which they are written: what others refer to comes first. */
export const rowKinds: readonly RowKind[] = Object.keys(ways) as RowKind[];

export function emptyTables(): RowTables {
  return Object.fromEntries(rowKinds.map((kind) => [kind, new Map<string, never>()])) as unknown as RowTables;
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

/** The rows of each kind that a record consists of. */
const rowsIn: { readonly [Kind in RowKind]: (record: JobRecord) => readonly RowOf<Kind>[] } = {
  job: (record) => [headOf(record)],
  intake: ({ intake }) => [intake],
  acknowledgement: ({ acknowledgements }) => acknowledgements,
  part: ({ parts }) => parts,
  look: ({ looks }) => looks,
  promise: ({ promises }) => promises,
  correction: ({ corrections }) => corrections,
  step: ({ steps }) => steps,
  answer: ({ answers }) => answers,
  reading: ({ readings }) => readings,
  finding: ({ findings }) => findings.map(({ disposition: _disposition, ...finding }) => finding),
  disposition: ({ findings }) =>
    findings.flatMap(({ id, disposition }) => (disposition ? [{ ...disposition, findingId: id }] : [])),
  photo: ({ photos }) => photos,
  quote: ({ quotes }) => quotes.map(({ lines: _lines, ...quote }) => quote),
  quoteLine: ({ quotes }) =>
    quotes.flatMap(({ id, lines }) => lines.map((line, position) => ({ ...line, quoteId: id, position }))),
  link: ({ links }) => links,
  approval: ({ approvals }) => approvals,
  question: ({ questions }) => questions,
  agreement: ({ agreement }) => (agreement ? [agreement] : []),
  decline: ({ declines }) => declines,
  reminder: ({ reminders }) => reminders,
  order: ({ orders }) => orders.map(({ lines: _lines, ...order }) => order),
  orderLine: ({ orders }) =>
    orders.flatMap(({ id, lines }) => lines.map(({ received: _received, ...line }) => ({ ...line, orderId: id }))),
  receipt: ({ receipts }) => receipts,
  run: ({ runs }) => runs,
  report: ({ reports }) => reports,
  returned: ({ returned }) => (returned ? [returned] : []),
  sheet: ({ sheets }) => sheets,
};

/** A record taken apart into its rows, of all kinds or of some. `recordOf` puts it together again. */
export function tablesOf(record: JobRecord, kinds: Iterable<RowKind> = rowKinds): RowTables {
  const tables = emptyTables();
  const putAll = <Kind extends RowKind>(kind: Kind) => {
    for (const row of rowsIn[kind](record)) putRow(tables, kind, row);
  };
  for (const kind of kinds) putAll(kind);
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

/** The one row of a kind of which every job has one. */
function onlyRow<Kind extends 'job' | 'intake'>(tables: RowTables, kind: Kind): RowOf<Kind> {
  const [row] = orderedRows(tables, kind);
  if (!row) throw new RangeError('rows without a job or without an intake are no record');
  return row;
}

type Fields = Omit<JobRecord, keyof JobHead | keyof RecordFrame>;
interface Making<Field> {
  readonly kinds: readonly RowKind[];
  readonly make: (tables: RowTables) => Field;
}
const listOf = <Kind extends RowKind>(kind: Kind): Making<readonly RowOf<Kind>[]> => ({
  kinds: [kind],
  make: (tables) => orderedRows(tables, kind),
});

/** Of which rows each field of a record is made, and how. */
const makings: { readonly [Field in keyof Fields]: Making<Fields[Field]> } = {
  intake: { kinds: ['intake'], make: (tables) => onlyRow(tables, 'intake') },
  acknowledgements: listOf('acknowledgement'),
  parts: listOf('part'),
  looks: listOf('look'),
  promises: listOf('promise'),
  corrections: listOf('correction'),
  steps: listOf('step'),
  answers: listOf('answer'),
  readings: listOf('reading'),
  findings: { kinds: ['finding', 'disposition'], make: findingsOf },
  quotes: { kinds: ['quote', 'quoteLine'], make: quotesOf },
  links: listOf('link'),
  approvals: listOf('approval'),
  questions: listOf('question'),
  agreement: { kinds: ['agreement'], make: (tables) => orderedRows(tables, 'agreement')[0] ?? null },
  declines: listOf('decline'),
  reminders: listOf('reminder'),
  orders: { kinds: ['order', 'orderLine', 'receipt'], make: ordersOf },
  receipts: listOf('receipt'),
  runs: listOf('run'),
  reports: listOf('report'),
  photos: listOf('photo'),
  returned: { kinds: ['returned'], make: (tables) => orderedRows(tables, 'returned')[0] ?? null },
  sheets: listOf('sheet'),
};
const fields = Object.keys(makings) as readonly (keyof Fields)[];

function fieldsOf(tables: RowTables, which: readonly (keyof Fields)[]): Partial<Fields> {
  return Object.fromEntries(which.map((field) => [field, makings[field].make(tables)]));
}

/** The record of a job from its rows. Throws RangeError where there is no job or no intake among them. */
export function recordOf(tables: RowTables, frame: RecordFrame): JobRecord {
  return { ...onlyRow(tables, 'job'), ...frame, ...(fieldsOf(tables, fields) as Fields) };
}

/**
 * The record after rows of some kinds were put: only what is made of these is made anew, the rest is shared.
 * @param put puts rows of these kinds into the tables, in which the rows that their fields are made of stand
 */
export function recordAfter(
  record: JobRecord,
  kinds: ReadonlySet<RowKind>,
  put: (tables: RowTables) => void,
): JobRecord {
  const touched = fields.filter((field) => makings[field].kinds.some((kind) => kinds.has(kind)));
  const tables = tablesOf(record, new Set([...kinds, ...touched.flatMap((field) => makings[field].kinds)]));
  put(tables);
  return { ...record, ...(kinds.has('job') && onlyRow(tables, 'job')), ...fieldsOf(tables, touched) };
}
