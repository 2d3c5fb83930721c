import { DomainError, errorCodes, httpStatusOf, wordsOf } from '.';

test.each(errorCodes)('%s has a status of a refusal and words that say what, what was kept, what to do', (code) => {
  expect(httpStatusOf[code]).toBeGreaterThanOrEqual(400);
  expect(httpStatusOf[code]).not.toBe(500);
  for (const words of Object.values(wordsOf[code])) expect(words).toMatch(/^[A-Z].*\.$/);
});

test('one of another bundle’s class is one, and no other error is', () => {
  const own = class DomainError extends Error {
    override readonly name = 'DomainError';
  };
  expect(new own('not found')).toBeInstanceOf(DomainError);
  expect(new DomainError('not-found')).toBeInstanceOf(DomainError);
  for (const thing of [new Error('DomainError'), new RangeError('x'), { name: 'DomainError' }, null])
    expect(thing).not.toBeInstanceOf(DomainError);
});
