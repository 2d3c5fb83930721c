import { DomainError } from '@/core/errors';
import { findTagById, loadJobRecord } from '@/db';
import type { Context } from '../context';

/**
 * The job and the quote that a customer's link opens. Throws DomainError for anybody else, and for a quote that is not
 * there.
 */
export async function loadOwnQuote({ actor, database }: Context) {
  if (actor.kind !== 'customer') throw new DomainError('link-not-valid');
  const tag = await findTagById(database, actor.jobId);
  const record = tag && (await loadJobRecord(database, tag));
  const quote = record ? record.quotes.find((one) => one.id === actor.quoteId) : undefined;
  if (!record || !quote) throw new DomainError('link-not-valid');
  return { record, quote };
}
