import { dataFolderOfChecks } from './check-data.mjs';

const gibi = 1024 ** 3;
/** @param {string} root @param {number} roomGib @param {number} memoryGib */
const of = (root, roomGib, memoryGib) =>
  dataFolderOfChecks(root, { roomBytes: roomGib * gibi, memoryBytes: memoryGib * gibi });

test('the data of checks lie in memory where there is plenty, each tree’s by themselves', () => {
  expect(of('/a', 8, 24)).toMatch(/^\/dev\/shm\/puddlestone-checks-[0-9a-f]{12}$/);
  expect(of('/a', 8, 24)).toBe(of('/a', 16, 32));
  expect(of('/a', 8, 24)).not.toBe(of('/b', 8, 24));
});

test.each([
  ['a container that lends 64 MiB', 1 / 16, 64],
  ['a machine with little memory', 4, 8],
  ['no such place', 0, 24],
])('with %s they lie in the project', (_name, room, memory) => {
  expect(of('/a', room, memory)).toBe('/a/.test-data');
});
