import { wordsOf } from '../../../words/every-language';
import { decisionText, nameQuote, offeredLines, standsIn } from '../../quoting';
import {
  currentQuote,
  type ApprovalWay,
  type JobRecord,
  type LineDecision,
  type OptionLevel,
  type Quote,
  type QuoteId,
} from '../../record';
import { put } from '../change';
import { reason, refuse, requireStation, type Decider, type Given, type Proposal } from '../decision';
import type { AnswerQuote, CorrectApproval, RecordApproval } from '../inputs';
import { headOfQuote, quoteOf, supplementStations } from './draft-of';

type Said = Pick<AnswerQuote, 'declinedLines' | 'declineAll' | 'option' | 'criticalConfirmed'>;
interface Answer extends Pick<AnswerQuote, 'name' | 'signature'>, Said {
  readonly way: ApprovalWay;
  readonly reference: string;
  readonly corrects: string | null;
}
interface Result {
  readonly approvalId: string;
  readonly fingerprint: string;
}

/** The option that an answer chooses: one of those offered; none where everything is declined or nothing is to choose. */
function chosenOption({ options }: Quote, { option, declineAll }: Said): OptionLevel | null {
  if (declineAll || !options.length) return null;
  const [only] = options;
  const chosen = option ?? (options.length === 1 ? (only ?? null) : null);
  if (chosen === null) return refuse('bad-input', reason('option-wanted', { options }), 'option');
  return options.includes(chosen)
    ? chosen
    : refuse('bad-input', reason('option-not-offered', { option: chosen }), 'option');
}

/**
 * What may fail in service is declined only by somebody who was told so and said it again. Where all of a repair is
 * declined the pump goes back and nothing is asked; a supplement that is declined leaves the damage in.
 */
function checkCritical(quote: Quote, { declinedLines, declineAll, criticalConfirmed }: Said): void {
  const isLeft = ({ id }: Quote['lines'][number]) =>
    declineAll ? quote.kind === 'supplement' : declinedLines.includes(id);
  const critical = quote.lines.filter((line) => line.critical && line.struckReason === null && isLeft(line));
  if (critical.length && !criticalConfirmed)
    refuse(
      'bad-input',
      reason('critical-declined', { lines: critical.map(({ description }) => description) }),
      'criticalConfirmed',
    );
}

/** Every standing line gets a decision; lines that cannot be declined alone follow the rest. */
export function decideLines(
  quote: Quote,
  said: Said,
): Pick<Said, 'option'> & {
  readonly decisions: Readonly<Record<string, LineDecision>>;
} {
  const { declinedLines, declineAll } = said;
  const option = chosenOption(quote, said);
  const offered = offeredLines(quote, option);
  if (declinedLines.some((id) => !offered.some((line) => line.id === id)))
    refuse('bad-input', reason('line-not-in-quote'), 'declinedLines');
  const fixed = offered.find((line) => !line.declinable && declinedLines.includes(line.id));
  if (fixed && !declineAll)
    refuse('bad-input', reason('line-not-declinable', { line: fixed.description }), 'declinedLines');
  checkCritical(quote, said);
  const decisionOf = (line: Quote['lines'][number]): LineDecision => {
    if (declineAll || declinedLines.includes(line.id)) return 'declined';
    return standsIn(line, option) ? 'approved' : 'not chosen';
  };
  const standing = quote.lines.filter((line) => line.struckReason === null);
  return { option, decisions: Object.fromEntries(standing.map((line) => [line.id, decisionOf(line)])) };
}

/** The quote or supplement that waits for an answer. */
function sentQuoteOf(record: JobRecord, quoteId: QuoteId | null): Quote {
  const quote = quoteOf(record, quoteId);
  if (quote?.kind === 'supplement') requireStation(record, ...supplementStations);
  const isHere = quote?.kind === 'supplement' || record.station === 'approve';
  if (isHere && quote?.state === 'sent') return quote;
  return refuse('wrong-state', reason(quote?.state === 'answered' ? 'answered-already' : 'no-quote-waiting'));
}

/** The row of an answer, with the exact text that was seen and its fingerprint. */
export function approvalOf({ who, sha256 }: Pick<Given, 'who' | 'sha256'>, quote: Quote, answer: Answer, id: string) {
  const decided = decideLines(quote, answer);
  const text = `${quote.text ?? ''}\n\n${decisionText(quote, decided, wordsOf(quote.language))}`;
  const fingerprint = sha256(text);
  const { way, name, reference, signature, corrects } = answer;
  const said = { way, name, reference, signature, corrects };
  return put('approval', { ...{ id, quoteId: quote.id, ...said, ...decided, text, fingerprint }, ...who });
}

/** Stores an answer, and moves the job on where it is to the quote of the whole repair. */
function storeAnswer(given: Given, quote: Quote, answer: Answer, id: string): Proposal<Result> {
  const approval = approvalOf(given, quote, answer, id);
  const { fingerprint, decisions, way, name, reference, option } = approval.row;
  const isApproved = Object.values(decisions).includes('approved');
  const answered = put('quote', { ...headOfQuote(quote), state: 'answered', version: quote.version + 1 });
  return {
    puts: [approval, answered],
    note: { quote: nameQuote(quote), revision: quote.revision, way, name, reference, option },
    result: { approvalId: id, fingerprint },
    ...(quote.kind === 'quote' && { move: isApproved ? ('accept-quote' as const) : ('decline-quote' as const) }),
  };
}

interface Facts {
  readonly approvalId: string;
}

/**
 * The customer's own answer through the link: an option, all of it or without some lines, or nothing; with name and
 * signature.
 */
export const answerQuote: Decider<AnswerQuote, Result, Facts> = (given, { quoteId, ...answer }) => {
  const { record } = given;
  const quote = sentQuoteOf(
    record,
    record.quotes.some(({ id, kind }) => id === quoteId && kind === 'supplement') ? quoteId : null,
  );
  if (quote.id !== quoteId) refuse('wrong-state', reason('newer-revision-sent'));
  return storeAnswer(given, quote, { ...answer, way: 'link', reference: '', corrects: null }, given.facts.approvalId);
};

/** The coordinator records an answer by telephone or purchase order, with who said what. */
export const recordApproval: Decider<RecordApproval, Result, Facts> = (given, { tag: _tag, quoteId, ...answer }) =>
  storeAnswer(
    given,
    sentQuoteOf(given.record, quoteId),
    { ...answer, signature: '', corrects: null },
    given.facts.approvalId,
  );

/**
 * Puts right an answer that was written down wrongly, until something was ordered by it: the earlier one stays in the
 * record, the later one counts.
 */
export const correctApproval: Decider<CorrectApproval, Result, Facts> = (
  given,
  { tag: _tag, reason: why, ...answer },
) => {
  const { record, facts } = given;
  requireStation(record, 'parts');
  const quote = currentQuote(record);
  const before = record.approvals.findLast((one) => one.quoteId === quote?.id);
  if (!quote || !before) return refuse('wrong-state', reason('no-answer-yet'));
  if (before.way === 'link') refuse('wrong-state', reason('answered-by-link', { name: before.name }));
  if (record.orders.some(({ atRiskMinor }) => atRiskMinor === null)) refuse('wrong-state', reason('ordered-by-answer'));
  const approval = approvalOf(given, quote, { ...answer, signature: '', corrects: why }, facts.approvalId);
  const { fingerprint, decisions, way, name, reference } = approval.row;
  const isApproved = Object.values(decisions).includes('approved');
  return {
    puts: [approval],
    note: { revision: quote.revision, way, name, reference, reason: why, before: before.reference },
    result: { approvalId: facts.approvalId, fingerprint },
    ...(!isApproved && { move: 'decline-quote' as const }),
  };
};
