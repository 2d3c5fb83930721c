import { findPart } from '../../family';
import type { Evaluation } from '../../record';
import { evaluationOf } from '../../evaluation';
import { reason, refuse, refuseChanged, type Decider, type Given } from '../decision';
import type { AnswerEvaluation, SendEvaluation, WriteEvaluation } from '../inputs';
import { fill } from './fill';

type Result = { readonly sheetVersion: number };
interface RateFacts {
  readonly labourMinorPerHour: number;
}

function checkParts({ family }: Given, { lost, atRisk, made }: WriteEvaluation['evaluation']): void {
  for (const { ref } of [...lost, ...atRisk, ...made])
    if (!findPart(family, ref)) refuse('bad-input', reason('unknown-part', { part: ref }), 'evaluation.lost');
}

/** Fills in the first look at a pump. One that was sent stays as it was sent; another is begun beside it. */
export const writeEvaluation: Decider<WriteEvaluation, Result, RateFacts> = (given, { evaluation, again, basedOn }) => {
  const { record, facts } = given;
  if (!['receive', 'teardown', 'clean', 'inspect', 'quote'].includes(record.station))
    refuse('wrong-state', reason('other-station', { tag: record.tag, station: record.station }));
  checkParts(given, evaluation);
  const last = evaluationOf(record);
  const isNext = last === null || last.body.sent !== null;
  if (last?.body.sent && !again) refuse('wrong-state', reason('evaluation-sent', { to: last.body.sent.to }));
  const key = isNext ? String(Number(last?.key ?? 0) + 1) : last.key;
  const body = { ...evaluation, rateMinor: facts.labourMinorPerHour, sent: null, answer: null };
  return {
    puts: [fill(given, { kind: 'evaluation', key, basedOn: isNext ? 0 : basedOn, body })],
    note: { advice: evaluation.advice, hours: evaluation.hours },
    result: { sheetVersion: isNext ? 1 : basedOn + 1 },
  };
};

/** The last evaluation, as it was seen by whoever goes on with it. */
function standing({ record }: Given, basedOn: number, yours: unknown) {
  const sheet = evaluationOf(record);
  if (!sheet) return refuse('wrong-state', reason('no-evaluation', { tag: record.tag }));
  if (sheet.version !== basedOn) refuseChanged(sheet.body, yours);
  return sheet;
}

const refill = (given: Given, sheet: NonNullable<ReturnType<typeof evaluationOf>>, change: Partial<Evaluation>) =>
  fill(given, {
    ...{ kind: 'evaluation', key: sheet.key, basedOn: sheet.version },
    body: { ...sheet.body, ...change },
  });

/** Sends the first answer to the customer, in the words that the person sends. */
export const sendEvaluation: Decider<SendEvaluation, Result> = (given, { words, basedOn }) => {
  const sheet = standing(given, basedOn, words);
  const { contact, tag } = given.record;
  if (!contact) return refuse('gate-shut', reason('no-contact-for-it', { tag }));
  if (sheet.body.sent) refuse('wrong-state', reason('evaluation-sent', { to: sheet.body.sent.to }));
  return {
    puts: [refill(given, sheet, { sent: { to: contact.email, at: given.now, words } })],
    note: { to: contact.email },
    result: { sheetVersion: basedOn + 1 },
    outbox: [{ kind: 'mail-evaluation', key: sheet.key }],
  };
};

/** What the owner says to the first look, and who said it. */
export const answerEvaluation: Decider<AnswerEvaluation, Result> = (given, { choice, saidBy, words, basedOn }) => {
  const sheet = standing(given, basedOn, { choice, saidBy });
  return {
    puts: [refill(given, sheet, { answer: { ...given.who, choice, saidBy, words } })],
    note: { choice, saidBy, words },
    result: { sheetVersion: basedOn + 1 },
  };
};
