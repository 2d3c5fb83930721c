// npm run mutation [topic …]: changes the rules of core one by one and counts what no test notices.
import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ensureNodePackages } from './lib/packages.mjs';
import { say } from './lib/say.mjs';

const root = join(import.meta.dirname, '..');
ensureNodePackages();
const topics = process.argv.slice(2);
const mutate = topics.flatMap((topic) => [`src/core/${topic}/**/*.ts`]);
const args = mutate.length ? ['--mutate', [...mutate, '!src/core/**/*.test.ts'].join(',')] : [];
const stryker = join(root, 'node_modules/@stryker-mutator/core/bin/stryker.js');
const done = spawnSync(process.execPath, [stryker, 'run', ...args], {
  cwd: root,
  stdio: 'inherit',
  env: { ...process.env, MUTATION_TOPICS: topics.join(' ') },
});
if (done.status !== 0) process.exit(done.status ?? 1);

/** @type {{ files: Record<string, { mutants: { status: string }[] }> }} */
const report = JSON.parse(readFileSync(join(root, 'reports/mutation.json'), 'utf8'));
/** @type {Map<string, { killed: number, all: number }>} */
const byTopic = new Map();
for (const [name, { mutants }] of Object.entries(report.files)) {
  const topic = name.split('/')[2] ?? name;
  const tally = byTopic.get(topic) ?? { killed: 0, all: 0 };
  for (const { status } of mutants) {
    if (status === 'Ignored' || status === 'CompileError') continue;
    tally.all++;
    if (status === 'Killed' || status === 'Timeout') tally.killed++;
  }
  byTopic.set(topic, tally);
}
say('');
for (const [topic, { killed, all }] of byTopic)
  say(`${topic.padEnd(12)} ${String(killed).padStart(5)} of ${all} killed, ${((100 * killed) / all).toFixed(1)} %`);
