import type { PersonId } from './ids';

/** Who did something, and when. */
export interface Signed {
  /** Null for a customer, and for a service. */
  readonly personId: PersonId | null;
  readonly personName: string;
  readonly at: string;
}
