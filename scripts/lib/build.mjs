import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join, relative, sep } from 'node:path';
import { buildSync } from 'esbuild';
import { nodeProgram } from './node-program.mjs';
import { oneAtATime } from './one-at-a-time.mjs';
import { say } from './say.mjs';
import { thinServer } from './thin-server.mjs';

const root = join(import.meta.dirname, '..', '..');

/**
 * @param {string} folder
 * @returns {string[]}
 */
function filesBelow(folder) {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) =>
    entry.isDirectory() ? filesBelow(join(folder, entry.name)) : [join(folder, entry.name)],
  );
}

function fingerprintOfSources() {
  const hash = createHash('sha256');
  const files = [
    ...filesBelow(join(root, 'src')),
    ...filesBelow(join(root, 'families')),
    ...['package-lock.json', 'next.config.mjs', 'tsconfig.json', 'postcss.config.mjs'].map((name) => join(root, name)),
  ];
  for (const file of files.filter((name) => !/\.test\.tsx?$/.test(name)).sort())
    hash.update(file.slice(root.length)).update('\0').update(readFileSync(file));
  return hash.digest('hex');
}

/** Builds the application when its sources changed since the last build; two commands do not build at once. */
export function buildWhenChanged() {
  const stamp = join(root, '.next', 'puddlestone-build');
  const now = fingerprintOfSources();
  const isThere = () => existsSync(stamp) && readFileSync(stamp, 'utf8') === now;
  if (isThere()) return;
  oneAtATime(join(root, '.build-lock'), 'building', () => {
    if (!isThere()) build(stamp, now);
  });
}

/**
 * @param {string} stamp
 * @param {string} now
 */
function build(stamp, now) {
  say('Building (about a minute the first time) …');
  const done = spawnSync(nodeProgram(), [join(root, 'node_modules/next/dist/bin/next'), 'build'], {
    cwd: root,
    encoding: 'utf8',
    env: { ...process.env, NODE_ENV: 'production', NEXT_TELEMETRY_DISABLED: '1' },
  });
  if (done.status !== 0) throw new Error(`The build failed:\n${done.stdout}\n${done.stderr}`);
  thinServer(join(root, '.next', 'server'));
  buildWorker();
  buildOffer();
  writeFileSync(stamp, now);
}

/** Builds the script that comes with a customer's offer, with its fingerprint in its name. */
function buildOffer() {
  const folder = join(root, '.next', 'static', 'customer');
  rmSync(folder, { recursive: true, force: true });
  buildSync({
    entryPoints: { offer: join(root, 'src', 'app', 'customer', 'offer-script.tsx') },
    outdir: folder,
    entryNames: '[name]-[hash]',
    bundle: true,
    minify: true,
    format: 'esm',
    target: 'es2022',
    jsx: 'automatic',
    tsconfig: join(root, 'tsconfig.json'),
    define: { 'process.env.NODE_ENV': '"production"' },
  });
}

/**
 * Builds the worker that keeps the bench through a time without a line, with the list of the application's files: they
 * have their fingerprints in their names.
 */
function buildWorker() {
  const built = join(root, '.next');
  const files = filesBelow(join(built, 'static'))
    .map((file) => relative(built, file).split(sep).join('/'))
    .filter((file) => /\.(js|css|woff2)$/.test(file))
    .sort()
    .map((file) => ({ url: `/_next/${file}`, revision: null }));
  buildSync({
    entryPoints: [join(root, 'src', 'worker', 'bench-worker.ts')],
    outfile: join(built, 'bench-worker.js'),
    bundle: true,
    minify: true,
    format: 'iife',
    target: 'es2022',
    tsconfig: join(root, 'tsconfig.json'),
    define: { applicationFiles: JSON.stringify(files), 'process.env.NODE_ENV': '"production"' },
  });
}
