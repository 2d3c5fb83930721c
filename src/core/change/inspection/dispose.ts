import type { FindingId } from '../../record';
import { put } from '../change';
import { reason, refuse, refuseChanged, requireStation, type Decider } from '../decision';
import type { Dispose } from '../inputs';
import { findingOfPoint } from './point-finding';

interface Result {
  readonly findingId: FindingId;
  readonly dispositionVersion: number;
}

/** Says what is done about a finding, and why. A point without a finding yet gets one from its verdict. */
export const dispose: Decider<Dispose, Result> = (given, command) => {
  const { record, who } = given;
  const { target, action, basedOn } = command;
  requireStation(record, 'inspect', 'quote');
  const found =
    'pointId' in target
      ? findingOfPoint(given, target.pointId)
      : record.findings.find((one) => one.id === target.findingId);
  if (!found) return refuse('not-found', reason('unknown-finding'));
  const { disposition: theirs, ...finding } = found;
  if ((theirs?.version ?? 0) !== basedOn)
    refuseChanged(
      theirs,
      { action, reason: command.reason },
      theirs ? reason('other-said', { person: theirs.personName, theirs: theirs.action }) : undefined,
    );
  const version = basedOn + 1;
  const row = { findingId: finding.id, action, reason: command.reason, version, ...who };
  const isNew = finding.version === 0;
  return {
    puts: [...(isNew ? [put('finding', { ...finding, version: 1 })] : []), put('disposition', row)],
    note: { findingId: finding.id, pointId: finding.pointId, action, reason: command.reason },
    result: { findingId: finding.id, dispositionVersion: version },
  };
};
