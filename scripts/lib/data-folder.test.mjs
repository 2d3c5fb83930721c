import { spawn } from 'node:child_process';
import { mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { checkFolder, claimFolder, endLeftover, Refusal, startOfProcess } from './data-folder.mjs';

/** @type {string} */
let folder;
beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'folder-'))));
afterEach(() => rmSync(folder, { recursive: true, force: true }));

/** A process that runs until it is ended. */
function runSomething() {
  const child = spawn(process.execPath, ['-e', 'setInterval(() => {}, 1000)'], { stdio: 'ignore' });
  const pid = child.pid ?? 0;
  return { pid, start: startOfProcess(pid) ?? '', end: () => child.kill('SIGKILL') };
}
/** @param {object} owner */
const ownedBy = (owner) => writeFileSync(join(folder, 'owner.json'), JSON.stringify(owner));
const before = { host: 'bench', since: '2026-11-20T08:00:00.000Z', children: {} };

test('a folder with other files is refused with their names, and stays as it is', () => {
  writeFileSync(join(folder, 'invoice.txt'), 'x');
  expect(() => claimFolder(folder)).toThrow(
    /holds files that are not Puddlestone's \(invoice\.txt\)\. Nothing was written/,
  );
  expect(readdirSync(folder)).toEqual(['invoice.txt']);
});

test('a file in place of a folder is refused', () => {
  const path = join(folder, 'file');
  writeFileSync(path, '');
  expect(() => checkFolder(path)).toThrow(/is a file/);
});

test('a second start is refused with the first’s number and since when', () => {
  const other = runSomething();
  mkdirSync(join(folder, 'mariadb.cnf'));
  ownedBy({ ...before, pid: other.pid, start: other.start });
  try {
    expect(() => claimFolder(folder)).toThrow(
      `Process ${other.pid} has used this data folder since 2026-11-20T08:00:00.000Z`,
    );
    expect(() => claimFolder(folder)).toThrow(Refusal);
  } finally {
    other.end();
  }
});

test('a folder whose owner ended without a word is taken over, with what it left running', async () => {
  const left = runSomething();
  try {
    writeFileSync(join(folder, 'session-secret'), 's');
    const children = { database: { pid: left.pid, start: left.start }, gone: { pid: left.pid, start: '1' } };
    // The number is one of a process that runs, and that began at another time.
    ownedBy({ ...before, pid: process.pid, start: '1', children });
    const claim = claimFolder(folder);
    expect(claim.leftovers).toEqual([['database', { pid: left.pid, start: left.start }]]);
    expect(JSON.parse(readFileSync(join(folder, 'owner.json'), 'utf8'))).toMatchObject({ pid: process.pid });
    claim.note('server-1', left.pid);
    expect(JSON.parse(readFileSync(join(folder, 'owner.json'), 'utf8')).children).toEqual({
      'server-1': { pid: left.pid, start: left.start },
    });
    await claim.release();
    expect(readdirSync(folder)).toEqual(['session-secret']);
    expect(startOfProcess(left.pid)).toBeNull();
    // One that has ended already, or whose number is another's by now, is left alone.
    await endLeftover({ pid: process.pid, start: '1' });
  } finally {
    left.end();
  }
});

test('a claim that was cut off in the middle of its writing is nobody’s', () => {
  writeFileSync(join(folder, 'session-secret'), 's');
  writeFileSync(join(folder, 'owner.json'), '{"pid":');
  expect(claimFolder(folder).leftovers).toEqual([]);
});
