import type { Family, Step } from '../family';
import { rebuildRound, type BenchPhase, type Finding, type JobRecord, type Phase, type Reading } from '../record';
import { remembered } from '../remembered';

type Rebuilt = Pick<Family, 'rebuild' | 'points'>;

/** Steps that come right before one: those that it names, else the one before it in the list. */
export function stepsBefore(steps: readonly Step[], step: Step): readonly string[] {
  const at = steps.indexOf(step);
  return step.after ?? steps.slice(Math.max(0, at - 1), at).map(({ id }) => id);
}

/**
 * The steps of rebuild that are opened when one is: it, and all that were done over it.
 * @param stepId null, or a step that the family no longer has, for all of them
 */
export function openedFrom({ rebuild }: Pick<Family, 'rebuild'>, stepId: string | null): ReadonlySet<string> {
  if (!rebuild.some(({ id }) => id === stepId)) return new Set(rebuild.map(({ id }) => id));
  const opened = new Set(stepId === null ? [] : [stepId]);
  for (let known = 0; known !== opened.size;) {
    known = opened.size;
    for (const step of rebuild) if (stepsBefore(rebuild, step).some((id) => opened.has(id))) opened.add(step.id);
  }
  return opened;
}

/**
 * The round to which the work of each step of rebuild counts: that in which it was opened last. What a failed run left
 * closed stays as it was done.
 */
const rebuildRounds = remembered((rebuild: Family['rebuild'], runs: JobRecord['runs']): ReadonlyMap<string, number> => {
  const rounds = new Map(rebuild.map(({ id }) => [id, 1]));
  const sentBack = runs.filter((run) => run.decision === 'failed');
  sentBack.forEach(({ reopenFrom = null }, i) => {
    for (const id of openedFrom({ rebuild }, reopenFrom)) rounds.set(id, i + 2);
  });
  return rounds;
});

/** The round to which the work of a step counts. Teardown is done once; the checks of the stand with every try. */
export function roundOfStep(
  record: Pick<JobRecord, 'runs'>,
  family: Pick<Family, 'rebuild'>,
  phase: BenchPhase,
): (stepId: string) => number {
  if (phase === 'teardown') return () => 1;
  const latest = rebuildRound(record);
  if (phase === 'test') return () => latest;
  const rounds = rebuildRounds(family.rebuild, record.runs);
  return (stepId) => rounds.get(stepId) ?? latest;
}

/** Of each point the steps at which it is measured as left: those that ask for it, else those that fit its parts. */
const stepsByPoint = remembered(
  (rebuild: Family['rebuild'], points: Family['points']): ReadonlyMap<string, readonly Step[]> =>
    new Map(
      points.map(({ id, part, mates }) => {
        const asking = rebuild.filter(({ actions }) =>
          actions.some(({ answer }) => answer?.kind === 'measure' && answer.points.includes(id)),
        );
        const fitting = () => rebuild.filter(({ parts }) => parts.some((ref) => ref === part || ref === mates));
        return [id, asking.length ? asking : fitting()];
      }),
    ),
);

/** The round to which readings of a point count: as found once; as left, that of the steps that measure it. */
export function roundOfPoint(
  record: Pick<JobRecord, 'runs'>,
  family: Rebuilt,
  phase: Phase,
): (pointId: string) => number {
  if (phase === 'as-found') return () => 1;
  const rounds = rebuildRounds(family.rebuild, record.runs);
  const steps = stepsByPoint(family.rebuild, family.points);
  return (pointId) => {
    const own = (steps.get(pointId) ?? []).map(({ id }) => rounds.get(id) ?? 1);
    return own.length ? Math.max(...own) : rebuildRound(record);
  };
}

/** The round of a reading or finding from before they had one: it stands until another takes its place. */
export const roundBefore = 0;

function standsIn(record: Pick<JobRecord, 'runs'>, family: Rebuilt) {
  const left = roundOfPoint(record, family, 'as-left');
  return ({ phase, round, pointId }: Pick<Reading, 'phase' | 'round'> & { readonly pointId: string | null }) =>
    phase === 'as-found' || pointId === null || round === roundBefore || round === left(pointId);
}

/** The readings that stand: as found, and as left those of the round to which each point counts. One a place. */
export function standingReadings(
  { readings, runs }: Pick<JobRecord, 'runs' | 'readings'>,
  { rebuild, points }: Rebuilt,
): readonly Reading[] {
  return latestReadings(readings, runs, rebuild, points);
}

const latestReadings = remembered(
  (
    readings: readonly Reading[],
    runs: JobRecord['runs'],
    rebuild: Family['rebuild'],
    points: Family['points'],
  ): readonly Reading[] => {
    const stands = standsIn({ runs }, { rebuild, points });
    const latest = new Map<string, Reading>();
    for (const reading of readings.filter(stands)) {
      const key = `${reading.phase} ${reading.pointId} ${reading.place}`;
      if (reading.round >= (latest.get(key)?.round ?? 0)) latest.set(key, reading);
    }
    return [...latest.values()];
  },
);

/** The finding that stands at a point: its verdict overruled, or its measuring waived, in the round that counts. */
export function findingAt(
  record: Pick<JobRecord, 'runs' | 'findings'>,
  family: Rebuilt,
  { pointId, phase }: { readonly pointId: string; readonly phase: Phase },
): Finding | undefined {
  const stands = standsIn(record, family);
  return record.findings
    .filter((one) => one.pointId === pointId && one.phase === phase && stands(one))
    .reduce<Finding | undefined>((last, one) => (last && last.round >= one.round ? last : one), undefined);
}
