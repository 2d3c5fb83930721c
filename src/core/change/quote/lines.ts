import { draftLine, handKey, isHandMade } from '../../quoting';
import type { QuoteLine, QuoteLineId } from '../../record';
import { reason, refuse, type Decider } from '../decision';
import type { AddLine, ChangeLine, StrikeLine, TakeProposal } from '../inputs';
import { draftOf, draftWith, lineOf, putLine } from './draft-of';

interface Versioned {
  readonly quoteVersion: number;
}

/** Only a discount is below nothing, and a discount is nothing else. */
function checkPrice({ kind, unitPriceMinor }: Pick<QuoteLine, 'kind' | 'unitPriceMinor'>): void {
  if (kind === 'discount' && unitPriceMinor > 0)
    refuse('bad-input', reason('discount-above-nothing'), 'unitPriceMinor');
  if (kind !== 'discount' && unitPriceMinor < 0) refuse('bad-input', reason('price-below-nothing'), 'unitPriceMinor');
}

/** Adds a line of the coordinator's own to the draft. */
export const addLine: Decider<AddLine, Versioned & { readonly lineId: QuoteLineId }> = (
  { record, newId },
  { tag: _tag, quoteId, basedOn, ...line },
) => {
  const quote = draftOf(record, quoteId, { basedOn, yours: line });
  checkPrice(line);
  const lineId = newId<QuoteLineId>();
  const own = draftLine({ ...line, key: handKey(lineId), plain: line.plain || line.description, byHand: true });
  return {
    puts: putLine(quote, { ...own, id: lineId }),
    note: { lineId, ...line },
    result: { lineId, quoteVersion: basedOn + 1 },
  };
};

const amountOf = ({ quantity, unitPriceMinor }: QuoteLine) => ({ quantity, unitPriceMinor });

/** Changes words, amount, discount or options of a line of the draft; a revision keeps it as it was changed. */
export const changeLine: Decider<ChangeLine, Versioned> = ({ record }, { tag: _tag, lineId, basedOn, ...changed }) => {
  const quote = draftWith(record, lineId, { basedOn, yours: changed });
  const before = lineOf(quote, lineId);
  const given = Object.fromEntries(Object.entries(changed).filter(([, value]) => value !== undefined));
  const line: QuoteLine = { ...before, ...given, byHand: true, proposalMoved: false };
  checkPrice(line);
  const isOwn = isHandMade(before) || before.key === '';
  const proposed = isOwn ? null : (before.proposed ?? amountOf(before));
  return {
    puts: putLine(quote, { ...line, proposed }),
    note: { lineId, ...given },
    result: { quoteVersion: basedOn + 1 },
  };
};

/** Takes what the record proposes in place of an amount that was changed by hand. */
export const takeProposal: Decider<TakeProposal, Versioned> = ({ record }, { lineId, basedOn }) => {
  const quote = draftWith(record, lineId, { basedOn, yours: null });
  const { proposed, ...line } = lineOf(quote, lineId);
  if (!proposed) return refuse('wrong-state', reason('nothing-proposed', { line: line.description }));
  return {
    puts: putLine(quote, { ...line, ...proposed, byHand: false, proposed: null, proposalMoved: false }),
    note: { lineId, ...proposed },
    result: { quoteVersion: basedOn + 1 },
  };
};

/** Strikes a line of the draft with a reason, or (reason null) puts it back. */
export const strikeLine: Decider<StrikeLine, Versioned> = ({ record }, { lineId, basedOn, reason: struckReason }) => {
  const quote = draftWith(record, lineId, { basedOn, yours: { struckReason } });
  return {
    puts: putLine(quote, { ...lineOf(quote, lineId), struckReason, byHand: true }),
    note: { lineId, reason: struckReason },
    result: { quoteVersion: basedOn + 1 },
  };
};
