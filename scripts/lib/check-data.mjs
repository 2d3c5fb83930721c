import { createHash } from 'node:crypto';
import { statfsSync } from 'node:fs';
import { join } from 'node:path';
import { thisMachine } from './machine.mjs';

const gibi = 1024 ** 3;
const memoryPlace = '/dev/shm';
/** What the checks' data take at most, and how much memory a machine must have that lends so much of it, in bytes. */
const [mostBytes, leastMemoryBytes] = [4 * gibi, 12 * gibi];

/** How much room there is where files lie in memory, in bytes; none where there is no such place. */
function roomInMemory() {
  try {
    const { bavail, bsize } = statfsSync(memoryPlace);
    return bavail * bsize;
  } catch {
    return 0;
  }
}

/**
 * Where the database of the checks has its data: in memory where there is plenty of it, for tables are made and thrown
 * away by the thousand, and a disk takes four times as long for each; else in a folder of the project.
 * @param {string} root of the project
 * @param {{ roomBytes: number, memoryBytes: number }} machine
 */
export function dataFolderOfChecks(
  root,
  machine = { roomBytes: roomInMemory(), memoryBytes: thisMachine().memoryBytes },
) {
  const own = join(root, '.test-data');
  if (machine.roomBytes < mostBytes || machine.memoryBytes < leastMemoryBytes) return own;
  return join(memoryPlace, `puddlestone-checks-${createHash('sha256').update(root).digest('hex').slice(0, 12)}`);
}
