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
