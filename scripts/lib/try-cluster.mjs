// A shop on several machines, tried on one: three nodes of the database and two serving processes, each kept up.
import { fork } from 'node:child_process';
import { chmodSync, mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { keptWord } from './database.mjs';
import { addressOf, latestOf, placesFor, startNode } from './galera.mjs';
import { keepUp } from './keep-up.mjs';
import { nodeProgram } from './node-program.mjs';
import { runScript } from './prepare.mjs';
import { servingEnvironment, untilReady } from './serve.mjs';

const root = join(import.meta.dirname, '..', '..');
/**
 * Keeps one node up. It joins those that run; where none does, the one that has seen most makes the cluster anew. One
 * that is frozen runs: what it knows is not to be known otherwise by another.
 * @param {import('./galera.mjs').Place[]} places
 * @param {number} index
 * @param {{ isThrownAway: boolean, tell: (line: string) => void, nodes: readonly ({ pid: () => number | undefined } | undefined)[] }} how
 */
async function keepNode(places, index, { isThrownAway, tell, nodes }) {
  return keepUp({
    name: `Node ${index + 1}`,
    tell,
    start: async () => {
      const isFirst = !nodes.some((node, i) => i !== index && node?.pid() !== undefined);
      if (isFirst && latestOf(places) !== index)
        throw new Error(`it waits for node ${latestOf(places) + 1}, which has seen more`);
      return startNode(places, index, { isFirst, isThrownAway, tell });
    },
  });
}

/**
 * @param {number} port
 * @param {Readonly<Record<string, string>>} environment
 * @param {(line: string) => void} log
 */
async function startApplication(port, environment, log) {
  const child = fork(join(root, 'scripts/serve-next.mjs'), [String(port), '127.0.0.1'], {
    cwd: root,
    execPath: nodeProgram(),
    env: { ...process.env, ...environment, ...servingEnvironment },
    execArgv: ['--max-old-space-size=256'],
    silent: true,
  });
  return untilReady(child, log);
}

/**
 * Starts it all, the database with the shop in it; the application must have been built.
 * @param {{
 *   folder: string,
 *   ports: readonly number[],
 *   isDemonstration?: boolean,
 *   isThrownAway?: boolean,
 *   tell: (line: string) => void,
 *   log?: (line: string) => void,
 *   reach?: (places: readonly import('./galera.mjs').Place[], application: number) => Promise<readonly number[]>,
 * }} how `ports` of the serving processes; `reach` gives the ports at which one of them finds the nodes
 */
export async function tryCluster({
  folder,
  ports,
  isDemonstration = true,
  isThrownAway = false,
  tell,
  log = () => undefined,
  reach = async (places) => places.map(({ port }) => port),
}) {
  mkdirSync(folder, { recursive: true });
  // The nodes may run as somebody else, who must get in.
  chmodSync(folder, 0o755);
  const places = [...(await placesFor(folder))];
  /** @type {Awaited<ReturnType<typeof keepUp>>[]} */
  const kept = [];
  const stop = async () => {
    for (const one of kept.reverse()) await one.stop();
  };
  try {
    const latest = latestOf(places);
    /** @type {Awaited<ReturnType<typeof keepUp>>[]} */
    const nodes = [];
    for (const index of [latest, ...places.map((_, i) => i).filter((i) => i !== latest)]) {
      // What joins may meet another that is busy with itself: it is tried once more.
      const node = await keepNode(places, index, { isThrownAway, tell, nodes }).catch((error) => {
        tell(`Node ${index + 1} could not be started, and is tried again: ${error.message.split('\n')[0]}`);
        return keepNode(places, index, { isThrownAway, tell, nodes });
      });
      kept.push(node);
      nodes[index] = node;
      tell(`Node ${index + 1} of the database is up.`);
    }
    const environment = {
      PUDDLESTONE_SECRET: keptWord(folder, 'session-secret'),
      PUDDLESTONE_DEMO: isDemonstration ? '1' : '0',
      PUDDLESTONE_BACKUPS: join(folder, 'backups'),
    };
    runScript('scripts/prepare.ts', { ...environment, DATABASE_URL: addressOf(places) });
    const applications = await Promise.all(
      ports.map(async (port, i) => {
        const own = { ...environment, DATABASE_URL: addressOf(places, i, await reach(places, i)) };
        const start = () => startApplication(port, own, log);
        const application = await keepUp({ name: `Application ${i + 1}`, tell, start });
        kept.push(application);
        return { pid: application.pid, address: `http://127.0.0.1:${port}` };
      }),
    );
    return { places, nodes, applications, environment, stop };
  } catch (error) {
    await stop();
    throw error;
  }
}
