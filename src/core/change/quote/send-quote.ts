import { wordsOf } from '../../../words/every-language';
import { beyondGuess } from '../../evaluation';
import { quoteText } from '../../quoting';
import { formatMoney } from '../../units';
import { currentQuote, type CustomerLink, type JobRecord, type Quote, type QuoteId } from '../../record';
import { put, type Put } from '../change';
import { reason, refuse, requireStation, type Decider, type Given, type OutboxItem, type Proposal } from '../decision';
import type { SendSupplement } from '../inputs';
import { draftOf, headOfQuote } from './draft-of';

/** How long a customer's link works, in days. */
export const linkDays = 45;
const dayMs = 86_400_000;

/** The rows that revoke open links of a job: all, or those of some quotes. */
export function revokeLinks({ links }: JobRecord, at: string, of?: readonly QuoteId[]): readonly Put[] {
  return links
    .filter((link) => link.revokedAt === null && (!of || of.includes(link.quoteId)))
    .map((link) => put('link', { ...link, revokedAt: at }));
}

/** By which the customer reaches a quote. */
export interface LinkFacts {
  readonly linkId: string;
  /** 256 bits of chance as hex; only its hash is kept with the job. */
  readonly token: string;
  readonly origin: string;
}
interface Result {
  readonly revision: number;
  readonly fingerprint: string;
}

/** What a quote of a lot must know of the other units. */
export interface SendFacts extends LinkFacts {
  /** Units that are quoted with it and have no draft. */
  readonly unquoted?: readonly string[];
  /** It goes with the mail of another unit. */
  readonly isAlong?: boolean;
}

/** A link to a quote for the customer. */
export function linkTo(
  quoteId: QuoteId,
  { facts: { linkId, token }, now, sha256 }: Pick<Given<LinkFacts>, 'facts' | 'now' | 'sha256'>,
): CustomerLink {
  const expiresAt = new Date(Date.parse(now) + linkDays * dayMs).toISOString();
  return { id: linkId, quoteId, tokenHash: sha256(token), createdAt: now, expiresAt, revokedAt: null };
}

/** The rows and the mail by which a draft goes to the customer, frozen with its fingerprint. */
export function sendDraft(
  given: Given<LinkFacts>,
  quote: Quote,
): Pick<Proposal<Result>, 'puts' | 'note' | 'result' | 'outbox'> {
  const { record, facts, now, sha256 } = given;
  const text = quoteText(record, quote, wordsOf(quote.language));
  const fingerprint = sha256(text);
  const version = quote.version + 1;
  const sent = put('quote', { ...headOfQuote(quote), state: 'sent', sentAt: now, text, fingerprint, version });
  const { revision, id: quoteId, kind } = quote;
  const outcome = { note: { kind, revision, fingerprint }, result: { revision, fingerprint } } as const;
  if (!record.contact) return { ...outcome, puts: [sent] };
  // The link of an earlier revision stays: it says that there is a newer one.
  const { token, origin } = facts;
  const mail: OutboxItem = { kind: 'mail-quote', quoteId, token, origin };
  return { ...outcome, puts: [sent, put('link', linkTo(quoteId, given))], outbox: [mail] };
}

/**
 * Freezes the draft with its fingerprint, opens a link for the customer, and moves the job on; the mail goes after the
 * commit.
 */
export const sendQuote: Decider<unknown, Result, SendFacts> = (given) => {
  const { record, facts } = given;
  requireStation(record, 'quote');
  const quote = currentQuote(record);
  if (quote?.state !== 'draft') return refuse('wrong-state', reason('no-draft'));
  const over = beyondGuess(record, quote);
  if (over !== null && !quote.note.trim())
    refuse(
      'bad-input',
      reason('beyond-guess', { over: formatMoney({ minor: over, currency: quote.currency }) }),
      'note',
    );
  const lot = record.lot?.number ?? '';
  if ((facts.unquoted ?? []).length) refuse('gate-shut', reason('lot-not-quoted', { lot, tags: facts.unquoted ?? [] }));
  const { outbox = [], ...sent } = sendDraft(given, quote);
  return { ...sent, move: 'send-quote', outbox: facts.isAlong === true ? [] : outbox };
};

/** Sends a supplement: the job stays where it is, and only the steps that it stops wait for the answer. */
export const sendSupplement: Decider<SendSupplement, Result, LinkFacts> = (given, { quoteId, basedOn }) => {
  const { record } = given;
  const quote = draftOf(record, quoteId, { basedOn, yours: null });
  if (quote.kind !== 'supplement') return refuse('wrong-state', reason('no-supplement'));
  if (!record.contact) refuse('gate-shut', reason('no-contact-for-it', { tag: record.tag }));
  if (!quote.lines.some(({ struckReason }) => struckReason === null)) refuse('gate-shut', reason('no-line-left'));
  return sendDraft(given, quote);
};

/** Takes back every customer link of a job. */
export const revokeLink: Decider<unknown, object> = ({ record, now }) => ({
  puts: revokeLinks(record, now),
  note: {},
  result: {},
});
