import {
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  statfsSync,
  writeFileSync,
} from 'node:fs';
import { hostname } from 'node:os';
import { join } from 'node:path';

/** What a start can say in a sentence; nothing was written when it is thrown. */
export class Refusal extends Error {}

/** Files by which a folder is known as one of ours. */
const ours = ['owner.json', 'database-password', 'session-secret', 'mariadb.cnf'];

/** @param {unknown} error */
const codeOf = (error) => (typeof error === 'object' && error !== null && 'code' in error ? String(error.code) : '');

/**
 * When a process began, in ticks of the system since it started; null for one that is not there. With it a process is
 * told from a later one of the same number.
 * @param {number} pid
 * @returns {string | null}
 */
export function startOfProcess(pid) {
  try {
    const text = readFileSync(`/proc/${pid}/stat`, 'utf8');
    // The second field is a name in brackets, in which anything may stand.
    const fields = text.slice(text.lastIndexOf(')') + 2).split(' ');
    return fields[0] === 'Z' ? null : (fields[19] ?? null);
  } catch {
    return null;
  }
}

/**
 * Looks at a folder without changing it. Throws Refusal for one that cannot or must not be used.
 * @param {string} folder
 */
export function checkFolder(folder) {
  if (!existsSync(folder)) return;
  const stat = statSync(folder);
  if (!stat.isDirectory())
    throw new Refusal(`The data folder ${folder} is a file. Nothing was written. Name a folder in PUDDLESTONE_DATA.`);
  const user = process.getuid?.();
  if (user !== undefined && stat.uid !== user)
    throw new Refusal(
      `The data folder ${folder} belongs to another user (number ${stat.uid}; this is number ${user}). Nothing was written. Start as its owner, or name another folder in PUDDLESTONE_DATA.`,
    );
  const names = listNames(folder);
  if (names.length && !names.some((name) => ours.includes(name)))
    throw new Refusal(
      `The folder ${folder} holds files that are not Puddlestone's (${names.slice(0, 3).join(', ')}${names.length > 3 ? ', …' : ''}). Nothing was written. Name an empty or a new folder in PUDDLESTONE_DATA.`,
    );
}

/** @param {string} folder */
function listNames(folder) {
  try {
    return readdirSync(folder);
  } catch (error) {
    throw new Refusal(`The data folder ${folder} cannot be read (${codeOf(error)}). Nothing was written.`);
  }
}

/**
 * Says in words why something cannot be written there; other errors as they came.
 * @param {unknown} error
 * @param {string} folder
 */
function asRefusal(error, folder) {
  const code = codeOf(error);
  if (code === 'EROFS' || code === 'EACCES' || code === 'EPERM')
    return new Refusal(
      `Nothing can be written into the data folder ${folder}: it is read-only for this user (${code}). Make it writable, or name another in PUDDLESTONE_DATA.`,
    );
  if (code === 'ENOSPC' || code === 'EDQUOT')
    return new Refusal(`The disk of the data folder ${folder} is full (${code}). Free some space, then start again.`);
  return error;
}

/** @typedef {{ pid: number, start: string }} Process */
/** @typedef {Process & { host: string, since: string, children: Readonly<Record<string, Process>> }} Owner */

/**
 * @param {string} path
 * @returns {Owner | null}
 */
function readOwner(path) {
  try {
    return /** @type {Owner} */ (JSON.parse(readFileSync(path, 'utf8')));
  } catch {
    return null;
  }
}

/** @param {Process} one */
const isRunning = ({ pid, start }) => startOfProcess(pid) === start;

/**
 * Takes a data folder for this process, making it where there is none. Throws Refusal when another process has it, or
 * when it cannot be used; then nothing was written.
 * @param {string} folder
 */
export function claimFolder(folder) {
  checkFolder(folder);
  const path = join(folder, 'owner.json');
  const self = { pid: process.pid, start: startOfProcess(process.pid) ?? '' };
  /** @type {Owner} */
  let owner = { ...self, host: hostname(), since: new Date().toISOString(), children: {} };
  try {
    mkdirSync(folder, { recursive: true, mode: 0o700 });
    const before = takeFile(path, owner);
    return {
      /** What a start that was killed left running, by name. */
      leftovers: Object.entries(before?.children ?? {}).filter(([, child]) => isRunning(child)),
      /** Writes down a process that belongs to this start, so that the next one knows it. @param {string} name @param {number | undefined} pid */
      note: (name, pid) => {
        const { [name]: _before, ...others } = owner.children;
        const start = pid === undefined ? null : startOfProcess(pid);
        owner = { ...owner, children: { ...others, ...(pid && start ? { [name]: { pid, start } } : {}) } };
        // A full disk does not end what runs; the next start then finds the process by the database's own file.
        const next = `${path}.next`;
        try {
          // Whoever reads meanwhile finds the file before or the one after, never half of one.
          writeFileSync(next, JSON.stringify(owner), { mode: 0o600 });
          renameSync(next, path);
        } catch {
          rmSync(next, { force: true });
        }
      },
      /** Ends what still runs of what was noted, such as a database that was just being started, and gives the folder back. */
      release: async () => {
        for (const child of Object.values(owner.children)) await endLeftover(child);
        rmSync(path, { force: true });
      },
    };
  } catch (error) {
    throw asRefusal(error, folder);
  }
}

/**
 * Makes the file that says whose a folder is. One whose process has ended is taken over; it is given back.
 * @param {string} path
 * @param {Owner} owner
 * @returns {Owner | null} the one before, which ended without saying so
 */
function takeFile(path, owner) {
  /** @type {Owner | null} */
  let before = null;
  for (let tries = 0; tries < 5; tries++) {
    try {
      writeFileSync(path, JSON.stringify(owner), { flag: 'wx', mode: 0o600 });
      return before;
    } catch (error) {
      if (codeOf(error) !== 'EEXIST') throw error;
    }
    const found = readOwner(path);
    if (found && isRunning(found))
      throw new Refusal(
        `Process ${found.pid} has used this data folder since ${found.since}. Nothing was changed. Stop that one, or start with another folder and port: PUDDLESTONE_DATA=/another/folder PORT=4175 npm start`,
      );
    // Moved aside, not removed: two who find the same old file do not take each other's new one.
    const aside = `${path}.${process.pid}`;
    try {
      renameSync(path, aside);
    } catch {
      continue;
    }
    const moved = readOwner(aside);
    if (moved && isRunning(moved)) renameSync(aside, path);
    else {
      before = moved ?? before;
      rmSync(aside, { force: true });
    }
  }
  throw new Refusal(`The data folder of ${path} is being taken by another start. Nothing was changed.`);
}

/** How long a process that was left running may take to end, in ms: a database writes what it holds. */
const longestEndMs = 60_000;

/** Ends a process that an earlier start left running, and waits until it has ended. @param {Process} left */
export async function endLeftover(left) {
  if (!isRunning(left)) return;
  process.kill(left.pid, 'SIGTERM');
  for (let waited = 0; waited < longestEndMs && isRunning(left); waited += 50)
    await new Promise((resolve) => setTimeout(resolve, 50));
}

/** How much is left on the disk of a folder, in bytes. @param {string} folder */
export function bytesLeft(folder) {
  const { bavail, bsize } = statfsSync(folder);
  return bavail * bsize;
}
