export { growLines, type DraftLine, type Rates } from './grow-lines';
export { totalQuote, lineTotalMinor, type QuoteTotals } from './total-quote';
export { quoteText, decisionText } from './quote-text';
export { costingFindings, findingsThatStay } from './costing-findings';
