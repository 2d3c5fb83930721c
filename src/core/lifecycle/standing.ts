import * as z from 'zod';
import { workOf } from '../bench';
import type { Family } from '../family';
import { judgePoints } from '../inspection';
import { fateOf, leavesHouse } from '../dispatch';
import { leadOfLines, linesAhead, unsettledDecline } from '../quoting';
import { awaited, hasQuoteAnswer, isFromSupplier, needsOf, toArrange, toOrder, type Need } from '../supply';
import type { Remaining } from '../planning';
import {
  comesBefore,
  currentQuote,
  holders,
  openSupplements,
  rebuildRound,
  type Holder,
  type JobRecord,
  type Station,
  type SupplySource,
} from '../record';
import { remembered } from '../remembered';
import { minutesAhead, minutesAt, standardMinutesSchema, standardOf, workAhead, workAheadSchema } from '../workload';
import { gateFor } from './gates';
import { nextMoveSchema, openPreparations, type NextMove } from './next-move';
import { holderAt } from './transition';

/** What is open beside the main station: an answer, a question, parts of a supplement, what was ordered at risk. */
export const openAskSchema = z.discriminatedUnion('code', [
  z.object({ code: z.literal('supplement'), number: z.number().int(), isSent: z.boolean(), stops: z.number().int() }),
  z.object({ code: z.literal('question'), count: z.number().int() }),
  z.object({ code: z.literal('decline') }),
  z.object({ code: z.literal('order'), parts: z.number().int() }),
  z.object({ code: z.literal('at-risk'), minor: z.number().int() }),
  z.object({ code: z.literal('made'), parts: z.number().int() }),
  z.object({ code: z.literal('donor'), parts: z.number().int() }),
]);
export type OpenAsk = z.infer<typeof openAskSchema>;

/** What the floor shows of a job, kept beside it and reckoned anew at every change: codes and figures, no words. */
export const standingSchema = z.object({
  holder: z.enum(holders),
  next: nextMoveSchema,
  asks: z.array(openAskSchema).default([]),
  remaining: z.object({
    benchMinutesBeforeAnswer: z.number(),
    answerAwaited: z.boolean(),
    partsLeadDays: z.number(),
    partsDueOn: z.string().nullable(),
    benchMinutesAfterParts: z.number(),
    standMinutes: z.number(),
    holdUntil: z.string().nullable(),
  }),
  /** What lies ahead as operations of the plan; null in rows from before there was one. */
  work: z.array(workAheadSchema).nullable().default(null),
  /** Minutes of the family for each station; null in rows from before work was timed. */
  standard: standardMinutesSchema.nullable().default(null),
});
export type Standing = z.infer<typeof standingSchema>;

function inspectMove(record: JobRecord, family: Family): NextMove {
  const states = judgePoints({ family, readings: record.readings, phase: 'as-found' });
  const left = states.filter(
    (state) => state.verdict === null || (!state.point.derived && state.taken < state.wanted),
  ).length;
  const out = states.find((state) => state.verdict === 'out')?.point.title ?? null;
  const open = gateFor('finish-inspection', record, family).length;
  if (!open) return { code: 'close-inspection', left, out };
  return left ? { code: 'measure', left, out } : { code: 'dispose', open, out };
}

function rebuildMove(record: JobRecord, family: Family): NextMove {
  const isAgain = rebuildRound(record) > 1;
  const work = workOf(record, family, 'rebuild');
  const held = work.find((one) => one.isHeld);
  if (held) return { code: 'sign-hold-point', step: held.step.title };
  const stopping = openSupplements(record);
  const isStopped = (id: string) => stopping.some(({ supplement }) => supplement?.stops.includes(id));
  const left = work.filter((one) => !one.isDone);
  const [first] = stopping;
  const next =
    left.find(({ step, waitsFor }) => !isStopped(step.id) && !waitsFor.length) ?? (first ? undefined : left[0]);
  if (!next && first) return { code: 'await-supplement', number: first.revision, isSent: first.state === 'sent' };
  if (!next) return { code: 'measure-as-left', isAgain };
  return { code: 'rebuild', step: next.step.title, done: work.length - left.length, of: work.length, isAgain };
}

/** What is open beside the main station. */
function asksOf(record: JobRecord, needs: ReturnType<typeof needsOf>): readonly OpenAsk[] {
  if (record.closedAt) return [];
  const supplements = openSupplements(record).map(({ revision, state, supplement }) => ({
    ...{ code: 'supplement' as const, number: revision, isSent: state === 'sent' },
    stops: supplement?.stops.length ?? 0,
  }));
  const questions = record.questions.filter(({ answer }) => !answer).length;
  const isLater = ['rebuild', 'test'].includes(record.station);
  const parts = isLater ? toOrder(needs).length + toArrange(needs).length : 0;
  const comingFrom = (source: SupplySource) => awaited(needs).filter((need) => need.source === source).length;
  const [made, donor] = isLater || record.station === 'parts' ? [comingFrom('made'), comingFrom('donor')] : [0, 0];
  const isAnswered = record.approvals.length > 0;
  const risked = isAnswered ? 0 : record.orders.reduce((sum, { atRiskMinor }) => sum + (atRiskMinor ?? 0), 0);
  return [
    ...(unsettledDecline(record) && record.outcome === 'open' ? [{ code: 'decline' as const }] : []),
    ...supplements,
    ...(questions ? [{ code: 'question' as const, count: questions }] : []),
    ...(parts ? [{ code: 'order' as const, parts }] : []),
    ...(risked ? [{ code: 'at-risk' as const, minor: risked }] : []),
    ...(made ? [{ code: 'made' as const, parts: made }] : []),
    ...(donor ? [{ code: 'donor' as const, parts: donor }] : []),
  ];
}

function partsMove(record: JobRecord, family: Family): NextMove {
  if (unsettledDecline(record)) return { code: 'settle-decline' };
  const needs = needsOf(record, family);
  const [arrange, ...more] = toArrange(needs);
  if (arrange) return { code: 'arrange-part', part: arrange.name, source: arrange.source, others: more.length };
  const open = toOrder(needs);
  if (open.length)
    return { code: 'order-parts', parts: open.length, longestDays: Math.max(...open.map((need) => need.leadDays)) };
  const coming = awaited(needs);
  if (!coming.length) return { code: 'start-rebuild' };
  const bought = coming.filter(isFromSupplier);
  const [last] = coming.toSorted((a, b) => (b.dueOn ?? '').localeCompare(a.dueOn ?? ''));
  if (!bought.length && last)
    return { code: 'await-part', part: last.name, source: last.source, dueOn: last.dueOn, others: coming.length - 1 };
  if (record.orders.some((order) => order.acknowledgement === null))
    return { code: 'await-order', parts: coming.length };
  const short = coming.find((need) => need.received > 0)?.name ?? null;
  const dates = coming.flatMap((need) => (need.dueOn ? [need.dueOn] : [])).sort();
  return { code: 'receive-parts', parts: coming.length, short, dueOn: dates.at(-1) ?? null };
}

function testMove(record: JobRecord): NextMove {
  const run = record.runs.at(-1);
  if (!run || run.decision === 'failed') return { code: 'run-test', after: run?.run ?? null };
  return run.verdict === 'pass' ? { code: 'sign-test', run: run.run } : { code: 'decide-run', run: run.run };
}

function teardownMove(record: JobRecord, family: Family): NextMove {
  const work = workOf(record, family, 'teardown');
  return { code: 'teardown', done: work.filter((one) => one.isDone).length, of: work.length };
}

function receiveMove(record: JobRecord): NextMove {
  const [what] = openPreparations(record);
  return what ? { code: 'prepare', what } : { code: 'begin-teardown' };
}

function quoteMove(record: JobRecord): NextMove {
  const quote = currentQuote(record);
  return quote ? { code: 'send-quote', revision: quote.revision } : { code: 'draw-up-quote' };
}

function returnMove(record: JobRecord): NextMove {
  const { outcome, returned } = record;
  if (!leavesHouse(record)) return { code: 'close-here', isDonor: outcome === 'donor' };
  if (outcome === 'reassembled' && !fateOf(record)?.body.reassembled) return { code: 'reassemble' };
  return returned ? { code: 'deliver' } : { code: 'release', isDeclined: outcome !== 'repaired' };
}

const moveAt: Readonly<Record<Station, (record: JobRecord, family: Family) => NextMove>> = {
  receive: receiveMove,
  teardown: teardownMove,
  clean: (record, family) => ({ code: 'clean', left: gateFor('finish-cleaning', record, family).length }),
  inspect: inspectMove,
  quote: quoteMove,
  approve: (record) =>
    hasQuoteAnswer(record)
      ? { code: 'go-on' }
      : { code: 'await-answer', revision: currentQuote(record)?.revision ?? 1 },
  parts: partsMove,
  rebuild: rebuildMove,
  test: testMove,
  report: (record) => ({ code: record.reports.length ? 'dispatch' : 'issue-report' }),
  return: returnMove,
};

function nextMoveOf(record: JobRecord, family: Family): NextMove {
  return record.hold ? { code: 'held', reason: record.hold.reason } : moveAt[record.station](record, family);
}

function partsAhead(record: JobRecord, family: Family): Pick<Remaining, 'partsLeadDays' | 'partsDueOn'> {
  const needs = needsOf(record, family);
  if (comesBefore(record.station, 'parts') && !hasQuoteAnswer(record)) {
    const lines = linesAhead(record);
    const lead = lines ? leadOfLines(lines, family) : Math.max(0, ...family.kits.map((kit) => kit.lead_days));
    return { partsLeadDays: lead, partsDueOn: null };
  }
  const dates = awaited(needs).flatMap((need) => (need.dueOn ? [need.dueOn] : []));
  const lead = Math.max(0, ...toOrder(needs).map((need) => need.leadDays));
  return { partsLeadDays: lead, partsDueOn: dates.sort().at(-1) ?? null };
}

/** Days of lead of the parts that open supplements would need, where that is more than what is ahead anyway. */
function withSupplements(
  record: JobRecord,
  family: Family,
  ahead: Pick<Remaining, 'partsLeadDays' | 'partsDueOn'>,
): Pick<Remaining, 'partsLeadDays' | 'partsDueOn'> {
  const refs = openSupplements(record).flatMap(({ lines }) =>
    lines.flatMap(({ parts }) => parts.map(({ ref }) => ref)),
  );
  const lead = family.parts.filter(({ ref }) => refs.includes(ref)).map(({ lead_days }) => lead_days);
  return { ...ahead, partsLeadDays: Math.max(ahead.partsLeadDays, ...lead) };
}

/** Minutes of work on open supplements: what their lines sell by the hour. */
function laterMinutes(record: JobRecord): number {
  const lines = openSupplements(record).flatMap((quote) => quote.lines);
  return lines
    .filter(({ unit, struckReason }) => unit === 'h' && struckReason === null)
    .reduce((sum, { quantity }) => sum + quantity * 60, 0);
}

function remainingOf(record: JobRecord, family: Family): Remaining {
  const holdUntil = record.hold?.until ?? null;
  if (record.outcome !== 'open' && record.outcome !== 'repaired')
    return {
      ...{ benchMinutesBeforeAnswer: 0, answerAwaited: false, benchMinutesAfterParts: 0, standMinutes: 0 },
      ...{ partsLeadDays: 0, partsDueOn: null, holdUntil },
    };
  const isBefore = (station: Station) => comesBefore(record.station, station);
  const inspection = isBefore('quote') ? minutesAt(family, 'inspect') : 0;
  return {
    benchMinutesBeforeAnswer: minutesAhead(record, family, 'teardown') + inspection,
    answerAwaited: isBefore('parts') || openSupplements(record).length > 0,
    ...withSupplements(record, family, partsAhead(record, family)),
    benchMinutesAfterParts: minutesAhead(record, family, 'rebuild') + laterMinutes(record),
    standMinutes: isBefore('report') ? minutesAt(family, 'test') : 0,
    holdUntil,
  };
}

/** Who has the parts that are still to come: a supplier before anybody else. */
function awaitedFrom(needs: readonly Need[]): Holder | null {
  const coming = awaited(needs);
  if (coming.some(isFromSupplier)) return 'P';
  if (coming.some(({ source }) => source === 'outside')) return 'O';
  if (coming.some(({ source }) => source === 'customer')) return 'C';
  return coming.length ? 'U' : null;
}

/** Holder, next move and what remains of a job, from its whole record. Pure. */
export const standingOf = remembered((record: JobRecord, family: Family): Standing => {
  const needs = needsOf(record, family);
  const { station, hold, outcome, closedAt } = record;
  const parts = { toOrder: toOrder(needs).length + toArrange(needs).length, awaited: awaitedFrom(needs) };
  const next = nextMoveOf(record, family);
  const state = { station, hold, outcome, closed: closedAt !== null };
  const holder: Holder = next.code === 'await-supplement' ? (next.isSent ? 'C' : 'U') : holderAt(state, parts);
  return {
    ...{ holder, next, asks: [...asksOf(record, needs)], remaining: remainingOf(record, family) },
    work: [...workAhead(record, family)],
    standard: standardOf((one) => minutesAt(family, one)),
  };
});
