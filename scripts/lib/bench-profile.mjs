// Where the milliseconds of a view go: a profile of the serving process, taken through its inspector; a part of
// `npm run bench -- --profile`.
import { timeOf } from './bench-views.mjs';

/**
 * @typedef {{ id: number, callFrame: { functionName: string, url: string }, children?: readonly number[] }} ProfileNode
 * @typedef {{ nodes: readonly ProfileNode[], samples: readonly number[], timeDeltas: readonly number[] }} Profile
 */

/** What a piece of the program is part of, by where it stands; the first that fits. */
const groups = /** @type {const} */ ([
  ['React and Next', /app-(?:page|route)-turbo\.runtime|node_modules\/next\/|node_modules_next_/],
  ['database driver', /node_modules\/(?:mysql2|sql-escaper|denque|iconv-lite|lru\.min)\//],
  ['our own and its packages', /\.next\/server\/chunks/],
  ['our server', /\/scripts\//],
  ['Node: streams, sockets, promises', /^node:/],
]);
const memory = 'memory given back';
const rest = 'the rest';
export const groupNames = [...groups.map(([name]) => name), memory, rest];

/**
 * The time of a profile by groups, in ms; idle time is left out. What has no place of its own, such as JSON and
 * expressions, is of whoever called it.
 * @param {Profile} profile
 * @returns {Readonly<Record<string, number>>}
 */
export function timeByGroup({ nodes, samples, timeDeltas }) {
  const byId = new Map(nodes.map((node) => [node.id, node]));
  const parents = new Map(nodes.flatMap(({ id, children = [] }) => children.map((child) => [child, id])));
  /** @param {number} id @returns {string} */
  const groupOf = (id) => {
    const node = byId.get(id);
    if (!node) return rest;
    const { functionName, url } = node.callFrame;
    if (functionName === '(garbage collector)') return memory;
    if (url) return groups.find(([, places]) => places.test(url))?.[0] ?? rest;
    const parent = parents.get(id);
    return parent === undefined ? rest : groupOf(parent);
  };
  /** @type {Record<string, number>} */
  const found = Object.fromEntries(groupNames.map((name) => [name, 0]));
  samples.forEach((id, i) => {
    if (byId.get(id)?.callFrame.functionName === '(idle)') return;
    const group = groupOf(id);
    found[group] = (found[group] ?? 0) + (timeDeltas[i] ?? 0) / 1000;
  });
  return found;
}

/** Talks to the inspector of a process. @param {number} port */
async function inspect(port) {
  const list = await (await fetch(`http://127.0.0.1:${port}/json/list`)).json();
  const socket = new WebSocket(list[0].webSocketDebuggerUrl);
  await new Promise((resolve, reject) => {
    socket.addEventListener('open', resolve, { once: true });
    socket.addEventListener('error', reject, { once: true });
  });
  let last = 0;
  /** @param {string} method @param {object} params @returns {Promise<any>} */
  const call = (method, params = {}) => {
    const id = ++last;
    socket.send(JSON.stringify({ id, method, params }));
    return new Promise((resolve) => {
      /** @param {MessageEvent} message */
      const listen = ({ data }) => {
        const answer = JSON.parse(String(data));
        if (answer.id !== id) return;
        socket.removeEventListener('message', listen);
        resolve(answer.result);
      };
      socket.addEventListener('message', listen);
    });
  };
  return { call, close: () => socket.close() };
}

const everyUs = 300;

/**
 * Milliseconds that one request for an address keeps the process busy, by groups.
 * @param {string} address
 * @param {{ cookie: string, port: number, rounds: number }} how port of the inspector
 */
export async function profileOf(address, { cookie, port, rounds }) {
  for (let i = 0; i < 10; i++) await timeOf(address, cookie);
  const { call, close } = await inspect(port);
  await call('Profiler.enable');
  await call('Profiler.setSamplingInterval', { interval: everyUs });
  await call('Profiler.start');
  for (let i = 0; i < rounds; i++) await timeOf(address, cookie);
  const { profile } = await call('Profiler.stop');
  close();
  return Object.fromEntries(Object.entries(timeByGroup(profile)).map(([name, ms]) => [name, ms / rounds]));
}
