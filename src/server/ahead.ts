import type { JobRecord } from '@/core/record';
import { findPlannedPump, loadJobRecord, readShopAtHand, type Database, type ShopAtHand } from '@/db';

type Planned = Awaited<ReturnType<typeof findPlannedPump>>;

/**
 * What a change of a job asks for, begun before it is known who asks: the database answers all of it while it says
 * whose session it is. Each is given once; undefined afterwards, since whoever decides anew must read anew.
 */
export interface Ahead {
  readonly tag: string;
  readonly record: () => Promise<JobRecord | null> | undefined;
  readonly shop: () => Promise<ShopAtHand | null> | undefined;
  /** When the pump is ready by the plan, for a page that shows it. */
  readonly planned: () => Promise<Planned> | undefined;
}

/** Begins to read; what fails is said to whoever takes it. */
function begun<Read>(read: Promise<Read>): () => Promise<Read> | undefined {
  let left: Promise<Read> | undefined = read;
  read.catch(() => undefined);
  return () => {
    const given = left;
    left = undefined;
    return given;
  };
}

/** Begins to read what a change of a job asks for. Nothing of it may be told to anybody before it is known who asks. */
export function readAhead(database: Database, tag: string, isShown: boolean): Ahead {
  return {
    tag,
    record: begun(loadJobRecord(database, tag)),
    shop: begun(readShopAtHand(database)),
    planned: isShown ? begun(findPlannedPump(database, tag)) : () => undefined,
  };
}
