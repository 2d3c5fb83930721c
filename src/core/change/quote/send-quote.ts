import { quoteText } from '../../quoting';
import { currentQuote, type CustomerLink, type JobRecord, type QuoteId } from '../../record';
import { put, type Put } from '../change';
import { reason, refuse, requireStation, type Decider, type OutboxItem } from '../decision';

/** How long a customer's link works, in days. */
export const linkDays = 45;
const dayMs = 86_400_000;

/** The rows that revoke every open link of a job. */
export function revokeLinks({ links }: JobRecord, at: string): readonly Put[] {
  return links.filter((link) => link.revokedAt === null).map((link) => put('link', { ...link, revokedAt: at }));
}

interface Facts {
  readonly linkId: string;
  /** 256 bits of chance as hex; only its hash is kept with the job. */
  readonly token: string;
  readonly origin: string;
}
interface Result {
  readonly revision: number;
  readonly fingerprint: string;
}

/**
 * Freezes the draft with its fingerprint, opens a link for the customer, and moves the job on; the mail goes after the
 * commit.
 */
export const sendQuote: Decider<unknown, Result, Facts> = ({ record, facts, now, sha256 }) => {
  requireStation(record, 'quote');
  const quote = currentQuote(record);
  if (quote?.state !== 'draft') return refuse('wrong-state', reason('no-draft'));
  const text = quoteText(record, quote);
  const fingerprint = sha256(text);
  const { lines: _lines, ...head } = quote;
  const sent = put('quote', { ...head, state: 'sent', sentAt: now, text, fingerprint, version: head.version + 1 });
  const { revision, id: quoteId } = quote;
  const outcome = { note: { revision, fingerprint }, result: { revision, fingerprint }, move: 'send-quote' } as const;
  if (!record.contact) return { ...outcome, puts: [sent] };
  const link = linkTo(quoteId, facts, now, sha256);
  const { token, origin } = facts;
  const mail: OutboxItem = { kind: 'mail-quote', quoteId, token, origin };
  return { ...outcome, puts: [sent, ...revokeLinks(record, now), put('link', link)], outbox: [mail] };
};

function linkTo(
  quoteId: QuoteId,
  { linkId, token }: Pick<Facts, 'linkId' | 'token'>,
  now: string,
  sha256: (text: string) => string,
): CustomerLink {
  const expiresAt = new Date(Date.parse(now) + linkDays * dayMs).toISOString();
  return { id: linkId, quoteId, tokenHash: sha256(token), createdAt: now, expiresAt, revokedAt: null };
}

/** Takes back every customer link of a job. */
export const revokeLink: Decider<unknown, object> = ({ record, now }) => ({
  puts: revokeLinks(record, now),
  note: {},
  result: {},
});
