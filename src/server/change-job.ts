import type { CommandOf, ResultOf, Verb } from '@/contract';
import { decide, type Decider, type Decision } from '@/core/change';
import { DomainError } from '@/core/errors';
import type { Family } from '@/core/family';
import { searchTextOf } from '@/core/lifecycle';
import { supplyLinesOf } from '@/core/purchasing';
import type { JobRecord, RowKind, Signed } from '@/core/record';
import { awaited, needsOf } from '@/core/supply';
import {
  keepRecord,
  loadJobRecord,
  persist,
  replaceSupplyLines,
  writeAlone,
  writeTogether,
  sha256,
  type Beside,
  type Connection,
  type OutboxRow,
} from '@/db';
import type { Context, Decided } from './context';
import { familyOfJob } from './families';

export interface Asking<Command> {
  readonly context: Context;
  readonly connection: Connection;
  readonly record: JobRecord;
  readonly family: Family;
  readonly command: Command;
}

type Prepared<Facts> = { readonly facts: Facts } & Pick<Beside, 'pictures'> & Pick<Decided, 'shop'>;

/** A verb that changes one job: its rule in core, and what it must be told before it decides. */
export interface JobCommand<V extends Verb, Facts, Outside> {
  readonly verb: V;
  readonly decider: Decider<CommandOf<V>, Omit<ResultOf<V>, 'version'>, Facts>;
  /** Asks devices and services, before the transaction: a device may take its time. */
  readonly ask?: (asking: Asking<CommandOf<V>>) => Promise<Outside>;
  /** What the rule must know from the database or from outside, in the transaction. */
  readonly prepare: (asking: Asking<CommandOf<V>>, outside: Outside) => Promise<Prepared<Facts>> | Prepared<Facts>;
  /** The same where it needs nothing of the job: then both are asked for at once. */
  readonly prepareAlong?: (asking: Omit<Asking<CommandOf<V>>, 'record' | 'family'>) => Promise<Prepared<Facts>>;
  /** Whether that only reads: then nothing but its writing needs a transaction, and the job's version guards the rest. */
  readonly isReadOnly?: true;
}

export function moment(context: Context): { readonly who: string; readonly now: string } {
  const now = context.now().toISOString();
  const madeAt = context.entry?.madeAt ?? now;
  // A device whose clock runs ahead did not make its entry in the future.
  return { who: madeAt < now ? madeAt : now, now };
}

/** Who signs what is changed; `at` is when they made the entry. */
export function signatureOf({ actor }: Context, at: string, customerName = 'Customer'): Signed {
  if (actor.kind === 'person') return { personId: actor.personId, personName: actor.name, at };
  return { personId: null, personName: actor.kind === 'service' ? actor.name : customerName, at };
}

async function loadWhole(connection: Connection, { actor, ahead }: Context, tag: string) {
  const record = await ((ahead?.tag === tag ? ahead.record() : undefined) ?? loadJobRecord(connection, tag));
  if (!record) throw new DomainError('not-found', { what: `There is no job ${tag}.` });
  if (actor.kind === 'customer' && actor.jobId !== record.id) throw new DomainError('not-allowed');
  return { record, family: await familyOfJob(connection, record) };
}

/** Somebody else changed the job between loading and writing; the whole command is decided anew. */
class StaleRecord extends Error {}
const mostAttempts = 6;

interface Sent<V extends Verb> {
  readonly tag: string;
  readonly command: CommandOf<V>;
  /** Name for the event when a customer acts. */
  readonly customerName?: string;
}

/** What is done with in the transaction, for after its commit. */
interface Done<Answer> {
  readonly answer: Answer;
  readonly outbox: readonly OutboxRow[];
  readonly decision: Decided;
}

interface AskedOf<V extends Verb, Outside> {
  readonly context: Context;
  readonly sent: Sent<V>;
  readonly outside: Outside;
  readonly connection: Connection;
}

/** What was decided and is not written yet. */
interface Made<Answer> extends Pick<Beside, 'pictures'>, Pick<Decided, 'shop'> {
  readonly decision: Decision<unknown>;
  readonly family: Family;
  readonly answer: Answer;
}

async function decideNow<V extends Verb, Facts, Outside>(
  job: JobCommand<V, Facts, Outside>,
  { context, sent, outside, connection }: AskedOf<V, Outside>,
): Promise<Made<ResultOf<V>>> {
  const { command } = sent;
  const asking = { context, connection, command };
  const [whole, along] = await Promise.all([
    loadWhole(connection, context, sent.tag),
    job.prepareAlong?.(asking) ?? null,
  ]);
  const { facts, pictures, shop } = along ?? (await job.prepare({ ...asking, ...whole }, outside));
  const { who: madeAt, now } = moment(context);
  const who = signatureOf(context, madeAt, sent.customerName);
  const given = { ...whole, who, now, newId: context.newId, sha256, facts };
  const decided = decide(job.verb, job.decider, given, command);
  if (!decided.ok) throw decided.refusal;
  const { decision } = decided;
  return {
    ...{ decision, family: whole.family, answer: answerOf<V>(decision) },
    ...(pictures && { pictures }),
    ...(shop && { shop }),
  };
}

function writerOf<Answer>(context: Context, { decision, answer, pictures }: Made<Answer>) {
  const searchText = searchTextOf(decision.after, decision.family.title);
  const beside: Beside = { searchText, newId: context.newId, ...(pictures && { pictures }) };
  return async (into: Connection) => {
    const outbox = await persist(into, decision, beside);
    if (outbox) await context.remember?.(into, answer);
    return outbox;
  };
}

function doneWith<Answer>({ answer, decision, shop }: Made<Answer>, outbox: readonly OutboxRow[] | null): Done<Answer> {
  if (!outbox) throw new StaleRecord();
  return { answer, outbox, decision: { ...decision, ...(shop && { shop }) } };
}

/** Writes what was decided, in the transaction of this connection. */
async function writeWithin<Answer>(
  context: Context,
  connection: Connection,
  made: Made<Answer>,
): Promise<Done<Answer>> {
  const write = writerOf(context, made);
  // Pictures are large enough to go by themselves.
  const done = doneWith(made, made.pictures ? await write(connection) : await writeTogether(connection, write));
  await noteSupply(connection, made.decision, made.family);
  return done;
}

async function decideAndPersist<V extends Verb, Facts, Outside>(
  job: JobCommand<V, Facts, Outside>,
  asked: AskedOf<V, Outside>,
): Promise<Done<ResultOf<V>>> {
  return writeWithin(asked.context, asked.connection, await decideNow(job, asked));
}

/** Decides, and writes in a transaction that holds no more than that: in one statement where that is all. */
async function decideThenPersist<V extends Verb, Facts, Outside>(
  job: JobCommand<V, Facts, Outside>,
  { context, sent, outside }: Omit<AskedOf<V, Outside>, 'connection'>,
): Promise<Done<ResultOf<V>>> {
  const { database } = context;
  const made = await decideNow(job, { context, sent, outside, connection: database });
  if (made.pictures || touchesSupply(made.decision))
    return database.transaction((connection) => writeWithin(context, connection, made));
  const along = context.along?.(made.decision) ?? null;
  return doneWith(made, await writeAlone(database, writerOf(context, made), along));
}

/** Rows on which it depends what a job waits for, and until when it may; answers at the bench are not among them. */
const aboutSupply: ReadonlySet<RowKind> = new Set<RowKind>([
  ...(['job', 'intake', 'quote', 'quoteLine', 'approval', 'decline'] satisfies RowKind[]),
  ...(['order', 'orderLine', 'receipt', 'sheet', 'step'] satisfies RowKind[]),
]);

/** Whether the desk of all jobs may hold lines of a job. */
const mayWait = (record: JobRecord, family: Family) =>
  record.quotes.length > 0 &&
  (['quote', 'approve'].includes(record.station) || awaited(needsOf(record, family)).length > 0);

/** Whether what the desk of all jobs holds of a job may be another one after it. */
const touchesSupply = ({ after, changes }: Decision<unknown>) =>
  after.quotes.length > 0 && changes.some(({ put }) => aboutSupply.has(put));

/** What of the job is to come or to be arranged, where it may have changed: the desk of all jobs reads it. */
async function noteSupply(connection: Connection, decision: Decision<unknown>, family: Family): Promise<void> {
  if (!touchesSupply(decision)) return;
  const { before, after, standing } = decision;
  const lines = supplyLinesOf({ record: after, family: decision.family, standing });
  if (lines.length || mayWait(before, family)) await replaceSupplyLines(connection, after.tag, lines);
}

function answerOf<V extends Verb>({ result, event }: Decision<Omit<ResultOf<V>, 'version'>>): ResultOf<V> {
  const answer: object = { ...result, version: event.seq };
  return answer as ResultOf<V>;
}

/**
 * Changes one job: asks what is outside, then loads once, decides in core and persists as compare-and-set, in one
 * transaction; where the rule only reads, its writing alone is one. All or nothing. What is to follow the commit is
 * handed to whoever waits for it.
 */
export async function changeJob<V extends Verb, Facts, Outside>(
  context: Context,
  job: JobCommand<V, Facts, Outside>,
  sent: Sent<V>,
): Promise<ResultOf<V>> {
  const { database } = context;
  for (let attempt = 1; ; attempt++) {
    const outside = await askOutside(context, job, sent);
    try {
      const { answer, outbox, decision } = job.isReadOnly
        ? await decideThenPersist(job, { context, sent, outside })
        : await database.transaction((connection) => decideAndPersist(job, { context, sent, outside, connection }));
      keepRecord(decision.after);
      context.followUp?.(outbox);
      context.decided?.(decision);
      return answer;
    } catch (error) {
      if (!(error instanceof StaleRecord)) throw error;
      if (attempt >= mostAttempts) throw new DomainError('changed-meanwhile');
    }
  }
}

/** Several jobs that are changed at once, in one transaction. */
export interface Together {
  readonly connection: Connection;
  /** Changes one of them; what is asked outside was asked before. */
  readonly change: <V extends Verb, Facts>(job: JobCommand<V, Facts, undefined>, sent: Sent<V>) => Promise<ResultOf<V>>;
  /** Adds what is to follow the commit. */
  readonly follow: (row: OutboxRow) => void;
}

/**
 * Changes several jobs, and what is the shop's beside them, in one transaction: all or nothing. Where somebody else
 * changed one of them meanwhile, all is done anew.
 */
export async function changeTogether<Answer>(
  context: Context,
  work: (together: Together) => Promise<Answer>,
): Promise<Answer> {
  // The answer to the entry is that of the whole, not that of one of its jobs.
  const { remember, ...own } = context;
  for (let attempt = 1; ; attempt++) {
    const rows: OutboxRow[] = [];
    const decisions: Decided[] = [];
    try {
      const answer = await context.database.transaction(async (connection) => {
        const change: Together['change'] = async (job, sent) => {
          const done = await decideAndPersist(job, { context: own, sent, outside: undefined, connection });
          rows.push(...done.outbox);
          decisions.push(done.decision);
          return done.answer;
        };
        const whole = await work({ connection, change, follow: (row) => void rows.push(row) });
        await remember?.(connection, whole);
        return whole;
      });
      for (const { after } of decisions) keepRecord(after);
      context.followUp?.(rows);
      for (const decision of decisions) context.decided?.(decision);
      return answer;
    } catch (error) {
      if (!(error instanceof StaleRecord)) throw error;
      if (attempt >= mostAttempts) throw new DomainError('changed-meanwhile');
    }
  }
}

async function askOutside<V extends Verb, Facts, Outside>(
  context: Context,
  job: JobCommand<V, Facts, Outside>,
  { tag, command }: Sent<V>,
): Promise<Outside> {
  // A command that asks nothing outside is prepared without it.
  if (!job.ask) return undefined as Outside;
  const connection = context.database;
  return job.ask({ context, connection, command, ...(await loadWhole(connection, context, tag)) });
}
