import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { join } from 'node:path';

const root = join(import.meta.dirname, '..', '..');

/**
 * Where the packages have Node for a machine; whether it is there and runs is another question.
 * @param {{ platform: string, arch: string }} machine as `process` says them
 * @param {string} packages the folder of the packages
 */
export const packagedNode = ({ platform, arch }, packages) => join(packages, `node-${platform}-${arch}`, 'bin', 'node');

/** @param {string} path */
const runs = (path) => existsSync(path) && spawnSync(path, ['--version'], { timeout: 10_000 }).status === 0;

/**
 * The Node that came with the packages where it runs on this machine, else the one that runs this.
 * @param {string} packaged
 * @param {string} own
 */
export const nodeOf = (packaged, own) => (runs(packaged) ? packaged : own);

/** @type {string | undefined} */
let chosen;

/**
 * The program that serves, builds, loads and checks: a Node that is looked after and takes a quarter less for a page than
 * the one of Debian's packages, which starts it.
 */
export const nodeProgram = () =>
  (chosen ??= nodeOf(packagedNode(process, join(root, 'node_modules')), process.execPath));
