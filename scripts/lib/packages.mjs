import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { oneAtATime } from './one-at-a-time.mjs';
import { fail, say } from './say.mjs';

const root = join(import.meta.dirname, '..', '..');

/**
 * Where a program is; undefined where it is not.
 * @param {string} program
 */
function has(program) {
  return ['/usr/sbin', '/usr/bin', '/usr/local/bin', '/usr/local/sbin', ...(process.env.PATH ?? '').split(':')]
    .map((folder) => join(folder, program))
    .find((path) => existsSync(path));
}

/**
 * Installs npm packages from the lock file when node_modules does not match it; two commands do not install at once.
 */
export function ensureNodePackages() {
  const lock = createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .digest('hex');
  const stamp = join(root, 'node_modules', '.puddlestone-lock');
  const isThere = () => existsSync(stamp) && readFileSync(stamp, 'utf8') === lock;
  if (isThere()) return;
  oneAtATime(join(root, '.install-lock'), 'installing packages', () => {
    if (!isThere()) install(stamp, lock);
  });
}

/**
 * @param {string} stamp
 * @param {string} lock
 */
function install(stamp, lock) {
  say('Installing npm packages from the lock file …');
  const done = spawnSync('npm', ['ci', '--include=dev', '--loglevel=error'], { cwd: root, stdio: 'inherit' });
  if (done.status !== 0) fail('npm ci did not finish; see the lines above.');
  writeFileSync(stamp, lock);
}

/** @param {string} debianPackage */
const adviceFor = (debianPackage) =>
  `Puddlestone needs the Debian package "${debianPackage}". Install it with:\n  apt-get update && apt-get install --no-install-recommends ${debianPackage}`;

/**
 * Installs a Debian package where apt can be used; says exactly what to install where it cannot.
 * @param {string} debianPackage
 * @returns {string} the advice, for where the program is still not there
 */
function installPackage(debianPackage) {
  const root = process.getuid?.() === 0;
  const sudo = !root && has('sudo') && spawnSync('sudo', ['-n', 'true']).status === 0;
  const advice = adviceFor(debianPackage);
  if (!has('apt-get') || (!root && !sudo)) return advice;
  say(`Installing Debian's ${debianPackage} …`);
  const apt = (/** @type {string[]} */ args) =>
    spawnSync(sudo ? 'sudo' : 'apt-get', sudo ? ['-n', 'apt-get', ...args] : args, {
      stdio: ['ignore', 'ignore', 'inherit'],
      env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
    });
  apt(['update', '-qq']);
  apt(['install', '-y', '-qq', '--no-install-recommends', debianPackage]);
  return advice;
}

/**
 * Finds a Debian program, installing its package where apt can be used; else says exactly what to install.
 * @param {string} program
 * @param {string} debianPackage
 * @returns {string} its path
 */
export function ensureProgram(program, debianPackage) {
  const found = has(program);
  if (found) return found;
  const advice = installPackage(debianPackage);
  return has(program) ?? fail(advice);
}

/**
 * Finds a Debian program, or takes it out of its package without installing that: no service of it starts on this machine.
 * @param {string} program
 * @param {string} debianPackage
 * @param {string} folder where it is put
 * @returns {string | undefined} its path; undefined where it cannot be had, with the advice said
 */
export function unpackProgram(program, debianPackage, folder) {
  const found = has(program);
  if (found) return found;
  mkdirSync(folder, { recursive: true });
  const done = (/** @type {string} */ command, /** @type {string[]} */ args) =>
    spawnSync(command, args, { cwd: folder, stdio: ['ignore', 'ignore', 'inherit'] }).status === 0;
  const download = () => done('apt-get', ['download', '-qq', debianPackage]);
  if (!download() && !(done('apt-get', ['update', '-qq']) && download())) return void say(adviceFor(debianPackage));
  for (const name of readdirSync(folder).filter((one) => one.endsWith('.deb'))) done('dpkg', ['-x', name, '.']);
  return ['usr/sbin', 'usr/bin'].map((place) => join(folder, place, program)).find((path) => existsSync(path));
}

const shell = 'chromium-headless-shell';

/**
 * Debian's Chromium for programs: of the same version as the one with windows, and half the work for the processors.
 * Where it cannot be had, that one.
 * @returns {string} its path
 */
export function ensureBrowser() {
  const found = process.env.CHROMIUM ?? has(shell);
  if (found) return found;
  installPackage(shell);
  return has(shell) ?? ensureProgram('chromium', 'chromium');
}
