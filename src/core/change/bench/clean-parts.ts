import { findPart } from '../../family';
import { put } from '../change';
import { firstTwice, reason, refuse, requireStation, type Decider } from '../decision';
import type { CleanParts } from '../inputs';

/** Records how parts were cleaned, and that what must be masked was masked. */
export const cleanParts: Decider<CleanParts, object> = ({ record, family, who }, { parts }) => {
  requireStation(record, 'clean');
  const twice = firstTwice(parts.map((part) => part.partRef));
  if (twice) refuse('bad-input', reason('part-twice', { part: twice }), 'parts');
  const puts = parts.map(({ partRef, method, masked }) => {
    const part = findPart(family, partRef);
    if (!part) return refuse('bad-input', reason('unknown-part', { part: partRef }), 'parts');
    const { mask } = part.clean;
    if (mask && !masked) refuse('bad-input', reason('masking-unconfirmed', { part: part.name, mask }), 'parts');
    const before = record.steps.find((step) => step.phase === 'clean' && step.stepId === partRef);
    const version = (before?.version ?? 0) + 1;
    const data = { method, masked };
    return put('step', {
      phase: 'clean',
      round: 1,
      stepId: partRef,
      state: 'done',
      data,
      second: null,
      version,
      ...who,
    });
  });
  return { puts, note: { parts: parts.map((part) => part.partRef) }, result: {} };
};
