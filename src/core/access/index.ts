import type { JobId, PersonId, QuoteId, Role } from '../record';

/**
 * Who acts: a person of the shop, somebody with a customer link, a service that answers the shop (a supplier's order
 * desk), or nobody who signed in.
 */
export type Actor =
  | { readonly kind: 'person'; readonly personId: PersonId; readonly name: string; readonly role: Role }
  | { readonly kind: 'customer'; readonly jobId: JobId; readonly quoteId: QuoteId; readonly linkId: string }
  | { readonly kind: 'service'; readonly name: string }
  | { readonly kind: 'nobody' };
/** What each verb may be done by; the owner may do all that people do. `anyone` needs no sign-in. */
export type Audience = Role | 'customer' | 'service' | 'anyone';

export function mayAct(actor: Actor, audience: readonly Audience[]): boolean {
  if (audience.includes('anyone')) return true;
  if (actor.kind === 'nobody') return false;
  if (actor.kind !== 'person') return audience.includes(actor.kind);
  const isForPeople = audience.some((one) => one !== 'customer' && one !== 'service');
  return audience.includes(actor.role) || (actor.role === 'owner' && isForPeople);
}

export * from './audit';
export * from './tries';
