import * as z from 'zod';
import { DomainError } from '@/core/errors';
import { decideTestRun } from '@/db';
import { changeJob, requireStation } from '../change-job';
import { defineUseCase, optionalText, tagField } from '../use-case';

const moveFor = { passed: 'pass-test', concession: 'pass-test', failed: 'fail-test' } as const;

/** The tester signs a run: passed, back to rebuild with the reason, or a concession with a name. */
export const decideRun = defineUseCase({
  verb: 'decide-run',
  audience: ['inspector'],
  input: z.strictObject({
    tag: tagField,
    run: z.number().int().min(1),
    decision: z.enum(['passed', 'failed', 'concession']),
    reason: optionalText(1000),
  }),
  async run(context, { tag, run, decision, reason }) {
    return changeJob(context, { tag, kind: 'decide-run' }, async ({ connection, record, who }) => {
      requireStation(record, 'test');
      const found = record.runs.at(-1);
      if (!found || found.run !== run || found.decision)
        throw new DomainError('wrong-state', { what: `Run ${run} is not waiting for a decision.` });
      if (decision === 'passed' && found.verdict === 'fail')
        throw new DomainError('bad-input', {
          what: `Run ${run} failed by the sum: send it back, or give a concession with its reason.`,
        });
      if (decision !== 'passed' && !reason)
        throw new DomainError('bad-input', {
          what: decision === 'failed' ? 'Say why it goes back to rebuild.' : 'A concession needs its reason.',
          issues: [{ path: 'reason', message: 'must not be empty' }],
        });
      await decideTestRun(connection, found.id, {
        decision,
        decisionReason: reason,
        decisionBy: who.personName,
        decisionAt: who.at,
      });
      return { result: {}, data: { run, decision, reason }, move: moveFor[decision] };
    });
  },
});
