import { pauseAfterTries, sayAgent, sayWait, tryRules } from '.';

test('the free tries cost nothing; then the pause doubles from half a minute to an hour', () => {
  const minutes = [4, 5, 6, 7, 8, 9, 10, 11, 12, 13, 50].map((n) => pauseAfterTries(tryRules.pin, n) / 60_000);
  expect(minutes).toEqual([0, 0.5, 1, 2, 4, 8, 16, 32, 60, 60, 60]);
});

test('a four-digit PIN is not guessed in a working year on one tablet', () => {
  // After the free tries and the seven that lead to an hour, one an hour: 250 days of 24 hours are 6000 of 10 000.
  const guesses = 4 + 8 + 250 * 24;
  expect(guesses / 10_000).toBeLessThan(0.61);
  // And nobody is locked out for longer than an hour.
  expect(pauseAfterTries(tryRules.pin, 1e6)).toBe(3_600_000);
});

test.each([
  [1, 'a second'],
  [30_000, '30 seconds'],
  [90_000, '90 seconds'],
  [91_000, '2 minutes'],
  [3_600_000, '60 minutes'],
])('%d ms is %s', (ms, words) => {
  expect(sayWait(ms)).toBe(words);
});

test.each([
  ['Mozilla/5.0 (X11; Linux x86_64; rv:140.0) Gecko/20100101 Firefox/140.0', 'Firefox on Linux'],
  ['Mozilla/5.0 (Linux; Android 15) AppleWebKit/537.36 Chrome/156.0 Mobile Safari/537.36', 'Chrome on Android'],
  ['Mozilla/5.0 (iPad; CPU OS 18_0 like Mac OS X) AppleWebKit/605 Version/18.0 Safari/605', 'Safari on iPad'],
  ['curl/8.1', 'A program on a device'],
])('%s', (text, words) => {
  expect(sayAgent(text)).toBe(words);
});
