export { growLines, growSupplement } from './grow-lines';
export { afterDiscount, asSentence, draftLine, type DraftLine, type Rates } from './draft-line';
export {
  distinctOptions,
  lineTotalMinor,
  marginOf,
  offeredLines,
  optionsOf,
  standsIn,
  totalQuote,
  type QuoteTotals,
} from './total-quote';
export { decisionText, nameQuote, quoteText, type Decided } from './quote-text';
export { handKey, isAlwaysNew, isClosingUp, isFitting, isHandMade } from './line-keys';
export { reviseLines } from './revise-lines';
export { changedSinceSent, compareRevisions, type LineChange, type RevisionChange } from './compare-revisions';
export { partsAtRisk, type AtRisk } from './at-risk';
export { compareWays, defaultBasis, waysOf, type WayCompared, type WaysCompared } from './compare-ways';
export { criticalDeclines, unsettledDecline, type CriticalDecline } from './unsettled-decline';
export { addedMinutes, leadOfLines, linesAhead } from './quoted-work';
export { readyOfWays, type ReadyOfWays } from './days-out';
export { customerOffer, type CustomerOffer, type OfferedLine } from './customer-offer';
export { approvedNet } from './approved-net';
export { awaitedAnswer, type AwaitedAnswer } from './awaited-answer';
export { reminderLetter, draftReminder, type DraftedReminder } from './reminder';
export { offerLine, sealOffer, type ConversionOffer } from './conversion-offer';
