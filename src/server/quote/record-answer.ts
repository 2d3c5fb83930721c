import { DomainError } from '@/core/errors';
import { decisionText } from '@/core/quoting';
import { currentQuote, type JobRecord, type Quote } from '@/core/record';
import { addApproval, saveQuoteState } from '@/db';
import type { Changed, JobChange } from '../change-job';
import { sha256 } from '../fingerprint';

export interface Answer {
  readonly way: 'link' | 'telephone' | 'purchase order';
  readonly name: string;
  readonly reference: string;
  readonly declinedLines: readonly string[];
  readonly declineAll: boolean;
  readonly signature: string;
}

/** Every standing line gets a decision; lines that cannot be declined alone follow the rest. */
export function decideLines(
  quote: Quote,
  { declinedLines, declineAll }: Pick<Answer, 'declinedLines' | 'declineAll'>,
): Record<string, 'approved' | 'declined'> {
  const standing = quote.lines.filter((line) => line.struckReason === null);
  const unknown = declinedLines.filter((id) => !standing.some((line) => line.id === id));
  if (unknown.length) throw new DomainError('bad-input', { what: 'A line that is declined is not in this quote.' });
  const fixed = standing.find((line) => !line.declinable && declinedLines.includes(line.id));
  if (fixed && !declineAll)
    throw new DomainError('bad-input', {
      what: `“${fixed.description}” belongs to every repair and cannot be declined alone.`,
    });
  return Object.fromEntries(
    standing.map((line) => [line.id, declineAll || declinedLines.includes(line.id) ? 'declined' : 'approved']),
  );
}

export function sentQuoteOf(record: JobRecord): Quote {
  const quote = currentQuote(record);
  if (record.station !== 'approve' || quote?.state !== 'sent')
    throw new DomainError('wrong-state', {
      what:
        quote?.state === 'answered'
          ? 'This quote has been answered already.'
          : 'There is no quote waiting for an answer.',
    });
  return quote;
}

/** Stores an answer with the exact text that was seen and its fingerprint, and moves the job on. */
export async function storeAnswer(
  { connection, record, who }: JobChange,
  quote: Quote,
  answer: Answer,
  id: string,
): Promise<Changed<{ approvalId: string; fingerprint: string }>> {
  const decisions = decideLines(quote, answer);
  const text = `${quote.text ?? ''}\n\n${decisionText(quote, decisions)}`;
  const fingerprint = sha256(text);
  await addApproval(connection, {
    id,
    jobId: record.id,
    quoteId: quote.id,
    way: answer.way,
    name: answer.name,
    reference: answer.reference,
    decisions,
    signature: answer.signature,
    text,
    fingerprint,
    ...who,
  });
  await saveQuoteState(connection, quote.id, { state: 'answered' });
  const isApproved = Object.values(decisions).includes('approved');
  return {
    result: { approvalId: id, fingerprint },
    data: {
      revision: quote.revision,
      way: answer.way,
      name: answer.name,
      reference: answer.reference,
      decisions,
      fingerprint,
    },
    move: isApproved ? 'accept-quote' : 'decline-quote',
  };
}
