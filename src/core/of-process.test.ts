import { ofProcess } from './of-process';

test('a thing is made once for a name, also where another bundle has its own copy of this file', async () => {
  const make = jest.fn(() => ({ of: 'the first' }));
  const first = ofProcess('a thing', make);
  await jest.isolateModulesAsync(async () => {
    const other = await import('./of-process');
    expect(other.ofProcess).not.toBe(ofProcess);
    expect(other.ofProcess('a thing', () => ({ of: 'the second' }))).toBe(first);
  });
  expect(ofProcess('a thing', make)).toBe(first);
  expect(make).toHaveBeenCalledTimes(1);
  expect(ofProcess('another thing', () => ({ of: 'another' }))).toEqual({ of: 'another' });
});
