// npm run cluster: three MariaDB Galera nodes and two serving processes on this machine, for trying what a shop on
// several machines lives through. What is killed comes back.
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { createHash } from 'node:crypto';
import { ensureNodePackages } from './lib/packages.mjs';
import { fail, say } from './lib/say.mjs';

ensureNodePackages();
const { buildWhenChanged } = await import('./lib/build.mjs');
const { findLastingPort } = await import('./lib/ports.mjs');
const { runScript } = await import('./lib/prepare.mjs');
const { tryCluster } = await import('./lib/try-cluster.mjs');
const { addressOf } = await import('./lib/galera.mjs');

const root = join(import.meta.dirname, '..');
const name = `puddlestone-cluster-${createHash('sha256').update(root).digest('hex').slice(0, 8)}`;
// As root the nodes run as another user, who may not enter the project's folder.
const usual = process.getuid?.() === 0 ? join(tmpdir(), name) : join(root, '.cluster-data');
const folder = resolve(process.env.PUDDLESTONE_CLUSTER_DATA ?? usual);
/** @type {Awaited<ReturnType<typeof tryCluster>> | undefined} */
let cluster;
let isStopping = false;
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'])
  process.on(signal, async () => {
    if (isStopping) return;
    isStopping = true;
    say('Stopping …');
    await cluster?.stop();
    process.exit(0);
  });

try {
  buildWhenChanged();
  const ports = [await findLastingPort(), await findLastingPort()];
  const isDemonstration = process.env.PUDDLESTONE_DEMO !== '0';
  cluster = await tryCluster({ folder, ports, isDemonstration, tell: say });
  const { places, nodes, applications, environment } = cluster;
  say('\nThe same shop at two addresses, over a database of three nodes (Ctrl-C stops all):');
  for (const { address, pid } of applications) say(`  ${address}  process ${pid()}`);
  for (const [i, { port }] of places.entries()) say(`  node ${i + 1}  127.0.0.1:${port}  process ${nodes[i]?.pid()}`);
  say('End or freeze one (kill -9, kill -STOP and -CONT): the others go on, and what was ended comes back.');
  say(`The data are in ${folder}.`);
  if (isDemonstration) runScript('scripts/print-sign-ins.ts', { ...environment, DATABASE_URL: addressOf(places) });
  setInterval(() => undefined, 2 ** 30);
} catch (error) {
  await cluster?.stop();
  fail(error instanceof Error ? error.message : String(error));
}
