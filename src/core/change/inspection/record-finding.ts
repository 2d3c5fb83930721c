import { findPart } from '../../family';
import { rebuildRound, type FindingId, type Phase, type RowOf } from '../../record';
import { put, type Put } from '../change';
import { reason, refuse, requireStation, type Decider, type Given } from '../decision';
import type { RecordFinding } from '../inputs';
import { lookWithFinding } from './look-at-parts';

/** What somebody saw on a part: the pump as it came, or as it leaves. */
interface SeenOnPart extends Pick<RecordFinding, 'partRef' | 'words' | 'plain' | 'photoId'> {
  readonly phase: Phase;
}

/**
 * The rows of what was seen on a part: its finding, and the look that goes with it.
 * @throws DomainError for a part that the family does not have, and a picture of another job
 */
export function seenRows(
  { record, family, who }: Given,
  id: FindingId,
  { partRef, words, plain, photoId, phase }: SeenOnPart,
): readonly Put[] {
  if (!findPart(family, partRef)) refuse('bad-input', reason('unknown-part', { part: partRef }), 'partRef');
  if (photoId && !record.photos.some((photo) => photo.id === photoId))
    refuse('wrong-job', reason('picture-of-another-job'), 'photoId');
  const known = family.damage.find((damage) => damage.part === partRef && damage.seen === words);
  const row: RowOf<'finding'> = {
    ...{ id, kind: 'visual', phase, round: phase === 'as-found' ? 1 : rebuildRound(record) },
    ...{ pointId: null, actionId: null, partRef, words, photoId, version: 1, ...who },
    ...{ proposed: known?.usual ?? null, verdict: null, overruledReason: null, waivedReason: null },
    plain: plain || known?.plain || words,
  };
  const looked = phase === 'as-found' ? lookWithFinding(record.looks, partRef, who) : [];
  return [put('finding', row), ...looked];
}

/** A visual finding on a part, with its picture and plain words for the customer. */
export const recordFinding: Decider<RecordFinding, { readonly findingId: FindingId }> = (given, command) => {
  const { record, newId } = given;
  requireStation(record, 'teardown', 'clean', 'inspect', 'rebuild', 'test');
  const phase = record.station === 'rebuild' || record.station === 'test' ? 'as-left' : 'as-found';
  const { partRef, words } = command;
  const id = newId<FindingId>();
  return { puts: seenRows(given, id, { ...command, phase }), note: { partRef, words }, result: { findingId: id } };
};
