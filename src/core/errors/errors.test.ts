import { errorCodes, httpStatusOf, wordsOf } from '.';

test.each(errorCodes)('%s has a status of a refusal and words that say what, what was kept, what to do', (code) => {
  expect(httpStatusOf[code]).toBeGreaterThanOrEqual(400);
  expect(httpStatusOf[code]).not.toBe(500);
  for (const words of Object.values(wordsOf[code])) expect(words).toMatch(/^[A-Z].*\.$/);
});
