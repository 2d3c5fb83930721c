import { decisionText } from '../../quoting';
import { currentQuote, type ApprovalWay, type JobRecord, type LineDecision, type Quote } from '../../record';
import { put } from '../change';
import { reason, refuse, type Decider, type Given, type Proposal } from '../decision';
import type { AnswerQuote, RecordApproval } from '../inputs';

interface Answer extends Pick<AnswerQuote, 'name' | 'declinedLines' | 'declineAll' | 'signature'> {
  readonly way: ApprovalWay;
  readonly reference: string;
}
interface Result {
  readonly approvalId: string;
  readonly fingerprint: string;
}

/** Every standing line gets a decision; lines that cannot be declined alone follow the rest. */
export function decideLines(
  quote: Quote,
  { declinedLines, declineAll }: Pick<Answer, 'declinedLines' | 'declineAll'>,
): Readonly<Record<string, LineDecision>> {
  const standing = quote.lines.filter((line) => line.struckReason === null);
  if (declinedLines.some((id) => !standing.some((line) => line.id === id)))
    refuse('bad-input', reason('line-not-in-quote'), 'declinedLines');
  const fixed = standing.find((line) => !line.declinable && declinedLines.includes(line.id));
  if (fixed && !declineAll)
    refuse('bad-input', reason('line-not-declinable', { line: fixed.description }), 'declinedLines');
  const isDeclined = (id: Quote['lines'][number]['id']) => declineAll || declinedLines.includes(id);
  return Object.fromEntries(standing.map((line) => [line.id, isDeclined(line.id) ? 'declined' : 'approved']));
}

function sentQuoteOf(record: JobRecord): Quote {
  const quote = currentQuote(record);
  if (record.station === 'approve' && quote?.state === 'sent') return quote;
  return refuse('wrong-state', reason(quote?.state === 'answered' ? 'answered-already' : 'no-quote-waiting'));
}

/** Stores an answer with the exact text that was seen and its fingerprint, and moves the job on. */
function storeAnswer({ who, sha256 }: Given, quote: Quote, answer: Answer, id: string): Proposal<Result> {
  const decisions = decideLines(quote, answer);
  const text = `${quote.text ?? ''}\n\n${decisionText(quote, decisions)}`;
  const fingerprint = sha256(text);
  const { way, name, reference, signature } = answer;
  const { lines: _lines, ...head } = quote;
  const isApproved = Object.values(decisions).includes('approved');
  return {
    puts: [
      put('approval', {
        ...{ id, quoteId: quote.id, way, name, reference, decisions, signature, text, fingerprint, ...who },
      }),
      put('quote', { ...head, state: 'answered', version: head.version + 1 }),
    ],
    note: { revision: quote.revision, way, name, reference },
    result: { approvalId: id, fingerprint },
    move: isApproved ? 'accept-quote' : 'decline-quote',
  };
}

interface Facts {
  readonly approvalId: string;
}

/**
 * The customer's own answer through the link: approve all, decline lines, or decline everything; with name and
 * signature.
 */
export const answerQuote: Decider<AnswerQuote, Result, Facts> = (given, { quoteId, ...answer }) => {
  const quote = sentQuoteOf(given.record);
  if (quote.id !== quoteId) refuse('wrong-state', reason('newer-revision-sent'));
  return storeAnswer(given, quote, { ...answer, way: 'link', reference: '' }, given.facts.approvalId);
};

/** The coordinator records an answer by telephone or purchase order, with who said so. */
export const recordApproval: Decider<RecordApproval, Result, Facts> = (given, { tag: _tag, ...answer }) =>
  storeAnswer(given, sentQuoteOf(given.record), { ...answer, signature: '' }, given.facts.approvalId);
