import type { Actor } from '@/core/access';
import type { Decision } from '@/core/change';
import type { MadeId } from '@/core/record';
import type { Along, Connection, Database, OutboxRow, Shop, ShopAtHand } from '@/db';
import type { StandIns } from '@/stand-ins';
import type { Ahead } from './ahead';
import type { Device } from './people/device';

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
  /** What is known of the device that asks. */
  readonly device: Device;
  /** The shop with its instruments and people; of one look read once. Null before there is a shop. */
  readonly shopAtHand: () => Promise<ShopAtHand | null>;
  readonly entry?: Entry;
  /** What was asked of the job before it was known who asks. */
  readonly ahead?: Ahead;
  /** For how many seconds the person had been at what this entry ends, as the device says. */
  readonly workSeconds?: number;
  /** Keeps the answer to this entry, in the transaction that makes the change. */
  readonly remember?: (connection: Connection, answer: unknown) => Promise<void>;
  /** What is written in the same statement as a change of one job, where that is one statement; null for nothing. */
  readonly along?: (decision: Decided) => Along | null;
  /** Is told of the rows of the outbox that a change wrote, after its commit. */
  readonly followUp?: (rows: readonly OutboxRow[]) => void;
  /** Is told what was decided of a job, after its commit. */
  readonly decided?: (decision: Decided) => void;
}

/** What of a decision is of use once it is made; with the shop, where the rule had to know it. */
export type Decided = Pick<Decision<unknown>, 'event' | 'before' | 'after' | 'settled' | 'family'> & {
  readonly shop?: Shop;
};
