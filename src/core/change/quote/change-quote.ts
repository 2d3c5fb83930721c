import { distinctOptions } from '../../quoting';
import type { Quote } from '../../record';
import { put } from '../change';
import { reason, refuse, type Decider } from '../decision';
import type { ChangeQuote } from '../inputs';
import { draftOf, headOfQuote } from './draft-of';

/** What a change to the head of a draft asks of its options: at least one, of those in which its lines differ. */
function checkOptions(quote: Quote, { options, advised }: Pick<ChangeQuote, 'options' | 'advised'>): void {
  const found = distinctOptions(quote.lines);
  const odd = options?.find((one) => !found.includes(one));
  if (odd) refuse('bad-input', reason('option-of-no-line', { option: odd }), 'options');
  const offered = options ?? quote.options;
  const chosen = advised ?? quote.advised;
  if (offered.length && !offered.includes(chosen))
    refuse('bad-input', reason('advised-not-offered', { option: chosen }), 'advised');
}

/**
 * Changes what stands once for a draft: covering note, further recipients, labour rate, discount on the whole, validity,
 * options offered and advised, and what the ways are compared by. A new rate goes into every line of labour that nobody
 * changed by hand.
 */
export const changeQuote: Decider<
  ChangeQuote,
  { readonly quoteVersion: number },
  { readonly shopRateMinor: number }
> = ({ record, now, facts }, { tag: _tag, quoteId, basedOn, ...changed }) => {
  const quote = draftOf(record, quoteId, { basedOn, yours: changed });
  checkOptions(quote, changed);
  if (changed.validUntil !== undefined && changed.validUntil < now.slice(0, 10))
    refuse('bad-input', reason('valid-until-past', { day: changed.validUntil }), 'validUntil');
  const given = Object.fromEntries(Object.entries(changed).filter(([, value]) => value !== undefined));
  const rate = changed.labourMinorPerHour === undefined ? null : (changed.labourMinorPerHour ?? facts.shopRateMinor);
  const lines = quote.lines.flatMap((line, position) =>
    rate !== null && line.kind === 'labour' && !line.byHand
      ? [put('quoteLine', { ...line, unitPriceMinor: rate, quoteId: quote.id, position })]
      : [],
  );
  return {
    puts: [put('quote', { ...headOfQuote(quote), ...given, version: basedOn + 1 }), ...lines],
    note: given,
    result: { quoteVersion: basedOn + 1 },
  };
};
