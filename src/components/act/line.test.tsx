import { answerFetch } from '../../../test-support/answer-fetch';
import { askShop, lostSince, noteAnswer, noteLost, tryLine, watchLine } from './line';

test('a line that was lost is so since the first time that nobody answered, until somebody does', async () => {
  const seen: (string | null)[] = [];
  const stop = watchLine(() => seen.push(lostSince()));
  expect(lostSince()).toBeNull();
  noteLost(new Date('2026-11-24T10:42:00Z'));
  noteLost(new Date('2026-11-24T10:50:00Z'));
  expect(lostSince()).toBe('2026-11-24T10:42:00.000Z');
  answerFetch(() => ({ body: {} }));
  await askShop('/api/health');
  expect(lostSince()).toBeNull();
  noteAnswer();
  stop();
  noteLost();
  expect(seen).toEqual(['2026-11-24T10:42:00.000Z', null]);
});

test.each([502, 503, 504])('a proxy that answers %d for the shop is no answer', async (status) => {
  answerFetch(() => ({ status, body: {} }));
  await askShop('/api/health');
  expect(lostSince()).not.toBeNull();
});

test('a refusal, and a question that was taken back, say nothing of the line', async () => {
  answerFetch(() => ({ status: 422, body: {} }));
  await askShop('/api/act/sign-in');
  const abort = new AbortController();
  abort.abort();
  await expect(askShop('/api/find', { signal: abort.signal })).rejects.toThrow('aborted');
  expect(lostSince()).toBeNull();
});

test('a page that has nothing else to ask asks whether the shop is there', async () => {
  Object.defineProperty(AbortSignal, 'timeout', { value: () => new AbortController().signal, configurable: true });
  answerFetch(() => 'lost');
  expect(await tryLine()).toBe(false);
  expect(lostSince()).not.toBeNull();
  answerFetch(() => ({ body: {} }));
  expect(await tryLine()).toBe(true);
  expect(lostSince()).toBeNull();
});
