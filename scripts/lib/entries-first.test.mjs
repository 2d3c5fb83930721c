import { EventEmitter } from 'node:events';
import { entriesFirst } from './entries-first.mjs';

/** Turns of the loop until something is done. @param {Promise<unknown>} doing */
async function turnsOf(doing) {
  let isDone = false;
  void doing.then(() => (isDone = true));
  let turns = 0;
  while (!isDone && turns < 50) {
    await new Promise((go) => setImmediate(go));
    turns++;
  }
  return turns;
}
const entry = { method: 'POST', url: '/api/act/record-readings' };
const look = { method: 'GET', url: '/jobs/P-0411' };
const answer = () => Promise.resolve();

test('a look is answered at once while no entry is in hand', async () => {
  const letGo = entriesFirst();
  expect(await turnsOf(letGo(look, new EventEmitter(), answer))).toBe(1);
});

test('an entry is answered at once; a look waits for it for some turns, and no longer than that', async () => {
  const letGo = entriesFirst();
  const response = new EventEmitter();
  expect(await turnsOf(letGo(entry, response, answer))).toBe(1);
  expect(await turnsOf(letGo(look, new EventEmitter(), answer))).toBeGreaterThanOrEqual(3);
  expect(await turnsOf(letGo(look, new EventEmitter(), answer))).toBeLessThan(8);
  // It was answered, or whoever sent it has gone.
  response.emit('close');
  expect(await turnsOf(letGo(look, new EventEmitter(), answer))).toBe(1);
});

test('what goes wrong with a look is said to whoever asked', async () => {
  await expect(entriesFirst()(look, new EventEmitter(), () => Promise.reject(new Error('away')))).rejects.toThrow(
    'away',
  );
});
