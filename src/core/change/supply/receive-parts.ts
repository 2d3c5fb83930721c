import { findPart } from '../../family';
import { sheetsOf, type Claim, type OrderLine, type PurchaseOrder } from '../../record';
import { isSameVariant, missingWords, stepsBlockedBy } from '../../supply';
import { put, type Put } from '../change';
import { firstTwice, reason, refuse, refuseChanged, type Decider, type Given } from '../decision';
import type { ReceiveParts, SendClaim } from '../inputs';
import { fill } from '../sheets/fill';
import { checkPiece } from './check-piece';
import { orderNumbered } from './supplier-answers';

interface Short {
  readonly partRef: string;
  readonly left: number;
  readonly blocks: readonly string[];
}
type Counted = ReceiveParts['counts'][number];

interface ReceivingFacts {
  readonly receiptIds: readonly string[];
  /** Numbers that interchange with each line's by the catalogue, by line. */
  readonly crossing: Readonly<Record<string, readonly string[]>>;
  /** The variant that was ordered, by line, where its number has several. */
  readonly variants: Readonly<Record<string, string>>;
}
type Receiving = Given<ReceivingFacts>;

/** The pieces are those of the line; another number that stands for it is accepted by name. */
function checkPieces(given: Receiving, { id, partRef }: OrderLine, counted: Counted): void {
  const part = findPart(given.family, partRef);
  if (!part) return;
  const path = `counts.${id}`;
  const crosses = checkPiece(given, part, {
    piece: counted,
    pathOf: () => path,
    crossing: given.facts.crossing[id] ?? [],
  });
  const about = { part: part.name, found: counted.number, number: part.number };
  const wanted = given.facts.variants[id] ?? '';
  if (wanted && counted.variant && !isSameVariant(wanted, counted.variant))
    refuse('bad-input', reason('wrong-variant', { part: part.name, found: counted.variant, wanted }), path);
  if (crosses && !counted.accept) refuse('bad-input', reason('number-crosses-line', about), path);
}

function checkCount({ record }: Receiving, line: OrderLine, { counted, wrong, what, photoId }: Counted): void {
  const open = line.quantity - line.received;
  const path = `counts.${line.id}`;
  if (counted + wrong > open)
    refuse('bad-input', reason('more-than-open', { counted: counted + wrong, number: line.number, open }), path);
  if (wrong && !what) refuse('bad-input', reason('wrong-how', { number: line.number, wrong }), path);
  if (photoId && !record.photos.some(({ id }) => id === photoId))
    refuse('wrong-job', reason('picture-of-another-job'), path);
}

/** What is claimed of a line: pieces that are wrong, with their picture where one was taken, and those of the parcel's list that are not in the box. */
function claimed(line: OrderLine, { counted, wrong, what, photoId }: Counted): Claim['lines'] {
  const missing = Math.max(0, line.sent - line.received - counted - wrong);
  const about = { partRef: line.partRef, number: line.number };
  return [
    ...(wrong ? [{ ...about, count: wrong, what, ...(photoId && { photoId }) }] : []),
    ...(missing ? [{ ...about, count: missing, what: missingWords }] : []),
  ];
}

function claimPut(given: Receiving, { number, supplier }: PurchaseOrder, lines: Claim['lines']): readonly Put[] {
  if (!lines.length) return [];
  const key = `C-${given.record.tag.slice(2)}-${sheetsOf(given.record, 'claim').length + 1}`;
  return [fill(given, { kind: 'claim', key, basedOn: 0, body: { orderNumber: number, supplier, lines, sent: null } })];
}

/** The rows of one line: what is right comes in; what is wrong or missing is to be sent again. */
function lineRows({ facts, who }: Receiving, { order, line, counted, i, note }: LineAsked): readonly Put[] {
  const { received: _received, ...row } = line;
  const again = claimed(line, counted).reduce((sum, { count }) => sum + count, 0);
  const { number, variant, lot } = counted;
  const receipt = {
    id: facts.receiptIds[i] ?? '',
    lineId: line.id,
    quantity: counted.counted,
    number,
    variant,
    lot,
    note,
  };
  return [
    ...(counted.counted > 0 ? [put('receipt', { ...receipt, ...who })] : []),
    ...(again ? [put('orderLine', { ...row, orderId: order.id, sent: line.sent - again })] : []),
  ];
}
interface LineAsked {
  readonly order: PurchaseOrder;
  readonly line: OrderLine;
  readonly counted: Counted;
  readonly i: number;
  readonly note: string;
}

/**
 * Receiving check, line by line of an order: count, number, elastomer, lot, damage. What is short or wrong keeps its
 * line open, is said with the steps that it stops, and stands in a claim to the supplier.
 */
export const receiveParts: Decider<ReceiveParts, { readonly short: readonly Short[] }, ReceivingFacts> = (
  given,
  { orderNumber, counts, note },
) => {
  const order = orderNumbered(given.record, orderNumber);
  const twice = firstTwice(counts.map((count) => count.lineId));
  if (twice) refuse('bad-input', reason('line-twice', { line: twice }), 'counts');
  const asked = counts.map((counted, i): LineAsked => {
    const line = order.lines.find(({ id }) => id === counted.lineId);
    if (!line) return refuse('wrong-job', reason('line-not-on-order', { order: orderNumber }));
    checkCount(given, line, counted);
    checkPieces(given, line, counted);
    return { order, line, counted, i, note };
  });
  const short = asked.flatMap(({ line, counted: { counted } }) => {
    const left = line.quantity - line.received - counted;
    return left > 0 ? [{ partRef: line.partRef, left, blocks: stepsBlockedBy(line.partRef, given.family) }] : [];
  });
  const claims = asked.flatMap(({ line, counted }) => claimed(line, counted));
  return {
    puts: [...asked.flatMap((one) => lineRows(given, one)), ...claimPut(given, order, claims)],
    note: { orderNumber, short: short.map(({ partRef, left }) => ({ partRef, left })) },
    result: { short },
  };
};

/** Writes to the supplier about what came wrong or short. */
export const sendClaim: Decider<SendClaim, { readonly sheetVersion: number }, { readonly to: string }> = (
  given,
  { number, basedOn, words, goesBack },
) => {
  const sheet = sheetsOf(given.record, 'claim').find(({ key }) => key === number);
  if (!sheet) return refuse('wrong-job', reason('no-claim', { number }), 'number');
  if (sheet.version !== basedOn) refuseChanged(sheet.body, words);
  if (sheet.body.sent) refuse('wrong-state', reason('claim-sent', { number, to: sheet.body.sent.to }));
  const sent = { ...given.who, to: given.facts.to, words, goesBack };
  return {
    puts: [fill(given, { kind: 'claim', key: number, basedOn, body: { ...sheet.body, sent } })],
    note: { number, to: given.facts.to, goesBack },
    result: { sheetVersion: basedOn + 1 },
    outbox: [{ kind: 'mail-claim', key: number }],
  };
};
