import { cleaningRuns, sayRun } from '../cleaning';
import { stepsOf } from '../bench';
import { actionTitle, type Family } from '../family';
import { residueOf } from '../residue';
import { sheetOf, type JobRecord } from '../record';
import { warrantyOf } from '../warranty';
import type { AsBuilt } from './as-built';

type Sheets = Pick<AsBuilt, 'begun_elsewhere' | 'residue' | 'warranty_return' | 'cleaning'>;

function begunOf(record: JobRecord, family: Family): Pick<Sheets, 'begun_elsewhere'> {
  const begun = sheetOf(record, 'begun')?.body;
  if (!begun) return {};
  const actions = stepsOf(family, 'teardown').flatMap((step) => step.actions);
  const titleOf = (id: string) => {
    const action = actions.find((one) => one.id === id);
    return action ? actionTitle(action) : id;
  };
  const lost = begun.lost.map(({ actionId, instead }) => ({ what: titleOf(actionId), instead }));
  return { begun_elsewhere: { by: begun.by, done: begun.done, lost } };
}

function residueIn(record: JobRecord): Pick<Sheets, 'residue'> {
  const residue = residueOf(record)?.body;
  if (!residue) return {};
  const { description, result, opening } = residue;
  return { residue: { description, result, allowed_by: opening?.personName ?? null } };
}

function warrantyIn(record: JobRecord): Pick<Sheets, 'warranty_return'> {
  const sheet = warrantyOf(record);
  if (!sheet) return {};
  const { earlierTag, judgement, sharePct, reason } = sheet.body;
  return { warranty_return: { of: earlierTag, judgement, share_pct: sharePct, reason, by: sheet.personName } };
}

function cleaningIn(record: JobRecord, family: Family): Pick<Sheets, 'cleaning'> {
  const runs = cleaningRuns(record);
  if (!runs.length) return {};
  const nameOf = (ref: string) => family.parts.find((part) => part.ref === ref)?.name ?? ref;
  return {
    cleaning: runs.map(({ body, personName, at }) => ({
      parts: body.parts.map(nameOf),
      how: sayRun(body),
      seen: body.parts.filter((ref) => body.seen[ref] === 'something').map(nameOf),
      ...{ by: personName, at },
    })),
  };
}

/** What the sheets of a job have to say in its report; only those that somebody filled in. */
export function sheetsIn(record: JobRecord, family: Family): Sheets {
  return { ...begunOf(record, family), ...residueIn(record), ...warrantyIn(record), ...cleaningIn(record, family) };
}
