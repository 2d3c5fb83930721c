export { asksOf, type Asked } from './asks';
export { answerLine, dayInZone, sayDay, type AnswerGiven } from './answer-line';
export { canonical, chainEvent, findBrokenEvent, type ChainedEvent } from './event-chain';
export { gateFor } from './gates';
export { headIn, type HeadAfter } from './head-in';
export { sayMissing, type Missing, type MissingShown } from './missing';
export { sayForOwner } from './own-words';
export { searchTextOf } from './search-text';
export { foundStates, foundWords, stateAsked, type FoundState } from './find-words';
export { needsRole } from './whose-move';
export { jobDetails, parseTag, writeLot, writeOrderNumber, writeReportNumber, writeTag } from './tag';
export {
  allowedEvents,
  eventKinds,
  isWayBack,
  moves,
  onward,
  personalMoves,
  transition,
  type EventKind,
  type LifecycleState,
  type PersonalMove,
  type Transition,
  type WayBack,
  waysBack,
} from './transition';
export { sayMove, type MoveWords, type NextMove } from './next-move';
export { standingOf, standingSchema, type OpenAsk, type Standing } from './standing';
export { sayAsk, type AskShown } from './say-ask';
