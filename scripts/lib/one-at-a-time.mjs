import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { say } from './say.mjs';

const waitMs = 500;
const pause = () => Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, waitMs);

/** @param {number} pid */
function isAlive(pid) {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return error instanceof Error && 'code' in error && error.code === 'EPERM';
  }
}

/** @param {string} folder */
function ownerOf(folder) {
  try {
    return Number(readFileSync(join(folder, 'pid'), 'utf8'));
  } catch {
    // Made a moment ago and not named yet, or just given back.
    return null;
  }
}

/** @param {string} folder */
function take(folder) {
  try {
    mkdirSync(folder);
    return true;
  } catch (error) {
    if (error instanceof Error && 'code' in error && error.code === 'EEXIST') return false;
    throw error;
  }
}

/**
 * Runs what two commands on one tree must not do at once: the second waits for the first. A lock whose owner has ended
 * is taken over, and so is one that nobody names for five seconds.
 * @param {string} folder the lock; it stands for as long as somebody is at it
 * @param {string} what what is waited for, as a person reads it
 * @param {() => void} run
 */
export function oneAtATime(folder, what, run) {
  let hasSaid = false;
  let unnamed = 0;
  while (!take(folder)) {
    const owner = ownerOf(folder);
    unnamed = owner === null ? unnamed + 1 : 0;
    if (unnamed > 10 || (owner !== null && !isAlive(owner))) rmSync(folder, { recursive: true, force: true });
    else {
      if (!hasSaid) say(`Waiting for process ${owner ?? ''}, which is ${what} …`);
      hasSaid = true;
      pause();
    }
  }
  try {
    writeFileSync(join(folder, 'pid'), String(process.pid));
    run();
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
