import f1 from '../../../../test-support/plain-overhung.json';
import { CoreJob, wornRing } from '../../../../test-support/core-job';
import { loadFamily } from '../../family';
import { gateFor, sayMissing } from '../../lifecycle';
import { inspection } from '..';

const file = loadFamily(f1);
const parts = file.written.parts.map((part) => ({ ...part, critical: part.ref === 'shaft' }));
const critical = { ...file, written: { ...file.written, parts } };
const inspecting = () => {
  const job = new CoreJob(critical, wornRing).playTo('inspect');
  job.measure('as-found');
  return job;
};
const look = (job: CoreJob, ...refs: readonly string[]) =>
  job.decide('Odile', ['look-at-parts', inspection.lookAtParts], null, {
    ...{ tag: job.record.tag, parts: refs.map((partRef) => ({ partRef, basedOn: 0 })) },
  });
const refusal = (decided: ReturnType<typeof look>) =>
  decided.ok ? null : (decided.refusal.details.reason?.code ?? decided.refusal.code);
const find = (job: CoreJob, partRef: string, words: string) =>
  job.act('Odile', ['record-finding', inspection.recordFinding], null, {
    ...{ tag: job.record.tag, partRef, words, plain: '', photoId: null },
  });
const unlooked = ({ record, family }: CoreJob) =>
  gateFor('finish-inspection', record, family)
    .filter(({ code }) => code === 'unlooked')
    .map((line) => [sayMissing(line).words, line.anchor]);

test('a critical part that came keeps the inspection open until it was looked at', () => {
  const job = inspecting();
  expect(unlooked(job)).toEqual([['Shaft has not been looked at', 'look-shaft']]);
  const decided = look(job, 'shaft', 'impeller');
  if (!decided.ok) throw decided.refusal;
  job.take(decided.decision);
  expect(unlooked(job)).toEqual([]);
  expect(job.record.looks).toMatchObject([
    { ref: 'impeller', seen: 'nothing', personName: 'Odile', version: 1 },
    { ref: 'shaft', seen: 'nothing', personName: 'Odile', version: 1 },
  ]);
});
test('what is found on a part says that it was looked at; nothing seen would then contradict it', () => {
  const job = inspecting();
  find(job, 'shaft', 'groove under the lip');
  expect(unlooked(job)).toEqual([]);
  expect(job.record.looks).toMatchObject([{ ref: 'shaft', seen: 'something' }]);
  expect(refusal(look(job, 'shaft'))).toBe('changed-meanwhile');
  find(job, 'shaft', 'key seat spread');
  expect(job.record.looks).toHaveLength(1);
});
test('something may be found after nothing was seen', () => {
  const job = inspecting();
  const decided = look(job, 'shaft');
  if (!decided.ok) throw decided.refusal;
  job.take(decided.decision);
  find(job, 'shaft', 'groove under the lip');
  expect(job.record.looks).toMatchObject([{ ref: 'shaft', seen: 'something', version: 2 }]);
});
test('a part that never came needs no look; an unknown part, a part twice, another station are refused', () => {
  const job = inspecting();
  const gone = job.record.parts.map((part) => (part.ref === 'shaft' ? { ...part, state: 'missing' as const } : part));
  expect(
    gateFor('finish-inspection', { ...job.record, parts: gone }, job.family).map(({ code }) => code),
  ).not.toContain('unlooked');
  expect(refusal(look(job, 'no-such'))).toBe('unknown-part');
  expect(refusal(look(job, 'shaft', 'shaft'))).toBe('part-twice');
  expect(refusal(look(new CoreJob(critical, wornRing), 'shaft'))).toBe('other-station');
});
test('a finding from the catalogue proposes what is usually done about it', () => {
  const damage = file.written.damage.map((one, i) => (i === 0 ? { ...one, usual: 'rework' as const } : one));
  const job = new CoreJob({ ...file, written: { ...file.written, damage } }, wornRing).playTo('inspect');
  const [known] = job.family.damage;
  find(job, known?.part ?? '', known?.seen ?? '');
  find(job, known?.part ?? '', 'something else');
  expect(job.record.findings.map(({ proposed }) => proposed)).toEqual(['rework', null]);
});
