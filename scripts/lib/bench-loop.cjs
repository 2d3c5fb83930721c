// Loaded before all else by a server that is measured (`node --require`): the longest time for which its thread answered
// nobody, and for how much of such a time it was itself at work. The rest it waited for a processor, which the writer of
// a document, the database and whoever asks share with it. A look at the figures begins them anew.
const { performance, PerformanceObserver, constants } = require('node:perf_hooks');
const { isMainThread } = require('node:worker_threads');

/** It looks so often, and counts that in, in ms. */
const lookedEveryMs = 3;

if (isMainThread) {
  const metrics = require('prom-client');
  const longest = { waited: 0, worked: 0, workedItself: 0 };
  let lastMs = performance.now();
  let last = process.threadCpuUsage();
  /** When memory was last given back in whole: that is V8's own work, whatever is written. */
  let gaveBackMs = -1;
  new PerformanceObserver((list) => {
    for (const { startTime, duration, detail } of list.getEntries())
      if (detail?.kind === constants.NODE_PERFORMANCE_GC_MAJOR) gaveBackMs = startTime + duration;
  }).observe({ entryTypes: ['gc'] });
  setInterval(() => {
    const [beganMs, began] = [lastMs, last];
    lastMs = performance.now();
    last = process.threadCpuUsage();
    const waited = Math.max(0, lastMs - beganMs - lookedEveryMs);
    const worked = Math.min(waited, (last.user + last.system - began.user - began.system) / 1000);
    longest.waited = Math.max(longest.waited, waited);
    longest.worked = Math.max(longest.worked, worked);
    // What was observed of memory is told a little later.
    const endMs = lastMs;
    setTimeout(() => {
      if (gaveBackMs < beganMs || gaveBackMs > endMs) longest.workedItself = Math.max(longest.workedItself, worked);
    }, 5);
  }, lookedEveryMs).unref();
  for (const [name, help] of [
    ['waited', 'The longest time for which the thread answered nobody'],
    ['worked', 'The longest time for which it was at work itself meanwhile'],
    ['workedItself', 'The same without giving memory back'],
  ])
    new metrics.Gauge({
      ...{ name: `bench_loop_${name}_ms`, help, aggregator: 'max' },
      collect() {
        this.set(longest[name]);
        longest[name] = 0;
      },
    });
}
