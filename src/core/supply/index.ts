export { approvedLines, countingApprovals, hasQuoteAnswer } from './approved';
export { awaited, missingOf, needsOf, needsOfLines, toOrder, type Need } from './needs';
export { partsOfStep, stepsBlockedBy, stepsNeeding } from './steps';
