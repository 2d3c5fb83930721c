import { DomainError, type ErrorCode, type ReasonArguments, type ReasonCode, type Reason } from '../errors';
import type { Family } from '../family';
import type { ChainedEvent, EventKind, Standing } from '../lifecycle';
import type { Hold, JobRecord, MadeId, PersonId, QuoteId, ReportId, Signed, Station } from '../record';
import type { Change, Put } from './change';

/** Everything that a decision may look at. Pure: time, ids and hashes come in. */
export interface Given<Facts = unknown> {
  readonly record: JobRecord;
  readonly family: Family;
  /** Whose entry it is, and when they made it. */
  readonly who: Signed;
  /** The moment of deciding, ISO; later than the entry where that waited on a device. */
  readonly now: string;
  readonly newId: <Id extends MadeId>() => Id;
  readonly sha256: (text: string) => string;
  /** What was asked of the world outside the job before deciding. */
  readonly facts: Facts;
}

/** Something to be done after the commit, tried again until it succeeds. */
export type OutboxItem =
  | {
      readonly kind: 'mail-quote';
      readonly quoteId: QuoteId;
      readonly token: string;
      /** Where the customer reaches the shop. */
      readonly origin: string;
    }
  /** Reminds the customer of a quote, by the number of the reminder. */
  | { readonly kind: 'mail-reminder'; readonly number: number; readonly token: string; readonly origin: string }
  /** Tells the customer what the shop answered to a question. */
  | { readonly kind: 'mail-answer'; readonly questionId: string }
  /** Tells the customer of a promise that was moved, by the number of the move. */
  | { readonly kind: 'mail-promise'; readonly number: number }
  /** The first look at a pump, by the key of its sheet. */
  | { readonly kind: 'mail-evaluation'; readonly key: string }
  /** The pump is released, or was delivered. */
  | { readonly kind: 'mail-return'; readonly what: 'released' | 'delivered' }
  /** What came wrong or short, to its supplier, by the key of its sheet. */
  | { readonly kind: 'mail-claim'; readonly key: string }
  | { readonly kind: 'mail-order'; readonly number: string; readonly to: string; readonly words: string }
  | { readonly kind: 'place-order'; readonly number: string }
  | { readonly kind: 'write-report'; readonly reportId: ReportId };

/** What a verb wants done: rows to put, words' data for the event, perhaps a move of the job. */
export interface Proposal<Result> {
  readonly puts: readonly Put[];
  /** What the event says beside its changes. */
  readonly note: Readonly<Record<string, unknown>>;
  readonly result: Result;
  /** The event's kind where it is not the verb. */
  readonly kind?: string;
  /** A move to another station, made after the puts when its gate is open. */
  readonly move?: EventKind;
  readonly hold?: Hold;
  /** The family after the change, where the change is to another version of it. */
  readonly family?: Family;
  readonly outbox?: readonly OutboxItem[];
  /** Texts too long for an event, by the id of their row: a frozen report. Their fingerprint stands in the row. */
  readonly texts?: Readonly<Record<string, string>>;
}

/** A verb's rule: looks at the record and says what is to be done, or throws DomainError by `refuse`. */
export type Decider<Command, Result, Facts = unknown> = (given: Given<Facts>, command: Command) => Proposal<Result>;

/** What was decided, whole: the event, the record and standing after it, and what follows outside. */
export interface Decision<Result> {
  readonly event: ChainedEvent & { readonly personId: PersonId | null };
  readonly changes: readonly Change[];
  readonly before: JobRecord;
  readonly after: JobRecord;
  /**
   * What the standing was reckoned of: as `after` but for its holder and its place in the chain, which no gate and no
   * standing asks for. What is reckoned of it again is known (`core/remembered`).
   */
  readonly settled: JobRecord;
  readonly family: Family;
  readonly standing: Standing;
  readonly result: Result;
  readonly outbox: readonly OutboxItem[];
  readonly texts: Readonly<Record<string, string>>;
}

type AboutOf<Code extends ReasonCode> = keyof ReasonArguments<Code> extends never ? [] : [about: ReasonArguments<Code>];

/** A reason with its arguments. @example reason('no-draft').code // 'no-draft' */
export function reason<Code extends ReasonCode>(code: Code, ...[about]: AboutOf<Code>): Reason {
  return { code, about: about ?? {} } as Reason;
}

/**
 * Refuses a command.
 * @param path the field of the command that is at fault, where there is one
 * @throws DomainError always
 */
export function refuse(code: ErrorCode, why: Reason, path?: string): never {
  throw new DomainError(code, { reason: why, ...(path && { issues: [{ path, reason: why }] }) });
}

/** Refuses because somebody else changed it: shows what stands there and what was sent. */
export function refuseChanged(theirs: unknown, yours: unknown, why?: Reason): never {
  throw new DomainError('changed-meanwhile', { theirs, yours, ...(why && { reason: why }) });
}

/** Refuses a job on hold and a job that stands elsewhere. */
export function requireStation(record: JobRecord, ...stations: readonly Station[]): void {
  if (record.hold) refuse('wrong-state', reason('on-hold', { tag: record.tag, reason: record.hold.reason }));
  if (!stations.includes(record.station))
    refuse('wrong-state', reason('other-station', { tag: record.tag, station: record.station }));
}

/** The first value that stands twice; undefined when each stands once. @example firstTwice(['a', 'b', 'a']) // 'a' */
export function firstTwice(values: readonly string[]): string | undefined {
  return values.find((value, i) => values.indexOf(value) !== i);
}
