import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { nodeProgram } from './node-program.mjs';

const root = join(import.meta.dirname, '..', '..');

/**
 * Runs a TypeScript script of this project and waits for it.
 * @param {string} path
 * @param {Readonly<Record<string, string>>} environment
 * @param {readonly string[]} args
 */
export function runScript(path, environment, args = []) {
  const done = spawnSync(nodeProgram(), ['--import', 'tsx', join(root, path), ...args], {
    cwd: root,
    stdio: 'inherit',
    env: { ...process.env, ...environment },
  });
  if (done.status !== 0) throw new Error(`${path} ended with ${done.status}`);
}
