import { DomainError } from '@/core/errors';
import { currentQuote, type JobRecord, type Quote } from '@/core/record';
import { bumpQuote, type Connection } from '@/db';
import { requireStation } from '../change-job';

/** The draft that a change is meant for, taken by compare-and-set on its version. */
export async function takeDraft(connection: Connection, record: JobRecord, basedOn: number): Promise<Quote> {
  requireStation(record, 'quote');
  const quote = currentQuote(record);
  if (quote?.state !== 'draft')
    throw new DomainError('wrong-state', { what: 'There is no draft of a quote to change.' });
  if (!(await bumpQuote(connection, quote.id, basedOn)))
    throw new DomainError('changed-meanwhile', {
      what: 'Somebody else changed this quote meanwhile.',
      theirs: { version: quote.version },
    });
  return quote;
}
