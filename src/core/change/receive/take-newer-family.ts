import type { Family } from '../../family';
import { isConstructionOpen } from '../../record';
import { reason, refuse, requireStation, type Decider } from '../decision';

const baseOf = (version: string) => version.split('+')[0] ?? version;

/** A newer version is offered, never forced: a person takes it, and only while nothing was recorded by the old one. */
export const takeNewerFamily: Decider<
  unknown,
  { readonly familyVersion: string },
  { readonly newer: Family | null }
> = ({ record, facts }) => {
  const { tag, familyId, familyVersion } = record;
  const version = baseOf(familyVersion);
  requireStation(record, 'receive', 'teardown');
  if (!isConstructionOpen(record)) refuse('wrong-state', reason('keeps-version', { tag, version }));
  const { newer } = facts;
  if (!newer) return refuse('wrong-state', reason('no-newer-version', { family: familyId, version }));
  return {
    puts: [],
    note: { from: familyVersion, to: newer.version },
    result: { familyVersion: newer.version },
    family: newer,
  };
};
