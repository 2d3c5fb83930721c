export { drawUpQuote, type ShopTerms } from './draw-up-quote';
export { addLine, changeLine, strikeLine, takeProposal } from './lines';
export { changeQuote } from './change-quote';
export { linkDays, revokeLink, sendQuote, sendSupplement, type LinkFacts, type SendFacts } from './send-quote';
export { answerQuote, correctApproval, recordApproval } from './answers';
export { settleDecline } from './settle-decline';
export { answerQuestion, askQuestion } from './questions';
export { agreeLimit, sendReminder } from './reminders';
export { findLater, withdrawSupplement, type FindLaterFacts } from './find-later';
