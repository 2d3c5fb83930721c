import { runFault } from '../../cleaning';
import { findPart } from '../../family';
import { sheetsOf, type FindingId } from '../../record';
import { put } from '../change';
import { firstTwice, reason, refuse, requireStation, type Decider } from '../decision';
import { seenRows } from '../inspection/record-finding';
import { fill } from '../sheets/fill';
import type { CleanParts } from '../inputs';

/**
 * Records one run of cleaning: its method with what it asks, what was masked, the look at each part afterwards. What
 * was seen then is a finding at once.
 */
export const cleanParts: Decider<CleanParts, { readonly run: number }> = (given, { run, damage }) => {
  const { record, family, who, newId } = given;
  requireStation(record, 'clean');
  const twice = firstTwice(run.parts);
  if (twice) refuse('bad-input', reason('part-twice', { part: twice }), 'run.parts');
  const parts = run.parts.map(
    (ref) => findPart(family, ref) ?? refuse('bad-input', reason('unknown-part', { part: ref }), 'run.parts'),
  );
  const fault = runFault(run, { record, parts });
  if (fault) refuse('bad-input', fault, 'run');
  const unsaid = parts.find(({ ref }) => run.seen[ref] === 'something' && !damage[ref]);
  if (unsaid) refuse('bad-input', reason('damage-unsaid', { part: unsaid.name }), 'damage');
  const number = sheetsOf(record, 'cleaning').length + 1;
  const steps = run.parts.map((stepId) => {
    const before = record.steps.find((step) => step.phase === 'clean' && step.stepId === stepId);
    const version = (before?.version ?? 0) + 1;
    const data = { method: run.method, run: number };
    const row = { phase: 'clean', round: 1, stepId, state: 'done', data, second: null, version, ...who } as const;
    return put('step', row);
  });
  const found = parts
    .filter(({ ref }) => run.seen[ref] === 'something')
    .flatMap(({ ref }) => {
      const seen = { partRef: ref, words: damage[ref] ?? '', plain: '', photoId: null, phase: 'as-found' } as const;
      return seenRows(given, newId<FindingId>(), seen);
    });
  return {
    puts: [fill(given, { kind: 'cleaning', key: String(number), basedOn: 0, body: run }), ...steps, ...found],
    note: { method: run.method, parts: run.parts },
    result: { run: number },
  };
};
