import { DomainError } from '@/core/errors';
import { judgePoint, plainSentence } from '@/core/inspection';
import type { Finding, Phase } from '@/core/record';
import { addFinding } from '@/db';
import type { JobChange } from '../change-job';

/** The finding of a point, made from its verdict as it stands when there is none yet. */
export async function ensurePointFinding(
  { connection, record, family, who }: JobChange,
  pointId: string,
  newId: () => string,
  phase: Phase = 'as-found',
): Promise<Finding> {
  const existing = record.findings.find((finding) => finding.pointId === pointId && finding.phase === phase);
  if (existing) return existing;
  const point = family.points.find((one) => one.id === pointId);
  if (!point) throw new DomainError('bad-input', { what: `${pointId} is not a point of this family.` });
  const state = judgePoint(point, { readings: record.readings, phase });
  const finding: Finding = {
    id: newId(),
    kind: 'point',
    phase,
    pointId,
    partRef: point.part,
    words: `${phase === 'as-left' ? 'As left, ' : ''}${point.title}: ${state.verdict ? `${state.words}. ${state.reason}` : 'not measured'}`,
    plain: plainSentence(state),
    proposed: state.verdict,
    verdict: state.verdict,
    overruledReason: null,
    waivedReason: null,
    photoId: null,
    version: 1,
    disposition: null,
    personName: who.personName,
    at: who.at.toISOString(),
  };
  const { disposition: _disposition, at: _at, ...row } = finding;
  await addFinding(connection, { ...row, jobId: record.id, personId: who.personId, at: who.at });
  return finding;
}
