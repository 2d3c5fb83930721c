// Loaded before all else by a process that serves (`node --require`). On Linux each thread has a priority of its own,
// which it takes from the one that starts it.
// - Threads that look through the heap while others work (V8's own, which are there already) keep that of the process,
//   the one that answers steps down: else, on processors that are all busy, they come to nothing, and the thread that
//   answers looks through all of it by itself, at a fifth of its pace for a third of a second.
// - The pool of threads, in which pictures are decoded, passwords are hashed and answers are packed, stands below the
//   thread that answers: of a core that both want it gets a quarter. It is started by whoever needs it first: here by a
//   thread that has stepped down.
const { getPriority, setPriority } = require('node:os');
const { isMainThread, Worker } = require('node:worker_threads');

const longestMs = 2000;
const answersBelow = 6;
const first = `
  const { getPriority, setPriority } = require('node:os');
  const { workerData } = require('node:worker_threads');
  try {
    setPriority(Math.min(19, getPriority() + 5));
  } catch {
    // Where a container does not allow it, the work is done all the same.
  }
  require('node:fs').stat('.', () => {
    Atomics.store(workerData, 0, 1);
    Atomics.notify(workerData, 0);
  });
`;

if (isMainThread && process.platform === 'linux') {
  try {
    setPriority(Math.min(19, getPriority() + answersBelow));
  } catch {
    // As above.
  }
  const isStarted = new Int32Array(new SharedArrayBuffer(4));
  new Worker(first, { eval: true, execArgv: [], workerData: isStarted })
    .once('error', (error) => console.warn('the pool of threads keeps the priority of its process', error))
    .unref();
  Atomics.wait(isStarted, 0, 0, longestMs);
}
