import type { Actor } from '@/core/access';
import type { MadeId } from '@/core/record';
import type { Connection, Database, OutboxRow } from '@/db';
import type { StandIns } from '@/stand-ins';

/** An entry as a device sends it: with a key made there before the first try, and the moment when it was made. */
export interface Entry {
  readonly key: string;
  /** ISO; null where the device did not say. */
  readonly madeAt: string | null;
}

/** Everything a use case needs from outside: nothing below it reads a clock, makes an id or opens a connection. */
export interface Context {
  readonly database: Database;
  readonly actor: Actor;
  readonly now: () => Date;
  readonly newId: <Id extends MadeId>() => Id;
  /** 256 bits of chance as hex, for customer links. */
  readonly newToken: () => string;
  readonly standIns: StandIns;
  /** Where people reach this copy, for links in mails. */
  readonly origin: string;
  /** Counts a try against a key; false when the key has used up its tries. */
  readonly mayTry: (key: string, limit: 'sign-in' | 'pin') => Promise<boolean>;
  /** Forgets the tries of a key once what was tried was right: only wrong ones in a row are stopped. */
  readonly forgetTries: (key: string, limit: 'sign-in' | 'pin') => Promise<void>;
  readonly entry?: Entry;
  /** For how many seconds the person had been at what this entry ends, as the device says. */
  readonly workSeconds?: number;
  /** Keeps the answer to this entry, in the transaction that makes the change. */
  readonly remember?: (connection: Connection, answer: unknown) => Promise<void>;
  /** Is told of the rows of the outbox that a change wrote, after its commit. */
  readonly followUp?: (rows: readonly OutboxRow[]) => void;
}
