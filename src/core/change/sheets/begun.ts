import { findPart } from '../../family';
import { workAt } from '../../bench';
import type { Begun, PartState } from '../../record';
import { put, type Put } from '../change';
import { firstTwice, reason, refuse, requireStation, type Decider, type Given } from '../decision';
import type { WriteBegun } from '../inputs';
import { fill } from './fill';

/** What is gone or broken is accounted for already: nobody says it a second time at teardown. */
function accounts({ record, who }: Given, { parts, by }: Begun): readonly Put[] {
  const states: Partial<Record<Begun['parts'][number]['state'], PartState>> = {
    missing: 'missing',
    'broken by them': 'broken',
  };
  return parts.flatMap(({ ref, state, note }) => {
    const said = states[state];
    const before = record.parts.find((part) => part.ref === ref);
    if (!said || before) return [];
    const words = [note, `began elsewhere, ${by}`].filter(Boolean).join('; ');
    return [put('part', { ref, state: said, note: words, version: 1, ...who })];
  });
}

function checkNames({ record, family }: Given, { parts, lost }: Begun): void {
  const twice = firstTwice(parts.map(({ ref }) => ref)) ?? firstTwice(lost.map(({ actionId }) => actionId));
  if (twice) refuse('bad-input', reason('part-twice', { part: twice }), 'begun.parts');
  const unknown = parts.find(({ ref }) => !findPart(family, ref));
  if (unknown) refuse('bad-input', reason('unknown-part', { part: unknown.ref }), 'begun.parts');
  const noAction = lost.find(({ actionId }) => !workAt(record, family, { phase: 'teardown', actionId }));
  if (noAction)
    refuse('bad-input', reason('unknown-action', { action: noAction.actionId, phase: 'teardown' }), 'begun.lost');
}

/**
 * Writes down that somebody else began to take the pump apart: who, how far, how each part came, and what can no longer
 * be taken.
 */
export const writeBegun: Decider<WriteBegun, { readonly sheetVersion: number }> = (given, { begun, basedOn }) => {
  requireStation(given.record, 'receive', 'teardown');
  if ((given.record.intake.arrival ?? 'complete') === 'complete')
    refuse('wrong-state', reason('came-complete', { tag: given.record.tag }));
  checkNames(given, begun);
  return {
    puts: [fill(given, { kind: 'begun', basedOn, body: begun }), ...accounts(given, begun)],
    note: { by: begun.by, done: begun.done, parts: begun.parts.length, lost: begun.lost.length },
    result: { sheetVersion: basedOn + 1 },
  };
};
