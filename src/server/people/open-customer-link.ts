import type { Actor } from '@/core/access';
import { findCustomerLink, sha256, type Database } from '@/db';
import { runTranslated } from '../use-case';

/**
 * Who a customer link stands for: its own job and quote, or nobody. An answered quote may still be read until the link
 * expires.
 */
export async function openCustomerLink(database: Database, token: string, now: Date): Promise<Actor> {
  if (!/^[0-9a-f]{64}$/.test(token)) return { kind: 'nobody' };
  const link = await runTranslated(() => findCustomerLink(database, sha256(token)));
  if (!link || link.revokedAt || link.expiresAt <= now) return { kind: 'nobody' };
  return { kind: 'customer', jobId: link.jobId, quoteId: link.quoteId, linkId: link.id };
}
