import type { Family } from '../../family';
import { isConstructionOpen } from '../../record';
import { put } from '../change';
import { reason, refuse, requireStation, type Decider } from '../decision';

interface Result {
  readonly familyVersion: string;
  readonly asksElastomer: boolean;
}

/**
 * The pump turns out to be built otherwise than it was received. Possible while nothing is recorded by the parts, steps
 * and points of the first choice; an elastomer that the new construction does not come with is asked for again.
 */
export const correctConstruction: Decider<unknown, Result, { readonly built: Family }> = ({ record, facts }) => {
  const { built } = facts;
  const { tag, intake } = record;
  requireStation(record, 'receive', 'teardown');
  if (!isConstructionOpen(record))
    refuse('wrong-state', reason('recorded-by-family', { tag, family: record.familyId, other: built.id }));
  if (built.id === record.familyId && built.version === record.familyVersion)
    refuse('bad-input', reason('built-so-already', { tag, family: built.id }), 'familyId');
  const asksElastomer = intake.elastomer !== '' && !built.elastomers.includes(intake.elastomer);
  return {
    puts: asksElastomer ? [put('intake', { ...intake, version: intake.version + 1, elastomer: '' })] : [],
    note: {
      from: `${record.familyId} ${record.familyVersion}`,
      to: `${built.id} ${built.version}`,
      ...(asksElastomer && { elastomerDropped: intake.elastomer }),
    },
    result: { familyVersion: built.version, asksElastomer },
    family: built,
  };
};
