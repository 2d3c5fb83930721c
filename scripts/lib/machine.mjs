import { availableParallelism, totalmem } from 'node:os';

const mebi = 1048576;
/** @param {number} low @param {number} value @param {number} high */
const within = (low, value, high) => Math.min(high, Math.max(low, Math.floor(value)));

/**
 * @typedef {object} Sizes
 * @property {number} processes how many serve
 * @property {number} heapMb the most that the heap of one of them may take, in MiB
 * @property {number} bufferMb what the database keeps of its tables in memory, in MiB
 */

/**
 * What suits a machine: a process a core up to four, of memory an eighth for all their heaps and as much for the
 * database's buffer; none so small that it could not work, none larger than pays off.
 * @param {{ memoryBytes: number, cores: number }} machine
 * @param {{ processes?: number | undefined, heapMb?: number | undefined, bufferMb?: number | undefined }} wanted what was said from outside holds
 * @returns {Sizes}
 */
export function sizesOf({ memoryBytes, cores }, wanted = {}) {
  const memoryMb = memoryBytes / mebi;
  // A process takes about 100 MiB beside its heap: a machine with little memory has room for one.
  const processes = wanted.processes ?? within(1, Math.min(cores, memoryMb / 1024), 4);
  return {
    processes,
    heapMb: wanted.heapMb ?? within(192, memoryMb / 8 / processes, 256),
    bufferMb: wanted.bufferMb ?? within(64, memoryMb / 8, 4096),
  };
}

/**
 * How many threads a process has that help the one that answers (they give memory back and compile): as many as there
 * are cores for it beside the thread that answers, at most Node's own four. More than that take turns with that thread.
 * @param {number} cores
 * @param {number} processes
 */
export const helpersOf = (cores, processes) => within(1, Math.min(cores - 1, cores / processes), 4);

/** This machine, or the part of it that this process may use. */
export function thisMachine() {
  const limit = process.constrainedMemory();
  return {
    memoryBytes: limit && limit < totalmem() ? limit : totalmem(),
    cores: availableParallelism(),
  };
}
