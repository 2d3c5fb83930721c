import type { QuoteLineId } from '../../record';
import type { Decider } from '../decision';
import type { AddLine, ChangeLine, StrikeLine } from '../inputs';
import { draftOf, lineOf, putLine } from './draft-of';

interface Versioned {
  readonly quoteVersion: number;
}

/** Adds a line of the coordinator's own to the draft. */
export const addLine: Decider<AddLine, Versioned & { readonly lineId: QuoteLineId }> = (
  { record, newId },
  { tag: _tag, basedOn, ...line },
) => {
  const quote = draftOf(record, basedOn, line);
  const lineId = newId<QuoteLineId>();
  const own = { findingIds: [], parts: [], declinable: true, struckReason: null };
  return {
    puts: putLine(quote, { ...line, ...own, id: lineId, plain: line.plain || line.description }),
    note: { lineId, ...line },
    result: { lineId, quoteVersion: basedOn + 1 },
  };
};

/** Changes words, quantity or price of a line of the draft. */
export const changeLine: Decider<ChangeLine, Versioned> = (
  { record },
  { lineId, basedOn, description, quantity, unitPriceMinor },
) => {
  const changed = { description, quantity, unitPriceMinor };
  const quote = draftOf(record, basedOn, changed);
  return {
    puts: putLine(quote, { ...lineOf(quote, lineId), ...changed }),
    note: { lineId, ...changed },
    result: { quoteVersion: basedOn + 1 },
  };
};

/** Strikes a line of the draft with a reason, or (reason null) puts it back. */
export const strikeLine: Decider<StrikeLine, Versioned> = ({ record }, { lineId, basedOn, reason: struckReason }) => {
  const quote = draftOf(record, basedOn, { struckReason });
  return {
    puts: putLine(quote, { ...lineOf(quote, lineId), struckReason }),
    note: { lineId, reason: struckReason },
    result: { quoteVersion: basedOn + 1 },
  };
};
