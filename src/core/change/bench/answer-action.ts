import type { Reason } from '../../errors';
import { againstFor, judgeAnswer, workAt, type Judged } from '../../bench';
import { judgeRecord } from '../../bench/judge-record';
import { findSum } from '../../sums';
import { actionTitle, type AnswerForm } from '../../family';
import { partsOfStep } from '../../supply';
import { schoolOf } from '../../policies';
import { isShutByResidue } from '../../residue';
import { sheetOf, type Answer, type AnswerData, type BenchPhase, type Station } from '../../record';
import { put, type Put } from '../change';
import { reason, refuse, refuseChanged, requireStation, type Decider, type Given } from '../decision';
import type { AnswerAction } from '../inputs';
import {
  askedFigure,
  checkConsumable,
  checkMeasured,
  checkParts,
  checkSupplements,
  checkPasses,
  checkOwnPicture,
  checkPhoto,
  judgeHeat,
} from './action-checks';
import type { Answering } from './answering';
import { benchFinding } from './bench-finding';
import { checkTool, type ToolFacts } from '../use-tool';

/** Stations at which the work of a phase may be answered. */
const stationsFor: Readonly<Record<BenchPhase, readonly Station[]>> = {
  teardown: ['teardown', 'clean', 'inspect'],
  rebuild: ['rebuild'],
  test: ['test'],
};

function answering(given: Given<ToolFacts>, command: AnswerAction): Answering {
  const { record, family } = given;
  const { phase, actionId } = command;
  const found = workAt(record, family, { phase, actionId });
  if (!found) return refuse('bad-input', reason('unknown-action', { action: actionId, phase }), 'actionId');
  requireStation(record, ...stationsFor[phase]);
  return { given, command, ...found, step: found.work.step, action: found.at.action };
}

/** What must come first, unless this is a correction of what stands here already. */
function checkOrder({ work, at, step, action }: Answering): void {
  if (at.answer || work.isDone) return;
  const [first] = work.waitsFor;
  if (first) {
    const titles = work.waitsFor.map((one) => one.title);
    const why = first.hold_point
      ? reason('hold-point-first', { step: step.title, first: first.title })
      : reason('step-comes-first', { step: step.title, first: titles });
    refuse('wrong-state', why, 'actionId');
  }
  if (at.waitsFor.length)
    refuse(
      'wrong-state',
      reason('action-comes-first', { action: actionTitle(action), first: at.waitsFor.map(actionTitle) }),
      'actionId',
    );
}

function checkCautions({ given: { record, who }, command, step, action }: Answering): void {
  const read = new Set([
    ...command.cautionsRead,
    ...record.answers.filter((one) => one.personId === who.personId).flatMap((one) => one.data.cautions ?? []),
  ]);
  if ([...step.cautions, ...action.cautions].some((caution) => !read.has(caution)))
    refuse('bad-input', reason('caution-unread'), 'cautionsRead');
}

function judge({ given, command, action }: Answering, asked: number | null): Judged & Pick<AnswerData, 'rows'> {
  const { record, family } = given;
  const form = action.answer;
  if (form?.kind === 'heat') return judgeHeat(form, command, given);
  if (form?.kind === 'record') return judgeRecord(form, command.rows ?? [], given, findSum);
  const against = againstFor({ record, family, phase: command.phase, action, asked });
  return judgeAnswer(form, command.typed, against);
}

function dataOf({ command, given }: Answering, asked: number | null): AnswerData {
  const { consumable, tool, passes, ambientC, cautionsRead } = command;
  const why = command.reason;
  return {
    ...(consumable && { consumable }),
    ...(tool && { tool }),
    ...(passes?.length && { passes }),
    ...(ambientC !== undefined && { ambientC }),
    ...(why && { reason: why }),
    ...(asked !== null && { asked }),
    ...(cautionsRead.length && given.who.personId !== null && { cautions: cautionsRead }),
  };
}

interface Answered {
  readonly judged: Judged;
  readonly data: AnswerData;
  readonly state: Answer['state'];
  readonly conceded: boolean;
}

/** A figure as a row keeps it, to a millionth: what a sum gives may have more digits than the tables. */
const keptFigure = (value: number) => Math.round(value * 1e6) / 1e6;

/** The row of an answer, and what follows from it: a finding, the step that is done with it. */
function putsOf(asked: Answering, { judged, data, state, conceded }: Answered): readonly Put[] {
  const { given, command, work, at } = asked;
  const { who } = given;
  const { phase, actionId, photoId, basedOn } = command;
  const { round } = work;
  const { typed, unit } = judged;
  const value = judged.value === null ? null : keptFigure(judged.value);
  const row: Answer = {
    ...{ phase, round, actionId, state, typed, value, unit, photoId, data, conceded },
    version: basedOn + 1,
    ...who,
  };
  const isComplete = work.actions.every((one) => one === at || one.answer);
  const closes = isComplete || work.isDone;
  const before = work.row;
  const voided = before?.second ? { voided: before.second.personName } : {};
  const closed = {
    ...{ phase, round, stepId: work.step.id, state: 'done' as const, second: null },
    data: { ...before?.data, ...voided },
    version: (before?.version ?? 0) + 1,
    ...who,
  };
  return [put('answer', row), ...benchFinding(asked, judged), ...(closes ? [put('step', closed)] : [])];
}

interface Faults {
  readonly judged: Judged;
  /** What speaks against the tool. */
  readonly tool: Reason | null;
}

/** An answer that is not right, or got by a tool that is not: kept as a finding, conceded by name, or refused. */
function settleWrong(
  { command, action }: Answering,
  { judged: { wrong }, tool }: Faults,
  isConceding: boolean,
): boolean {
  if (tool && !isConceding) refuse('bad-input', tool, 'tool');
  if (tool) return true;
  if (!wrong) {
    if (isConceding) refuse('bad-input', reason('concession-needless', { ask: actionTitle(action) }), 'typed');
    return false;
  }
  if (isConceding) return true;
  const form: AnswerForm | undefined = action.answer;
  const said = form && 'wrong' in form ? form.wrong : undefined;
  const isFinding = said === undefined ? command.phase === 'teardown' && form?.kind !== 'check' : said === 'finding';
  if (isFinding) return false;
  return refuse('bad-input', wrong, 'typed');
}

const notPossible: Judged = { typed: '', value: null, unit: '', refused: null, wrong: null };

/** Why it can no longer be taken, where the pump was begun elsewhere; empty where it can. */
function lostElsewhere({ given: { record }, command }: Answering): string {
  const begun = command.phase === 'teardown' ? sheetOf(record, 'begun')?.body : undefined;
  const lost = begun?.lost.find(({ actionId }) => actionId === command.actionId);
  return begun && lost ? `begun elsewhere by ${begun.by}; instead: ${lost.instead}` : '';
}

/** Whether a bearing that is to be heated is pressed on cold in this job. */
const isPressedCold = ({ given: { record }, action }: Answering) =>
  action.answer?.kind === 'heat' && schoolOf(record, 'bearing fitting') === 'cold';

function settleNotPossible(asked: Answering, isConceding: boolean): Answered {
  const { command } = asked;
  const known = lostElsewhere(asked) || (isPressedCold(asked) ? 'pressed on cold, on the fitting ring' : '');
  if (!command.reason && !known) refuse('bad-input', reason('why-not-possible'), 'reason');
  if (command.phase !== 'teardown' && !isConceding && !isPressedCold(asked))
    refuse('not-allowed', reason('conceded-here', { phase: command.phase }), 'notPossible');
  const data = { ...dataOf(asked, null), reason: command.reason || known };
  return { judged: notPossible, data, state: 'not possible', conceded: isConceding };
}

function settleAnswer(asked: Answering, isConceding: boolean): Answered {
  const { given, command, step, action } = asked;
  const form = action.answer;
  const figure = form?.kind === 'setting' ? askedFigure(form, given) : null;
  const judged = judge(asked, figure);
  if (judged.refused) refuse('bad-input', judged.refused, 'typed');
  if (form?.kind === 'photo') checkPhoto(form, command);
  if (form?.kind === 'measure') checkMeasured(form, given, command);
  if (form?.kind === 'torque') checkPasses(form, command);
  checkConsumable(action, step, asked);
  const tool = checkTool(action, { code: command.tool, judged }, given);
  const conceded = settleWrong(asked, { judged, tool }, isConceding);
  if (conceded && !command.reason) refuse('bad-input', reason('concession-reason'), 'reason');
  const data = { ...dataOf(asked, figure), ...(judged.rows && { rows: judged.rows }) };
  return { judged, data, state: 'done', conceded };
}

function answer(given: Given<ToolFacts>, command: AnswerAction, isConceding: boolean) {
  const asked = answering(given, command);
  const { at, work } = asked;
  if (command.phase === 'teardown' && isShutByResidue(given.record))
    refuse('wrong-state', reason('residue-shut', { tag: given.record.tag }));
  checkOrder(asked);
  const { piece } = asked.action;
  // A piece of a kit is looked at only when it has come.
  checkSupplements(asked.step, given);
  checkParts(asked.step, piece === undefined ? partsOfStep(asked.step, command.phase) : [piece], given);
  checkCautions(asked);
  checkOwnPicture(command, given.record);
  const settled = command.notPossible ? settleNotPossible(asked, isConceding) : settleAnswer(asked, isConceding);
  if ((at.stored?.version ?? 0) !== command.basedOn) refuseChanged(at.stored, { typed: command.typed });
  const { phase, actionId, typed } = command;
  return {
    puts: putsOf(asked, settled),
    note: { phase, actionId, step: work.step.id, ...(typed && { typed }), ...(settled.conceded && { conceded: true }) },
    result: { answerVersion: command.basedOn + 1 },
  };
}

type Result = { readonly answerVersion: number };

/** Answers one action of a step: refused where something comes first, or where it is not right and must not stand. */
export const answerAction: Decider<AnswerAction, Result, ToolFacts> = (given, command) => answer(given, command, false);

/** Lets an answer stand that is not right, or an action that is not possible at rebuild: by name, with a reason. */
export const concedeAnswer: Decider<AnswerAction, Result, ToolFacts> = (given, command) => answer(given, command, true);
