import { CoreJob, wornRing } from '../../../../test-support/core-job';
import { lifecycle } from '..';
import { loadFamily } from '../../family';
import plain from '../../../../test-support/plain-overhung.json';
import type { JobRecord } from '../../record';
import type { MovePromise } from '../inputs';

const facts = { zone: 'Europe/Vienna' };
// The job is received on 20 November 2026 and promised for 10 December.
const opened = () => new CoreJob(loadFamily(plain), wornRing);
const asked = (job: CoreJob, change: Partial<MovePromise> = {}): MovePromise => ({
  ...{ tag: job.record.tag, from: '2026-12-10', to: '2026-12-18', reason: 'the shaft comes a week later', tell: false },
  ...change,
});
const decide = (job: CoreJob, change: Partial<MovePromise> = {}) =>
  job.decide('Ines', ['move-promise', lifecycle.movePromise], facts, asked(job, change));
const refusal = (job: CoreJob, change: Partial<MovePromise>) => {
  const decided = decide(job, change);
  return decided.ok ? null : [decided.refusal.code, decided.refusal.details.reason?.code];
};

test('a moved promise stands, and keeps what it was, why, and who moved it; each move counts on', () => {
  const job = opened();
  job.act('Ines', ['move-promise', lifecycle.movePromise], facts, asked(job));
  job.act('Marek', ['move-promise', lifecycle.movePromise], facts, {
    ...asked(job, { from: '2026-12-18', to: '2026-12-16', reason: 'it came sooner' }),
  });
  expect(job.record.promisedOn).toBe('2026-12-16');
  expect(job.record.promises).toMatchObject([
    { number: 1, from: '2026-12-10', to: '2026-12-18', reason: 'the shaft comes a week later', personName: 'Ines' },
    { number: 2, from: '2026-12-18', to: '2026-12-16', toldTo: null, personName: 'Marek' },
  ]);
  // What the events say gives the same record again.
  expect(job.difference()).toBeNull();
});

test('the customer is written to where it is asked, at the address that the job has then', () => {
  const job = opened();
  const decided = decide(job, { tell: true });
  if (!decided.ok) throw decided.refusal;
  const { after, outbox } = decided.decision;
  expect(after.promises[0]?.toldTo).toBe(job.record.contact?.email);
  expect(outbox).toEqual([{ kind: 'mail-promise', number: 1 }]);
  const quiet = decide(job);
  expect(quiet.ok && quiet.decision.outbox).toEqual([]);
});

test.each<readonly [string, Partial<MovePromise>, string, string]>([
  ['a day that is past', { to: '2026-11-19' }, 'bad-input', 'promise-past'],
  ['the day that stands there', { to: '2026-12-10' }, 'bad-input', 'promise-same'],
  [
    'a move from a day that somebody else has moved',
    { from: '2026-12-11' },
    'changed-meanwhile',
    'promise-moved-meanwhile',
  ],
])('%s is refused', (_what, change, code, why) => expect(refusal(opened(), change)).toEqual([code, why]));

test('today can be promised, by the shop’s calendar', () => expect(refusal(opened(), { to: '2026-11-20' })).toBeNull());

test('nobody is written to who has no address, and nothing is promised of a pump that went back', () => {
  const job = opened();
  const as = (change: Partial<JobRecord>) => (job.record = { ...job.record, ...change });
  as({ contact: null });
  expect(refusal(job, { tell: true })).toEqual(['bad-input', 'nobody-to-tell']);
  expect(refusal(job, { tell: false })).toBeNull();
  as({ closedAt: '2026-12-01T10:00:00.000Z' });
  expect(refusal(job, {})).toEqual(['wrong-state', 'closed']);
});
