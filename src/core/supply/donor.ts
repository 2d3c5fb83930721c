import type { Family, FamilyPart } from '../family';
import { judgePoints, wearUsedPct } from '../inspection';
import { sheetsOf, type JobRecord } from '../record';

/** A part of a unit as it lies there, for whoever would put it into another pump. */
export interface PartOffered {
  readonly ref: string;
  readonly name: string;
  /** The number that was read on it, or that of the list. */
  readonly number: string;
  readonly isNumberRead: boolean;
  /** What was seen on it; “nothing seen” where somebody looked and saw nothing; empty where nobody looked. */
  readonly look: string;
  readonly isCracked: boolean;
  /** Of its wear allowance, by the worst of its points; null where none is measured. */
  readonly wearPct: number | null;
  readonly tray: string;
  /** The job that it was given to; empty while it is there. */
  readonly givenTo: string;
}

type Looked = Pick<JobRecord, 'findings' | 'looks' | 'readings' | 'sheets' | 'parts'>;

const isThere = ({ parts }: Looked, ref: string) =>
  (parts.find((part) => part.ref === ref)?.state ?? 'present') === 'present';

function lookOf({ findings, looks }: Looked, ref: string): string {
  const seen = findings
    .filter(({ partRef, phase }) => partRef === ref && phase === 'as-found')
    .map(({ words }) => words);
  if (seen.length) return seen.join('; ');
  return looks.some((look) => look.ref === ref && look.seen === 'nothing') ? 'nothing seen' : '';
}

function offered(record: Looked, part: FamilyPart, wearPct: number | null): PartOffered {
  const sheetOn = <Kind extends 'number' | 'tray' | 'given'>(kind: Kind) =>
    sheetsOf(record, kind).find(({ key }) => key === part.ref)?.body;
  const number = sheetOn('number')?.found;
  const look = lookOf(record, part.ref);
  return {
    ...{ ref: part.ref, name: part.name, number: number ?? part.number, isNumberRead: number !== undefined },
    ...{ look, isCracked: /\b(crack|broken|hole)/i.test(look), wearPct },
    ...{ tray: sheetOn('tray')?.tray ?? '', givenTo: sheetOn('given')?.to ?? '' },
  };
}

/** Every part of a unit that is there, as it was found: its number, what was seen on it, how far it is worn. */
export function partsOffered(record: Looked, family: Family): readonly PartOffered[] {
  const states = judgePoints({ family, readings: record.readings, phase: 'as-found' });
  return family.parts
    .filter((part) => part.converted !== 'comes' && isThere(record, part.ref))
    .map((part) => {
      const worn = states.filter(({ point }) => point.part === part.ref).flatMap((state) => wearUsedPct(state) ?? []);
      return offered(record, part, worn.length ? Math.max(...worn) : null);
    });
}
