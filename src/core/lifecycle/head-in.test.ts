import { canonical } from './event-chain';
import { headIn } from './head-in';

const data = (...changes: object[]) => canonical({ changes, input: { tag: 'P-0400' } });
const head = (station: string, holder: string) => ({ put: 'job', row: { station, holder, hold: null }, was: null });

test('the last that an event says of the head is where the job stands after it', () =>
  expect(headIn(data(head('teardown', 'T'), { put: 'answer', row: {} }, head('clean', 'T')))).toEqual({
    station: 'clean',
    holder: 'T',
  }));

test.each([
  ['an entry at the bench', data({ put: 'answer', row: { typed: 'free' } })],
  ['what only speaks of a head', canonical({ changes: [], note: '"put":"job"' })],
  ['an event that holds no changes', canonical({ note: 'x' })],
])('%s says nothing of it', (_what, said) => expect(headIn(said)).toBeNull());
