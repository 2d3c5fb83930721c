import { matters, sheetsOf, type JobRecord, type Matter } from '../record';
import { matterTable, schoolOfMatter, type School } from './matters';

type Chosen = Pick<JobRecord, 'sheets'>;

/** A matter, the school that a job follows in it, and who said so where it is not the usual one. */
export interface PolicyInForce {
  readonly matter: Matter;
  readonly school: School;
  readonly isUsual: boolean;
  /** Why this job departs from the shop; empty where it follows the shop. */
  readonly reason: string;
  readonly by: string | null;
}

/** The school that a job follows in a matter. @example schoolOf({ sheets: [] }, 'soft parts') // 'always new' */
export function schoolOf({ sheets }: Chosen, matter: Matter): string {
  const chosen = sheets.find((sheet) => sheet.kind === 'policy' && sheet.key === matter);
  const id = chosen?.kind === 'policy' ? chosen.body.school : undefined;
  return (id !== undefined && schoolOfMatter(matter, id) ? id : undefined) ?? matterTable[matter].schools[0].id;
}

/** What a job follows in every matter. */
export function policiesInForce(record: Chosen): readonly PolicyInForce[] {
  return matters.map((matter) => {
    const sheet = sheetsOf(record, 'policy').find(({ key }) => key === matter) ?? null;
    const [usual] = matterTable[matter].schools;
    const school = schoolOfMatter(matter, schoolOf(record, matter)) ?? usual;
    return {
      ...{ matter, school, isUsual: school.id === usual.id },
      ...{ reason: sheet?.body.reason ?? '', by: sheet?.body.reason ? sheet.personName : null },
    };
  });
}

/**
 * A policy in a line, as the report prints it.
 * @example sayPolicy({ matter: 'as found', school: { id: 'by the drawing', words: 'put right by the drawing' }, isUsual: true, reason: '', by: null }) // 'As found against as it should be: put right by the drawing'
 */
export function sayPolicy({ matter, school, reason, by }: PolicyInForce): string {
  const departs = by ? ` (this job, by ${by}: ${reason})` : '';
  return `${matterTable[matter].title}: ${school.words}${departs}`;
}
