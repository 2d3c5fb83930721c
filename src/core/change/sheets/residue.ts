import { residueUnknowns } from '../../residue';
import type { Residue } from '../../record';
import { reason, refuse, refuseChanged, type Decider } from '../decision';
import type { AllowOpening, WriteResidue } from '../inputs';
import { fill, standingSheet } from './fill';

type Result = { readonly sheetVersion: number };

/** What of a residue an allowed opening rests on: where it changes, the opening must be allowed anew. */
const grounds = ({ description, result, methods }: Omit<Residue, 'sampling' | 'opening'>) =>
  JSON.stringify([description, result, methods]);

/** Writes down what is in a pump that nobody can name. What was allowed falls where its grounds change. */
export const writeResidue: Decider<WriteResidue, Result> = (given, { residue, basedOn }) => {
  const before = standingSheet(given.record, 'residue')?.body ?? null;
  const stands = before !== null && grounds(before) === grounds(residue);
  const fell = before?.opening && !stands ? before.opening.personName : null;
  const body = { ...residue, sampling: before?.sampling ?? null, opening: stands ? before.opening : null };
  return {
    puts: [fill(given, { kind: 'residue', basedOn, body })],
    note: { residue: residue.description, ...(fell && { openingFell: fell }) },
    result: { sheetVersion: basedOn + 1 },
  };
};

/** Allows one protected opening for a sample, or that the pump is opened: by name, with the protection. */
export const allowOpening: Decider<AllowOpening, Result> = (given, { what, protection, basedOn }) => {
  const { record, who } = given;
  const sheet = standingSheet(record, 'residue');
  if (!sheet) return refuse('wrong-state', reason('no-residue-sheet', { tag: record.tag }));
  if (sheet.version !== basedOn) refuseChanged(sheet.body, { what, protection });
  const unknowns = what === 'opening' ? residueUnknowns(sheet.body) : [];
  if (unknowns.length) refuse('gate-shut', reason('residue-not-known', { tag: record.tag, unknowns }));
  const body = { ...sheet.body, [what]: { ...who, protection } };
  return {
    puts: [fill(given, { kind: 'residue', basedOn, body })],
    note: { what, protection },
    result: { sheetVersion: basedOn + 1 },
  };
};
