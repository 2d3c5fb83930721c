import { sayDisk } from './watch-disk.mjs';

test.each([
  [4096, null],
  [511.9, 'gets full (511 MiB are left)'],
  [32, 'gets full (32 MiB are left)'],
  [0, 'is full: new entries are refused and wait on the tablets. What was acknowledged is kept (0 MiB are left)'],
])('%d MiB', (left, words) => {
  expect(sayDisk(left)).toBe(words);
});
