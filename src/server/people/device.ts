import type { PersonId } from '@/core/record';

/** What a request says of the device that it comes from, as far as it was sealed here or is seen from the network. */
export interface Device {
  /** The device's own sealed id; null for one that was never here. */
  readonly id: string | null;
  /** The tablet that it was enrolled as; null for none. Whether it still is one, the record says. */
  readonly tabletId: string | null;
  /** People who have signed in on it with their password: their tries are counted apart from strangers'. */
  readonly knows: readonly PersonId[];
  /** Address of the network. */
  readonly client: string;
  /** Browser and system, as people name them. */
  readonly agent: string;
  /** The session that is open on it; null for none. */
  readonly sessionId: string | null;
}

export const noDevice: Device = { id: null, tabletId: null, knows: [], client: '', agent: '', sessionId: null };
