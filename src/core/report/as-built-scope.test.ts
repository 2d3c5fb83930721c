import f1 from '../../../test-support/plain-overhung.json';
import { CoreJob, wornRing, type JobScript } from '../../../test-support/core-job';
import { loadFamily } from '../family';
import { disclaimersOf, scopeListed } from './as-built-scope';

const script: JobScript = { ...wornRing, seen: ['spacer', 'scratched', 'reuse as it is', 'only the paint'] };
const listed = (job: CoreJob, what: string) => scopeListed(job.record, job.family).find((one) => one.what === what);

test('the report lists what was to be done, why, from where, and how far it went', () => {
  const job = new CoreJob(loadFamily(f1), script).playTo('test');
  expect(listed(job, 'Front wear ring')).toMatchObject({
    ...{ action: 'replace', source: 'bought', standing: 'done', quote: 'Quote, revision 1' },
    why: expect.stringContaining('Front wear ring bore') as string,
  });
  expect(listed(job, 'Seal spring')).toMatchObject({ action: 'replace', why: 'always new', standing: 'done' });
  expect(listed(job, 'Rebuild')).toMatchObject({ action: 'work', standing: 'done' });
  expect(listed(job, 'Test on the stand')).toMatchObject({ standing: 'approved' });
});
test('what is kept stands with its reason; what nobody offered does not', () => {
  const job = new CoreJob(loadFamily(f1), script).playTo('test');
  expect(listed(job, 'Coupling spacer')).toMatchObject({
    action: 'keep',
    standing: 'kept',
    why: 'scratched',
    quote: null,
  });
  const early = new CoreJob(loadFamily(f1), script).playTo('quote');
  expect(scopeListed(early.record, early.family).map(({ what }) => what)).toEqual(['Coupling spacer']);
});
test('a disclaimer is printed with its name; where the pump went back there is none', () => {
  const { record } = new CoreJob(loadFamily(f1), script);
  const settled = { approvalId: 'a', words: 'Not to be run unwatched.', personId: null, personName: 'Wenna', at: '' };
  const of = (decision: 'go on' | 'return as it is') =>
    disclaimersOf({ ...record, declines: [{ ...settled, decision }] });
  expect(of('go on')).toEqual(['Not to be run unwatched. (Wenna)']);
  expect(of('return as it is')).toEqual([]);
});
