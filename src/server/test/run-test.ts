import * as z from 'zod';
import { DomainError } from '@/core/errors';
import { judgeRun } from '@/core/testing';
import { addTestRun } from '@/db';
import { pumpConditions } from '@/stand-ins';
import { changeJob, requireStation } from '../change-job';
import { defineUseCase, tagField } from '../use-case';

/** Runs the pump on the stand through the plan's points and judges the curve; the stand-in is told which pump to pretend. */
export const runTest = defineUseCase({
  verb: 'run-test',
  audience: ['inspector', 'technician'],
  input: z.strictObject({ tag: tagField, condition: z.enum(pumpConditions) }),
  async run(context, { tag, condition }) {
    return changeJob(context, { tag, kind: 'run-test' }, async ({ connection, record, family, who }) => {
      requireStation(record, 'test');
      const guarantee = record.intake.duty;
      if (!guarantee)
        throw new DomainError('wrong-state', {
          what: 'The duty (flow, head, speed) is not written down at receiving; the stand has nothing to test against.',
        });
      const run = record.runs.length + 1;
      const points = await context.standIns.testStand.run({
        seed: `${tag}/${run}`,
        rated: {
          flowM3h: guarantee.flowM3h,
          headM: guarantee.headM,
          speedRpm: guarantee.speedRpm,
          efficiencyPct: guarantee.efficiencyPct ?? 68,
        },
        pipeMm: family.test.pipe_mm,
        flowShares: family.test.flow_shares,
        ...(family.test.kind === 'slip' && {
          slip: { displacementCm3: family.test.displacement_cm3!, pressureShares: family.test.pressure_shares },
        }),
        condition,
      });
      const judged = judgeRun({ family, guarantee, readings: points });
      const outcome = {
        reason: judged.reason,
        ...(judged.acceptance && {
          band: judged.acceptance.band,
          deviations: { head: judged.acceptance.head_deviation_pct, flow: judged.acceptance.flow_deviation_pct },
        }),
        ...(judged.slip && { slip: judged.slip }),
      };
      await addTestRun(
        connection,
        {
          id: context.newId(),
          jobId: record.id,
          run,
          guarantee,
          grade: family.test.kind === 'slip' ? 'slip' : family.test.grade,
          verdict: judged.verdict,
          outcome,
          ...who,
        },
        points.map((raw) => ({ id: context.newId(), raw })),
      );
      return {
        result: { run, verdict: judged.verdict, reason: judged.reason },
        data: { run, verdict: judged.verdict, reason: judged.reason, points },
      };
    });
  },
});
