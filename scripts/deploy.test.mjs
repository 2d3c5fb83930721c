import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { validate } from 'dockerfile-utils';
import { environmentSchema } from './lib/environment.mjs';

const root = join(__dirname, '..');
const read = (/** @type {string} */ path) => readFileSync(join(root, 'deploy', path), 'utf8');

test('the container file has no fault that a linter finds, and starts what is there', () => {
  const text = read('container/Containerfile');
  expect(validate(text)).toEqual([]);
  const scripts = [...text.matchAll(/scripts\/[\w/.-]+\.mjs/g)].map(([path]) => path);
  expect(scripts.length).toBeGreaterThan(2);
  for (const path of scripts) expect(existsSync(join(root, path))).toBe(true);
});

test('what the files of services set is a setting that the start knows', () => {
  const texts = ['systemd/puddlestone.service', 'systemd/puddlestone-backup.service', 'container/Containerfile'].map(
    read,
  );
  const named = new Set(
    texts.flatMap((text) => [...text.matchAll(/\b(PUDDLESTONE_[A-Z_]+)=/g)].map(([, name]) => name)),
  );
  expect(named.size).toBeGreaterThan(3);
  for (const name of named) expect(Object.keys(environmentSchema.shape)).toContain(name);
});

test('the units start scripts that are there', () => {
  for (const unit of ['puddlestone', 'puddlestone-backup']) {
    const [, path = ''] = /ExecStart=\/usr\/bin\/node (\S+)/.exec(read(`systemd/${unit}.service`)) ?? [];
    expect(existsSync(join(root, path))).toBe(true);
  }
});
