// Loaded before all else by a process that serves (`node --require`). Its pool of threads, in which pictures are decoded,
// passwords are hashed and answers are packed, stands five steps below the thread that answers: of a core that both want
// it gets a quarter. On Linux a thread takes its priority from the one that starts it, and the pool is started by whoever
// needs it first: here by a thread that has stepped down.
const { isMainThread, Worker } = require('node:worker_threads');

const longestMs = 2000;
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
  const isStarted = new Int32Array(new SharedArrayBuffer(4));
  new Worker(first, { eval: true, execArgv: [], workerData: isStarted })
    .once('error', (error) => console.warn('the pool of threads keeps the priority of its process', error))
    .unref();
  Atomics.wait(isStarted, 0, 0, longestMs);
}
