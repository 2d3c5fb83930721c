import { findPart } from '../../family';
import { put } from '../change';
import { firstTwice, reason, refuse, refuseChanged, requireStation, type Decider } from '../decision';
import type { AccountParts } from '../inputs';

/** Says of parts whether they came off whole, broken, were missing or never fitted. */
export const accountParts: Decider<AccountParts, object> = ({ record, family, who }, { parts }) => {
  requireStation(record, 'teardown', 'clean', 'inspect');
  const twice = firstTwice(parts.map((part) => part.partRef));
  if (twice) refuse('bad-input', reason('part-twice', { part: twice }), 'parts');
  const stored = new Map(record.parts.map((part) => [part.ref, part]));
  const puts = parts.map(({ partRef, state, note, basedOn }) => {
    if (findPart(family, partRef)?.converted === 'comes' || !findPart(family, partRef))
      refuse('bad-input', reason('unknown-part', { part: partRef }), 'parts');
    const theirs = stored.get(partRef);
    if ((theirs?.version ?? 0) !== basedOn)
      refuseChanged(
        theirs,
        { partRef, state, note },
        theirs && reason('other-said', { person: theirs.personName, theirs: theirs.state }),
      );
    return put('part', { ref: partRef, state, note, version: basedOn + 1, ...who });
  });
  return { puts, note: { parts: parts.length }, result: {} };
};
