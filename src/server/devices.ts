import type { CommandOf } from '@/contract';
import type { test } from '@/core/change';
import { reason, refuse, requireStation } from '@/core/change/decision';
import { flowSharesOf } from '@/core/testing';
import { limitsOf } from '@/core/family';
import { placeKey } from '@/core/record';
import { findJob } from './find-job';
import type { Asking } from './change-job';
import { forVerb } from './use-case';

/** The efficiency that a stand expects of a pump whose plate says nothing, in percent. */
const usualEfficiencyPct = 68;

/** Runs the pump on the stand through the plan's points. */
export async function runOnStand({
  context,
  record,
  family,
  command,
}: Asking<CommandOf<'run-test'>>): Promise<Pick<test.RunFacts, 'run' | 'points'>> {
  requireStation(record, 'test');
  const { duty } = record.intake;
  if (!duty) return refuse('wrong-state', reason('no-duty'));
  const run = record.runs.length + 1;
  const { flowM3h, headM, speedRpm, efficiencyPct = usualEfficiencyPct } = duty;
  const plan = family.test;
  const points = await context.standIns.testStand.run({
    seed: `${record.tag}/${run}`,
    rated: { flowM3h, headM, speedRpm, efficiencyPct },
    pipeMm: plan.pipe_mm,
    flowShares: flowSharesOf(plan),
    ...(plan.kind === 'slip' &&
      plan.displacement_cm3 !== undefined && {
        slip: { displacementCm3: plan.displacement_cm3, pressureShares: plan.pressure_shares },
      }),
    condition: command.condition,
  });
  return { run, points };
}

/** What the gauge types when its button is pressed; nothing is stored until the entry is kept. */
export const readGauge = forVerb('read-gauge', async (context, { tag, phase, pointId, place }) => {
  const { family } = await findJob(context.database, tag);
  const point = family.points.find((one) => one.id === pointId);
  if (!point || point.derived || !point.places.some((one) => placeKey(one) === place))
    return refuse('bad-input', reason('unknown-place', { point: point?.title ?? pointId, place }), 'pointId');
  const { unit, decimals, asNew, reuse } = limitsOf(point);
  return context.standIns.gauge.takeReading({
    ...{ job: tag, phase, point: pointId, place, digits: decimals, unit, asNew, reuse },
  });
});
