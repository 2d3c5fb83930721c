import type { Amount, QuoteLine } from '../record';
import type { DraftLine } from './draft-line';
import { isHandMade } from './line-keys';

const amountOf = ({ quantity, unitPriceMinor }: Amount): Amount => ({ quantity, unitPriceMinor });
const isSame = (one: Amount, other: Amount) =>
  one.quantity === other.quantity && one.unitPriceMinor === other.unitPriceMinor;

/** A proposed line as a person changed it before: words, amount and place are kept, and what the record proposes now. */
function kept(grown: DraftLine, before: QuoteLine): DraftLine {
  const proposal = amountOf(grown);
  const { description, quantity, unitPriceMinor, options, instead, discountPct, struckReason } = before;
  return {
    ...grown,
    ...{ description, quantity, unitPriceMinor, options, instead, discountPct, struckReason, byHand: true },
    proposed: isSame(proposal, before) ? null : proposal,
    proposalMoved: before.proposed !== null ? !isSame(proposal, before.proposed) : false,
  };
}

/**
 * The lines of a new revision: what the record proposes now, with everything that a person changed in the last one kept,
 * and the lines that were made by hand.
 * @param grown what the record proposes
 * @param last lines of the last revision; none for a first one
 */
export function reviseLines(grown: readonly DraftLine[], last: readonly QuoteLine[]): readonly DraftLine[] {
  const before = new Map(last.filter(({ key }) => key).map((line) => [line.key, line]));
  const proposed = grown.map((line) => {
    const changed = before.get(line.key);
    return changed?.byHand ? kept(line, changed) : line;
  });
  const own = last.filter(isHandMade).map(({ id: _id, ...line }) => line);
  return [...proposed, ...own];
}
