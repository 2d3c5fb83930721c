import type { Role } from '../record';

/** What each verb may be done by; the owner may do all. `customer` is somebody with a customer link, `anyone` needs no sign-in. */
export type Actor =
  | { readonly kind: 'person'; readonly personId: string; readonly name: string; readonly role: Role }
  | { readonly kind: 'customer'; readonly jobId: string; readonly quoteId: string; readonly linkId: string }
  | { readonly kind: 'nobody' };
export type Audience = Role | 'customer' | 'anyone';

export function mayAct(actor: Actor, audience: readonly Audience[]): boolean {
  if (audience.includes('anyone')) return true;
  if (actor.kind === 'nobody') return false;
  if (actor.kind === 'customer') return audience.includes('customer');
  return actor.role === 'owner' || audience.includes(actor.role);
}
