export { answerQuote, decideLines, recordApproval } from './answers';
export { drawUpQuote, type ShopTerms } from './draw-up-quote';
export { addLine, changeLine, strikeLine } from './lines';
export { linkDays, revokeLink, sendQuote } from './send-quote';
