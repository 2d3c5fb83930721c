import { spawnSync } from 'node:child_process';
import { join } from 'node:path';

/** Hashes in four threads for a while, and says for each thread of the process its priority and how long it worked. */
const busy = `
  import { pbkdf2 } from 'node:crypto';
  import { readFileSync, readdirSync } from 'node:fs';
  await Promise.all(Array.from({ length: 4 }, () => new Promise((done) => pbkdf2('a', 'b', 400_000, 64, 'sha512', done))));
  const threads = readdirSync('/proc/self/task').map((id) => {
    const fields = readFileSync('/proc/self/task/' + id + '/stat', 'utf8').split(') ').at(-1).split(' ');
    return { isMain: Number(id) === process.pid, nice: Number(fields[16]), worked: Number(fields[11]) };
  });
  process.stdout.write(JSON.stringify(threads));
`;
/** @param {readonly string[]} args @returns {{ isMain: boolean, nice: number, worked: number }[]} */
const threadsOf = (...args) => {
  const done = spawnSync(process.execPath, [...args, '--input-type=module', '-e', busy], { encoding: 'utf8' });
  return JSON.parse(done.stdout);
};
const onLinux = process.platform === 'linux' ? test : test.skip;

onLinux('the thread that answers stands below those that help it, the pool of a process five steps below that', () => {
  const own = threadsOf('--require', join(__dirname, 'who-gives-way.cjs'));
  const begun = Math.min(...own.map(({ nice }) => nice));
  const main = own.find((one) => one.isMain)?.nice ?? NaN;
  expect(main).toBe(Math.min(19, begun + 6));
  const hashed = own.filter((one) => !one.isMain && one.worked > 5);
  expect(hashed.length).toBeGreaterThan(0);
  for (const { nice } of hashed) expect(nice).toBe(Math.min(19, main + 5));
  expect(own.filter(({ isMain, nice }) => !isMain && nice === begun).length).toBeGreaterThan(0);
});

onLinux('without it they stand alike', () => {
  const own = threadsOf();
  expect(new Set(own.map((one) => one.nice)).size).toBe(1);
});
