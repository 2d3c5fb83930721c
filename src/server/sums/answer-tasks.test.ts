import { spawnSync } from 'node:child_process';

/** A thread that gives back what it is sent, in a process of its own, and the priorities of all of its threads. */
const begin = `
  import { readdirSync, readFileSync } from 'node:fs';
  import { Worker } from 'node:worker_threads';
  const thread = new Worker(
    \`import('tsx/esm/api').then(async ({ register }) => {
      register();
      const { answerTasks } = await import('./src/server/sums/answer-tasks.ts');
      answerTasks(async (id, input) => ({ id, input }));
    })\`,
    { eval: true },
  );
  thread.once('message', (answer) => {
    const niceOf = (id) => {
      const text = readFileSync('/proc/self/task/' + id + '/stat', 'latin1');
      return Number(text.slice(text.lastIndexOf(') ') + 2).split(' ')[16]);
    };
    const others = readdirSync('/proc/self/task').filter((id) => Number(id) !== process.pid);
    console.log(JSON.stringify({ answer, own: niceOf(process.pid), others: others.map(niceOf) }));
    process.exit(0);
  });
  thread.postMessage({ number: 7, id: 'gasket', input: { mm: 3 } });
`;

test('a thread of heavy work gives way to the one that answers, and answers by number', () => {
  const run = spawnSync(process.execPath, ['--input-type=module', '--eval', begin], {
    encoding: 'utf8',
    timeout: 100_000,
  });
  expect(run.stderr).toBe('');
  const said = JSON.parse(run.stdout) as {
    readonly answer: unknown;
    readonly own: number;
    readonly others: readonly number[];
  };
  expect(said.answer).toEqual({ number: 7, outcome: { id: 'gasket', input: { mm: 3 } } });
  // Of the process that runs these tests it may be more than nothing; the thread is five below its own.
  expect(said.others.filter((nice) => nice > said.own)).toEqual([said.own + 5]);
}, 120_000);

/** A thread that leaves sixty megabytes behind, and says then and a while later what is on its heap, in MB. */
const leave = `
  import { Worker } from 'node:worker_threads';
  const thread = new Worker(
    \`import('tsx/esm/api').then(async ({ register }) => {
      register();
      const { answerTasks } = await import('./src/server/sums/answer-tasks.ts');
      const { getHeapStatistics } = await import('node:v8');
      answerTasks(async (id) => {
        let made = id === 'make' ? Array.from({ length: 800_000 }, (_, i) => ({ i, text: 'x' + i })) : null;
        const count = made?.length ?? 0;
        made = null;
        return { count, usedMb: getHeapStatistics().used_heap_size / 1e6 };
      });
    })\`,
    { eval: true, resourceLimits: { maxOldGenerationSizeMb: 256 } },
  );
  const ask = (number, id) => new Promise((resolve) => {
    thread.once('message', ({ outcome }) => resolve(outcome));
    thread.postMessage({ number, id, input: null });
  });
  const first = await ask(0, 'make');
  await new Promise((done) => setTimeout(done, 3500));
  console.log(JSON.stringify({ first, later: await ask(1, 'look') }));
  process.exit(0);
`;

test('what a piece of work left behind is given back a moment after it', () => {
  const run = spawnSync(process.execPath, ['--input-type=module', '--eval', leave], {
    encoding: 'utf8',
    timeout: 100_000,
  });
  expect(run.stderr).toBe('');
  type Said = { readonly count: number; readonly usedMb: number };
  const { first, later } = JSON.parse(run.stdout) as { readonly first: Said; readonly later: Said };
  expect(first.count).toBe(800_000);
  expect(first.usedMb - later.usedMb).toBeGreaterThan(40);
}, 120_000);
