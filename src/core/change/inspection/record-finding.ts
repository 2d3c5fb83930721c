import { findPart } from '../../family';
import { rebuildRound, type FindingId, type RowOf } from '../../record';
import { put } from '../change';
import { reason, refuse, requireStation, type Decider } from '../decision';
import type { RecordFinding } from '../inputs';
import { lookWithFinding } from './look-at-parts';

/** A visual finding on a part, with its picture and plain words for the customer. */
export const recordFinding: Decider<RecordFinding, { readonly findingId: FindingId }> = (
  { record, family, who, newId },
  { partRef, words, plain, photoId },
) => {
  requireStation(record, 'teardown', 'clean', 'inspect', 'rebuild', 'test');
  const phase = record.station === 'rebuild' || record.station === 'test' ? 'as-left' : 'as-found';
  if (!findPart(family, partRef)) refuse('bad-input', reason('unknown-part', { part: partRef }), 'partRef');
  if (photoId && !record.photos.some((photo) => photo.id === photoId))
    refuse('wrong-job', reason('picture-of-another-job'), 'photoId');
  const known = family.damage.find((damage) => damage.part === partRef && damage.seen === words);
  const id = newId<FindingId>();
  const row: RowOf<'finding'> = {
    ...{
      id,
      kind: 'visual',
      phase,
      round: phase === 'as-found' ? 1 : rebuildRound(record),
      pointId: null,
      actionId: null,
      partRef,
      words,
      photoId,
      version: 1,
      ...who,
    },
    ...{ proposed: known?.usual ?? null, verdict: null, overruledReason: null, waivedReason: null },
    plain: plain || known?.plain || words,
  };
  const looked = phase === 'as-found' ? lookWithFinding(record.looks, partRef, who) : [];
  return { puts: [put('finding', row), ...looked], note: { partRef, words }, result: { findingId: id } };
};
