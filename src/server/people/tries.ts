import { sayWait, tryRules, type TryKind } from '@/core/access';
import { DomainError } from '@/core/errors';
import { beginTry, forgetTries, takeTryBack } from '@/db';
import type { Context } from '../context';

export interface TryKey {
  readonly kind: TryKind;
  /** What is tried, and with what. */
  readonly of: string;
}

const textOf = ({ kind, of }: TryKey) => `${kind}/${of}`;
/** Of these a right try clears all wrong ones: they are one person's. The others are many people's. */
const isPersonal = ({ kind }: TryKey) => kind === 'pin' || kind === 'password';

export interface Tried {
  /** Keys that this try locks, should it be wrong, and for how long in words. */
  readonly locks: readonly TryKey[];
  /** It was right: it was never counted, and what one person got wrong before is forgotten. */
  readonly right: () => Promise<void>;
  /** It was neither: it was never counted. */
  readonly takeBack: () => Promise<void>;
}

/**
 * Counts a try by each key before it is made. Throws DomainError with how long to wait where one is locked; then it is
 * not made.
 */
export async function tryOnce({ database, now }: Context, keys: readonly TryKey[]): Promise<Tried> {
  const at = now();
  const begun: TryKey[] = [];
  const locks: TryKey[] = [];
  for (const key of keys) {
    const { waitMs, locks: isLocking } = await beginTry(database, textOf(key), tryRules[key.kind], at);
    if (waitMs > 0) {
      for (const one of begun) await takeTryBack(database, textOf(one));
      throw new DomainError('too-many-tries', {
        what: `There were too many wrong tries. The next one is possible in ${sayWait(waitMs)}.`,
      });
    }
    begun.push(key);
    if (isLocking) locks.push(key);
  }
  return {
    locks,
    takeBack: async () => {
      for (const key of begun) await takeTryBack(database, textOf(key));
    },
    right: async () => {
      for (const key of begun) await (isPersonal(key) ? forgetTries : takeTryBack)(database, textOf(key));
    },
  };
}
