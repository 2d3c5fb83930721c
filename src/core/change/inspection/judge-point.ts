import { put } from '../change';
import { reason, refuseChanged, requireStation, type Decider } from '../decision';
import type { JudgePoint } from '../inputs';
import { findingOfPoint } from './point-finding';

/** A named person overrules the proposed verdict of a point, or waives its measuring; either asks for a reason. */
export const judgePoint: Decider<JudgePoint, { readonly findingVersion: number }> = (given, command) => {
  const { record, who } = given;
  const { pointId, decision, basedOn } = command;
  requireStation(record, 'inspect', 'quote', 'rebuild');
  const { disposition: _disposition, ...finding } = findingOfPoint(
    given,
    pointId,
    record.station === 'rebuild' ? 'as-left' : 'as-found',
  );
  if (finding.version !== basedOn)
    refuseChanged(
      finding,
      { decision, reason: command.reason },
      reason('other-said', { person: finding.personName, theirs: finding.verdict ?? 'not measured' }),
    );
  const judged =
    decision === 'waive' ? { waivedReason: command.reason } : { verdict: decision, overruledReason: command.reason };
  const version = finding.version + 1;
  return {
    puts: [put('finding', { ...finding, ...judged, ...who, version })],
    note: { pointId, decision, proposed: finding.proposed, reason: command.reason },
    result: { findingVersion: version },
    kind: decision === 'waive' ? 'waive-point' : 'overrule-verdict',
  };
};
