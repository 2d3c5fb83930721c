import type { Actor } from '@/core/access';
import type { Database } from '@/db';
import type { StandIns } from '@/stand-ins';

/** Everything a use case needs from outside: nothing below it reads a clock, makes an id or opens a connection. */
export interface Context {
  readonly database: Database;
  readonly actor: Actor;
  readonly now: () => Date;
  readonly newId: () => string;
  /** 256 bits of chance as hex, for customer links. */
  readonly newToken: () => string;
  readonly standIns: Omit<StandIns, 'mail'>;
  /** Where people reach this copy, for links in mails. */
  readonly origin: string;
  /** Counts a try against a key; false when the key has used up its tries. */
  readonly mayTry: (key: string, limit: 'sign-in' | 'pin') => Promise<boolean>;
}
