import { findPart } from '../../family';
import type { Look, Signed } from '../../record';
import { put, type Put } from '../change';
import { firstTwice, reason, refuse, refuseChanged, requireStation, type Decider } from '../decision';
import type { LookAtParts } from '../inputs';

/** Parts were looked at and nothing was seen on them; something seen is a finding, and says so by itself. */
export const lookAtParts: Decider<LookAtParts, object> = ({ record, family, who }, { parts }) => {
  requireStation(record, 'teardown', 'clean', 'inspect');
  const twice = firstTwice(parts.map((one) => one.partRef));
  if (twice) refuse('bad-input', reason('part-twice', { part: twice }), 'parts');
  const puts = parts.map(({ partRef, basedOn }) => {
    if (!findPart(family, partRef)) refuse('bad-input', reason('unknown-part', { part: partRef }), 'partRef');
    const theirs = record.looks.find((one) => one.ref === partRef);
    if ((theirs?.version ?? 0) !== basedOn) refuseChanged(theirs, { partRef });
    const name = findPart(family, partRef)?.name ?? partRef;
    const seen = record.findings.find((one) => one.partRef === partRef && one.kind === 'visual');
    if (seen) refuse('bad-input', reason('seen-already', { part: name, words: seen.words }), 'partRef');
    return put('look', { ref: partRef, seen: 'nothing', version: basedOn + 1, ...who });
  });
  return { puts, note: { parts: parts.length }, result: {} };
};

/** A part on which something was found was looked at. */
export function lookWithFinding(looks: readonly Look[], ref: string, who: Signed): readonly Put[] {
  const before = looks.find((one) => one.ref === ref);
  if (before?.seen === 'something') return [];
  return [put('look', { ref, seen: 'something', version: (before?.version ?? 0) + 1, ...who })];
}
