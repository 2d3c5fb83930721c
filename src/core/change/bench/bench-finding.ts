import { sayReason } from '../../errors';
import { benchVerdicts, roundBefore, type Judged } from '../../bench';
import type { Finding, FindingId, RowOf } from '../../record';
import { put, type Put } from '../change';
import type { Answering } from './answering';

/**
 * A finding by itself where an answer is not what it should be; where a corrected answer is, the finding says so.
 */
export function benchFinding({ given, command, step, action, work }: Answering, { wrong }: Judged): readonly Put[] {
  const { record, who, newId } = given;
  const phase = command.phase === 'teardown' ? ('as-found' as const) : ('as-left' as const);
  const { round } = work;
  const isSame = (one: Finding) => one.actionId === command.actionId && one.phase === phase;
  const before = record.findings.find((one) => isSame(one) && (one.round === round || one.round === roundBefore));
  if (!wrong && !before) return [];
  const partRef = action.lights[0] ?? step.parts[0] ?? '';
  const words = wrong ? sayReason(wrong) : (before?.words ?? '');
  const row: RowOf<'finding'> = {
    ...{ id: before?.id ?? newId<FindingId>(), kind: 'bench', phase, round, pointId: null, actionId: command.actionId },
    ...{ partRef, words, plain: before?.plain ?? words, photoId: command.photoId, proposed: benchVerdicts.differs },
    verdict: wrong ? benchVerdicts.differs : benchVerdicts.agrees,
    ...{ overruledReason: null, waivedReason: null, version: (before?.version ?? 0) + 1, ...who },
  };
  return [put('finding', row)];
}
