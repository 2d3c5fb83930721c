import { stations } from '../record';
import { sayForOwner } from './own-words';

const say = (change: Partial<Parameters<typeof sayForOwner>[0]>) =>
  sayForOwner({ station: 'rebuild', holder: 'B', outcome: 'open', ...change });

test('every station has words of its own that an owner understands', () => {
  const all = stations.map((station) => say({ station }));
  expect(new Set(all).size).toBe(stations.length);
  expect(all.filter((words) => !words.endsWith('.'))).toEqual([]);
});
test('what waits for the owner says so wherever the work stands', () => {
  expect(say({ holder: 'C' })).toBe('We wait for your answer.');
  expect(say({ station: 'approve', holder: 'C' })).toBe('We wait for your answer to our offer.');
});
test('what will not be repaired says what becomes of it', () => {
  expect(say({ outcome: 'declined' })).toBe('It goes back to you as it is.');
  expect(say({ outcome: 'scrapped', holder: 'C' })).toBe('It will be scrapped, as you said.');
  expect(say({ outcome: 'donor' })).toContain('donor of parts');
});
