import { nextAction, workAt, workOf } from '@/core/bench';
import { bench } from '@/core/change';
import { sayReason, type DomainError } from '@/core/errors';
import { present } from '@/core/present';
import type { BenchPhase, Tool } from '@/core/record';
import { noPin, signerOf, toolFacts, type CoreJob, type Person } from './core-job';

const wordsOf = ({ code, details }: DomainError) => (details.reason ? sayReason(details.reason) : code);

interface Answered {
  readonly phase: BenchPhase;
  readonly actionId: string;
  readonly typed: string;
  readonly more?: object;
  readonly tools?: readonly Tool[];
}

/** What Odile is told who answers an action so; null where it is taken, and then it stands. */
export function sayAnswer(job: CoreJob, { phase, actionId, typed, more = {}, tools }: Answered): string | null {
  const { work, at } = present(workAt(job.record, job.family, { phase, actionId }));
  const facts = tools ? { ...toolFacts, tools } : toolFacts;
  const decided = job.decide('Odile', ['answer-action', bench.answerAction], facts, {
    ...{ tag: job.record.tag, phase, actionId, typed, photoId: null, consumable: '', tool: '', reason: '' },
    ...{ notPossible: false, basedOn: at.stored?.version ?? 0 },
    cautionsRead: [...work.step.cautions, ...at.action.cautions],
    ...more,
  });
  if (!decided.ok) return wordsOf(decided.refusal);
  job.take(decided.decision);
  return null;
}

/** The same, in the order in which a test says it. */
export const said = (job: CoreJob, phase: BenchPhase, actionId: string, typed: string, more: object = {}) =>
  sayAnswer(job, { phase, actionId, typed, more });

/** Why a signature at a hold point is refused, as a code; null where it is taken. */
export function signAs(job: CoreJob, stepId: string, who: Person): string | null {
  const row = present(job.record.steps.findLast((one) => one.stepId === stepId));
  const decided = job.decide('Odile', ['sign-hold-point', bench.signHoldPoint], signerOf(who), {
    ...{ tag: job.record.tag, stepId, basedOn: row.version, signer: noPin },
  });
  if (!decided.ok) return decided.refusal.details.reason?.code ?? decided.refusal.code;
  job.take(decided.decision);
  return null;
}

/** Works on, rightly, until an action is next; hold points are signed by Marek. Throws where it is never next. */
export function workUntil(job: CoreJob, phase: BenchPhase, actionId: string): void {
  for (;;) {
    const work = workOf(job.record, job.family, phase);
    const next = nextAction(work);
    if (next?.action.action.id === actionId) return;
    if (next) job.answer(phase, next.step.step, next.action.action);
    else if (signAs(job, present(work.find((one) => one.isHeld)).step.id, 'Marek'))
      throw new RangeError(`${actionId} is never next`);
  }
}
