import { helpersOf, sizesOf } from './machine.mjs';

const gibi = 1024 ** 3;

test.each([
  // An eighth of 8 GiB is 1024 MiB, for two heaps 512 each: held at 256, which is enough.
  ['two cores, 8 GiB', 2, 8 * gibi, { processes: 2, heapMb: 256, bufferMb: 1024 }],
  ['two cores, 2 GiB', 2, 2 * gibi, { processes: 2, heapMb: 192, bufferMb: 256 }],
  ['a board with 1 GiB', 4, gibi, { processes: 1, heapMb: 192, bufferMb: 128 }],
  ['half of that', 4, gibi / 2, { processes: 1, heapMb: 192, bufferMb: 64 }],
  ['a server of 64 GiB', 32, 64 * gibi, { processes: 4, heapMb: 256, bufferMb: 4096 }],
])('%s', (_name, cores, memoryBytes, sizes) => {
  expect(sizesOf({ memoryBytes, cores })).toEqual(sizes);
});

test.each([
  [2, 2, 1],
  [1, 1, 1],
  [2, 1, 1],
  [4, 1, 3],
  [32, 4, 4],
  // More processes than cores: one each all the same.
  [2, 6, 1],
])('on %i cores with %i processes each has %i that help', (cores, processes, helpers) =>
  expect(helpersOf(cores, processes)).toBe(helpers),
);

test('what is said from outside holds, and the rest suits it', () => {
  const machine = { memoryBytes: 8 * gibi, cores: 2 };
  expect(sizesOf(machine, { processes: 6, bufferMb: 16 })).toEqual({ processes: 6, heapMb: 192, bufferMb: 16 });
  expect(sizesOf(machine, { heapMb: 900 }).heapMb).toBe(900);
});
