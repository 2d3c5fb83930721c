import { toolFault } from '../../bench';
import type { Family } from '../../family';
import { dayInZone } from '../../lifecycle/answer-line';
import { judgeRun } from '../../testing';
import type { RunDecision, RunVerdict, StandReading, TestRun, Tool } from '../../record';
import { put } from '../change';
import { reason, refuse, refuseChanged, requireStation, type Decider } from '../decision';
import type { DecideRun, RunTest } from '../inputs';

/** What the stand read, and for which run it was asked. */
export interface RunFacts {
  readonly runId: string;
  readonly run: number;
  readonly points: readonly StandReading[];
  /** The stand itself, where the shop has it among its tools, and the zone in which it is due. */
  readonly stand: Tool | null;
  readonly zone: string;
}
interface Result {
  readonly run: number;
  readonly verdict: RunVerdict;
  readonly reason: string;
}

/** What a run is judged by, as it is kept: a grade of ISO 9906, slip, or none where there is no curve. */
const gradeOf = ({ kind, grade }: Family['test']): string =>
  kind === 'curve' ? grade : kind === 'slip' ? 'slip' : 'none';

/** Judges what the stand read against the duty and keeps it as a run. */
export const runTest: Decider<RunTest, Result, RunFacts> = ({ record, family, who, facts }) => {
  requireStation(record, 'test');
  const { duty, viscosityMm2S } = record.intake;
  if (!duty) return refuse('wrong-state', reason('no-duty'));
  const guarantee = { ...duty, ...(viscosityMm2S && { viscosityMm2S }) };
  const { runId, run, points, stand, zone } = facts;
  const fault = stand && toolFault(stand, { value: null, unit: '', day: dayInZone(who.at, zone) });
  if (fault) refuse('wrong-state', fault);
  if (run !== record.runs.length + 1) refuseChanged(record.runs.at(-1), { run });
  const { verdict, reason: why } = judgeRun({ family, guarantee, readings: points });
  const row: TestRun = {
    ...{ id: runId, run, guarantee, verdict, points, ...who },
    ...{ decision: null, decisionReason: null, decisionBy: null, decisionAt: null },
    grade: gradeOf(family.test),
  };
  return { puts: [put('run', row)], note: { run, verdict, reason: why }, result: { run, verdict, reason: why } };
};

const moveFor = {
  passed: 'pass-test',
  concession: 'pass-test',
  failed: 'fail-test',
} as const satisfies Record<RunDecision, string>;

/** The tester signs a run: passed, back to rebuild with the reason, or a concession with a name. */
export const decideRun: Decider<DecideRun, object> = ({ record, family, who }, command) => {
  requireStation(record, 'test');
  const { run, decision, reopenFrom } = command;
  const found = record.runs.at(-1);
  if (!found || found.run !== run || found.decision) return refuse('wrong-state', reason('run-not-open', { run }));
  if (decision === 'passed' && found.verdict === 'fail')
    refuse('bad-input', reason('run-failed-by-sum', { run }), 'decision');
  if (decision !== 'passed' && !command.reason)
    refuse('bad-input', reason(decision === 'failed' ? 'say-why-back' : 'concession-reason'), 'reason');
  const opens = decision === 'failed' ? reopenFrom : null;
  if (opens !== null && !family.rebuild.some(({ id }) => id === opens))
    refuse('bad-input', reason('unknown-step', { step: opens, phase: 'rebuild' }), 'reopenFrom');
  const decided = {
    decision,
    reopenFrom: opens,
    decisionReason: command.reason,
    decisionBy: who.personName,
    decisionAt: who.at,
  };
  return {
    puts: [put('run', { ...found, ...decided })],
    note: { run, decision, reason: command.reason, ...(opens !== null && { reopenFrom: opens }) },
    result: {},
    move: moveFor[decision],
  };
};
