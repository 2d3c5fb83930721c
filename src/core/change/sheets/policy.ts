import { matterTable, schoolOfMatter, schoolOf } from '../../policies';
import type { Matter, Signed } from '../../record';
import { put, type Put } from '../change';
import { reason, refuse, type Decider } from '../decision';
import type { ChoosePolicy } from '../inputs';
import { fill } from './fill';

/** The schools of a shop that are not the usual ones, as a job that comes in takes them over. */
export function shopPolicies(schools: Readonly<Partial<Record<Matter, string>>>, who: Signed): readonly Put[] {
  return (Object.keys(schools) as Matter[]).flatMap((matter) => {
    const school = schools[matter];
    const isOdd =
      school !== undefined && schoolOfMatter(matter, school) && school !== matterTable[matter].schools[0].id;
    if (!isOdd) return [];
    return [put('sheet', { kind: 'policy', key: matter, version: 1, body: { matter, school, reason: '' }, ...who })];
  });
}

/** Departs from the shop's school for one job, by name and with a reason. What was done before stays as it was. */
export const choosePolicy: Decider<ChoosePolicy, { readonly sheetVersion: number }> = (given, { policy, basedOn }) => {
  const { record } = given;
  const { matter, school, reason: why } = policy;
  if (!['receive', 'teardown', 'clean', 'inspect', 'quote', 'approve', 'parts', 'rebuild'].includes(record.station))
    refuse('wrong-state', reason('other-station', { tag: record.tag, station: record.station }));
  if (!schoolOfMatter(matter, school))
    refuse('bad-input', reason('unknown-school', { matter: matterTable[matter].title, school }), 'policy.school');
  if (!why) refuse('bad-input', reason('policy-reason', { matter: matterTable[matter].title }), 'policy.reason');
  if (schoolOf(record, matter) === school)
    refuse('bad-input', reason('school-already', { matter: matterTable[matter].title }), 'policy.school');
  return {
    puts: [fill(given, { kind: 'policy', key: matter, basedOn, body: policy })],
    note: { matter, from: schoolOf(record, matter), to: school, reason: why },
    result: { sheetVersion: basedOn + 1 },
  };
};
