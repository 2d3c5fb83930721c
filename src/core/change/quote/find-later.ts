import { wordsOf } from '../../../words/every-language';
import { closedSteps } from '../../bench';
import type { Family } from '../../family';
import { stepsNeeding } from '../../supply';
import { growSupplement, nameQuote, quoteText, totalQuote, type DraftLine } from '../../quoting';
import {
  comesBefore,
  currentQuote,
  supplementsOf,
  type FindingId,
  type JobRecord,
  type Quote,
  type QuoteId,
  type QuoteLineId,
} from '../../record';
import { put, type Put } from '../change';
import { reason, refuse, requireStation, type Decider, type Given } from '../decision';
import { seenRows } from '../inspection/record-finding';
import type { FindLater, WithdrawSupplement } from '../inputs';
import { approvalOf } from './answers';
import { dayAfter, freshQuote, taxAfter, type ShopTerms } from './draw-up-quote';
import { headOfQuote, supplementStations } from './draft-of';
import { revokeLinks } from './send-quote';

export interface FindLaterFacts {
  readonly terms: ShopTerms;
  readonly approvalId: string;
}

interface Result {
  readonly findingId: FindingId;
  /** Number of the supplement; null where the finding goes into the quote that is still to be sent. */
  readonly supplement: number | null;
  readonly quoteId: QuoteId | null;
  /** Approved at once by the limit that was agreed beforehand. */
  readonly isApproved: boolean;
}

/** What is seen late, as a finding with what is done about it. */
function findingRows(given: Given, id: FindingId, command: FindLater): readonly Put[] {
  const { action, reason: why, words } = command;
  const disposition = { findingId: id, action, reason: why || words, version: 1, ...given.who };
  return [...seenRows(given, id, { ...command, phase: 'as-found' }), put('disposition', disposition)];
}

/** Steps that are named, or those of the rebuild that need the part and are not closed yet. */
function stoppedSteps(record: JobRecord, family: Family, { stops, partRef }: FindLater): readonly string[] {
  const known = new Set([...family.rebuild, ...family.test.steps].map(({ id }) => id));
  const odd = stops?.find((id) => !known.has(id));
  if (odd) refuse('bad-input', reason('unknown-step', { step: odd, phase: 'rebuild' }), 'stops');
  if (stops) return stops;
  const closed = closedSteps(record, family);
  return stepsNeeding(family, partRef).filter((id) => !closed.has(id));
}

const netOf = (quote: Quote) => totalQuote(quote.lines, quote).netMinor;
/** What is left of the agreed limit after what was approved by it already. */
function limitLeft(record: JobRecord): number {
  const used = record.approvals
    .filter(({ way }) => way === 'agreed limit')
    .flatMap(({ quoteId }) => record.quotes.find(({ id }) => id === quoteId) ?? [])
    .reduce((sum, quote) => sum + netOf(quote), 0);
  return (record.agreement?.limitMinor ?? 0) - used;
}

function supplementRows(
  given: Given<FindLaterFacts>,
  findingId: FindingId,
  drawn: { lines: readonly DraftLine[]; command: FindLater },
): Quote {
  const { record, family, facts, newId, now } = given;
  const { currency, quoteValidDays, language } = facts.terms;
  const taxPct = taxAfter(currentQuote(record), facts.terms);
  const { command, lines } = drawn;
  const stops = stoppedSteps(record, family, command);
  return {
    ...{
      ...freshQuote,
      id: newId<QuoteId>(),
      kind: 'supplement',
      revision: supplementsOf(record).length + 1,
      ...{ currency, taxPct, language },
    },
    validUntil: dayAfter(now, quoteValidDays),
    supplement: { findingId, whyOnlyNow: command.whyOnlyNow, stops },
    lines: lines.map((line) => ({ ...line, id: newId<QuoteLineId>() })),
  };
}

/** A supplement below the limit that was agreed: approved by that rule, under the name of who agreed to it. */
function approvedByLimit(given: Given<FindLaterFacts>, drawn: Quote): readonly Put[] {
  const { record, sha256, facts, now } = given;
  const text = quoteText(record, drawn, wordsOf(drawn.language));
  const sent: Quote = { ...drawn, state: 'answered', sentAt: now, text, fingerprint: sha256(text) };
  const said = record.agreement?.saidBy ?? '';
  const answer = {
    ...{ way: 'agreed limit' as const, name: said, reference: `below the limit agreed with ${said}`, signature: '' },
    ...{ declinedLines: [], declineAll: false, option: null, criticalConfirmed: false, corrects: null },
  };
  return [put('quote', headOfQuote(sent)), approvalOf(given, sent, answer, facts.approvalId)];
}

/** The record with a finding that is being put, so that lines can grow out of it. */
const withFinding = (record: JobRecord, rows: readonly Put[]): JobRecord => {
  const finding = rows.find((row) => row.put === 'finding')?.row;
  const decided = rows.find((row) => row.put === 'disposition')?.row;
  if (!finding || !decided) return record;
  const { findingId: _finding, ...disposition } = decided;
  return { ...record, findings: [...record.findings, { ...finding, disposition }] };
};

/**
 * Something is found after the inspection: it becomes a finding with what is done about it. Before the quote is sent it
 * goes into the quote; after that it makes a supplement with lines of its own, and the steps that need the part wait for
 * its answer while the rest goes on. Below the limit agreed beforehand it is approved at once.
 */
export const findLater: Decider<FindLater, Result, FindLaterFacts> = (given, command) => {
  const { record, family, newId, facts } = given;
  requireStation(record, 'clean', 'inspect', 'quote', ...supplementStations);
  const findingId = newId<FindingId>();
  const rows = findingRows(given, findingId, command);
  const note = { partRef: command.partRef, words: command.words, whyOnlyNow: command.whyOnlyNow };
  if (comesBefore(record.station, 'approve'))
    return { puts: rows, note, result: { findingId, supplement: null, quoteId: null, isApproved: false } };
  const { rates, language } = facts.terms;
  const rate = currentQuote(record)?.labourMinorPerHour;
  const own = { ...rates, ...(rate && { labourMinorPerHour: rate }) };
  const grown = { family, record: withFinding(record, rows), rates: own, words: wordsOf(language) };
  const lines = growSupplement(grown, [findingId]);
  const drawn = supplementRows(given, findingId, { lines, command });
  const isApproved = lines.length > 0 && netOf(drawn) <= limitLeft(record);
  const head = isApproved ? approvedByLimit(given, drawn) : [put('quote', headOfQuote(drawn))];
  return {
    puts: [
      ...rows,
      ...head,
      ...drawn.lines.map((line, position) => put('quoteLine', { ...line, quoteId: drawn.id, position })),
    ],
    note: { ...note, supplement: drawn.revision, stops: drawn.supplement?.stops ?? [], isApproved },
    result: { findingId, supplement: drawn.revision, quoteId: drawn.id, isApproved },
  };
};

/** Takes a supplement back that nobody has answered, with a reason: what it stopped goes on. */
export const withdrawSupplement: Decider<WithdrawSupplement, object> = ({ record, now }, { quoteId, reason: why }) => {
  requireStation(record, ...supplementStations);
  const quote = supplementsOf(record).find(({ id }) => id === quoteId);
  if (!quote) return refuse('not-found', reason('no-supplement'));
  if (quote.state !== 'draft' && quote.state !== 'sent') refuse('wrong-state', reason('answered-already'));
  const head = { ...headOfQuote(quote), state: 'superseded' as const, version: quote.version + 1 };
  return {
    puts: [put('quote', head), ...revokeLinks(record, now, [quoteId])],
    note: { quote: nameQuote(quote), reason: why },
    result: {},
  };
};
