import { put } from '../change';
import { reason, refuse, type Decider } from '../decision';
import type { AgreeLimit, SendReminder } from '../inputs';
import { quoteOf } from './draft-of';
import { linkTo, type LinkFacts } from './send-quote';

/** Sends a reminder of a quote that waits for its answer, in the words that the person sends; with a link of its own. */
export const sendReminder: Decider<SendReminder, { readonly number: number }, LinkFacts> = (
  given,
  { quoteId, words },
) => {
  const { record, who, facts } = given;
  const quote = quoteOf(record, quoteId);
  if (quote?.state !== 'sent') return refuse('wrong-state', reason('no-quote-waiting'));
  const { contact } = record;
  if (!contact) return refuse('gate-shut', reason('no-contact-for-it', { tag: record.tag }));
  const number = record.reminders.length + 1;
  const { token, origin } = facts;
  return {
    puts: [
      put('link', linkTo(quote.id, given)),
      put('reminder', { number, quoteId: quote.id, sentTo: contact.email, words, ...who }),
    ],
    note: { number, to: contact.email },
    result: { number },
    outbox: [{ kind: 'mail-reminder', number, token, origin }],
  };
};

/** Notes up to which sum supplements are approved without asking, and who agreed to it. */
export const agreeLimit: Decider<AgreeLimit, { readonly agreementVersion: number }> = (
  { record, who },
  { limitMinor, saidBy, forAll, basedOn },
) => {
  const version = record.agreement?.version ?? 0;
  if (version !== basedOn)
    refuse(
      'changed-meanwhile',
      reason('other-said', {
        person: record.agreement?.personName ?? '',
        theirs: String(record.agreement?.limitMinor ?? 0),
      }),
    );
  return {
    puts: [put('agreement', { limitMinor, saidBy, version: version + 1, ...who })],
    note: { limitMinor, saidBy, ...(forAll && { forAll }), before: record.agreement?.limitMinor ?? null },
    result: { agreementVersion: version + 1 },
  };
};
