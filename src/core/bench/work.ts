import type { Family, Step, StepAction } from '../family';
import type { Answer, BenchPhase, JobRecord, StepDone } from '../record';
import { remembered } from '../remembered';
import { roundOfStep, stepsBefore } from './rounds';

type Recorded = Pick<JobRecord, 'answers' | 'steps' | 'runs'>;

/** The steps of a phase, as a built family has them. */
export function stepsOf(family: Pick<Family, 'teardown' | 'rebuild' | 'test'>, phase: BenchPhase): readonly Step[] {
  return phase === 'test' ? family.test.steps : family[phase];
}

/** Where an action stands in the list of its step. */
export interface ActionWork {
  readonly action: StepAction;
  /** What was answered in this round; null where nothing was, or it was taken back. */
  readonly answer: Answer | null;
  /** What stood here and was taken back; its version is what a new answer goes on from. */
  readonly stored: Answer | null;
  /** Actions of the step that come first and are not answered. */
  readonly waitsFor: readonly StepAction[];
}

export interface StepWork {
  readonly step: Step;
  readonly actions: readonly ActionWork[];
  /** The round to which its work counts: that in which it was opened last. */
  readonly round: number;
  /** The row of the step in this round; null as long as nothing of it was closed. */
  readonly row: StepDone | null;
  readonly isDone: boolean;
  /** A hold point that is done and not signed. */
  readonly isHeld: boolean;
  /** Steps that come first and are not done, or not signed, unless a deviation was allowed. */
  readonly waitsFor: readonly Step[];
  /** Why it may be done out of order, and who allowed it. */
  readonly deviation: { readonly reason: string; readonly by: string } | null;
}

function deviationOf(row: StepDone | null): StepWork['deviation'] {
  const { deviation, deviationBy } = row?.data ?? {};
  return typeof deviation === 'string' ? { reason: deviation, by: String(deviationBy ?? '') } : null;
}

function actionsOf(step: Step, answers: ReadonlyMap<string, Answer>): readonly ActionWork[] {
  const isAnswered = (id: string) => (answers.get(id)?.state ?? 'undone') !== 'undone';
  return step.actions.map((action, i) => {
    const first = action.after ?? step.actions.slice(Math.max(0, i - 1), i).map((one) => one.id);
    const stored = answers.get(action.id) ?? null;
    return {
      action,
      stored,
      answer: stored && stored.state !== 'undone' ? stored : null,
      waitsFor: step.actions.filter((one) => first.includes(one.id) && !isAnswered(one.id)),
    };
  });
}

type Constructed = Pick<Family, 'teardown' | 'rebuild' | 'test'>;

function reckonWork(record: Recorded, family: Constructed, phase: BenchPhase): readonly StepWork[] {
  const steps = stepsOf(family, phase);
  const roundOf = roundOfStep(record, family, phase);
  const stepOf = new Map(steps.flatMap((step) => step.actions.map((action) => [action.id, step.id] as const)));
  const ofPhase = <Row extends { readonly phase: string }>(rows: readonly Row[]) =>
    rows.filter((row) => row.phase === phase);
  const rows = new Map(
    ofPhase(record.steps)
      .filter((row) => row.round === roundOf(row.stepId))
      .map((row) => [row.stepId, row]),
  );
  const answers = new Map(
    ofPhase(record.answers)
      .filter((row) => row.round === roundOf(stepOf.get(row.actionId) ?? ''))
      .map((row) => [row.actionId, row]),
  );
  const isClosed = ({ id, hold_point }: Step) => {
    const row = rows.get(id);
    return row?.state === 'done' && (!hold_point || row.second !== null);
  };
  return steps.map((step) => {
    const row = rows.get(step.id) ?? null;
    const first = stepsBefore(steps, step);
    const deviation = deviationOf(row);
    const isDone = row?.state === 'done';
    return {
      step,
      round: roundOf(step.id),
      row,
      isDone,
      isHeld: isDone && step.hold_point && row.second === null,
      actions: actionsOf(step, answers),
      waitsFor: deviation ? [] : steps.filter((one) => first.includes(one.id) && !isClosed(one)),
      deviation,
    };
  });
}

const reckoned = remembered(
  (
    answers: Recorded['answers'],
    steps: Recorded['steps'],
    runs: Recorded['runs'],
    family: Constructed,
    phase: BenchPhase,
  ) => reckonWork({ answers, steps, runs }, family, phase),
);

/**
 * All work of a phase in this round: every step with its actions, what is done, held, and what waits for what. A step
 * follows the one before it unless the file says after which it comes; what closes over a hold point waits for its
 * signature. Reckoned once for a record: gate, next move and remaining work all ask for it.
 */
export function workOf(
  { answers, steps, runs }: Recorded,
  family: Constructed,
  phase: BenchPhase,
): readonly StepWork[] {
  return reckoned(answers, steps, runs, family, phase);
}

/** Steps of the rebuild that are closed and stand, by their ids. */
export function closedSteps(record: Recorded, family: Constructed): ReadonlySet<string> {
  return new Set(workOf(record, family, 'rebuild').flatMap(({ step, isDone }) => (isDone ? [step.id] : [])));
}

/** Where an action of a phase stands, with its step; null where the family has none of that id. */
export function workAt(
  record: Recorded,
  family: Pick<Family, 'teardown' | 'rebuild' | 'test'>,
  { phase, actionId }: { readonly phase: BenchPhase; readonly actionId: string },
): { readonly work: StepWork; readonly at: ActionWork } | null {
  for (const work of workOf(record, family, phase)) {
    const at = work.actions.find(({ action }) => action.id === actionId);
    if (at) return { work, at };
  }
  return null;
}

/** The action that comes next: the first that is neither answered nor waiting; null when all is done or held. */
export function nextAction(work: readonly StepWork[]): { readonly step: StepWork; readonly action: ActionWork } | null {
  for (const step of work) {
    if (step.isDone || step.waitsFor.length) continue;
    const action = step.actions.find((one) => !one.answer && !one.waitsFor.length);
    if (action) return { step, action };
  }
  return null;
}

/** The answer given last in a phase; only that one is taken back without a reason. Null where none stands. */
export function lastAnswer(work: readonly StepWork[]): Answer | null {
  return work
    .flatMap((step) => step.actions.flatMap(({ answer }) => answer ?? []))
    .reduce<Answer | null>((last, one) => (!last || one.at >= last.at ? one : last), null);
}

/** Who did something of a step in its round: closed it, or answered one of its actions; each once. */
export function workersOf({ actions, row }: StepWork): readonly Pick<Answer, 'personId' | 'personName'>[] {
  const own = [...actions.flatMap(({ stored }) => stored ?? []), ...(row ? [row] : [])];
  return [...new Map(own.map((one) => [one.personId ?? one.personName, one])).values()];
}

/** An action of a phase and the step that it is of; null where the family has none of that id. */
export function findAction(
  family: Pick<Family, 'teardown' | 'rebuild' | 'test'>,
  phase: BenchPhase,
  actionId: string,
): { readonly step: Step; readonly action: StepAction } | null {
  for (const step of stepsOf(family, phase)) {
    const action = step.actions.find((one) => one.id === actionId);
    if (action) return { step, action };
  }
  return null;
}

/** The answer at an action in its latest round, not taken back; null where there is none. */
export function latestAnswer(record: Pick<JobRecord, 'answers'>, phase: BenchPhase, actionId: string): Answer | null {
  const own = record.answers.filter(
    (one) => one.phase === phase && one.actionId === actionId && one.state !== 'undone',
  );
  return own.reduce<Answer | null>((last, one) => (!last || one.round > last.round ? one : last), null);
}
