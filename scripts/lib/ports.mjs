import { createServer } from 'node:net';

/**
 * A port on loopback that nobody uses just now.
 * @returns {Promise<number>}
 */
export function findFreePort() {
  return new Promise((resolve, reject) => {
    const server = createServer();
    server.once('error', reject);
    server.listen(0, '127.0.0.1', () => {
      const address = server.address();
      const port = typeof address === 'object' && address ? address.port : 0;
      server.close(() => resolve(port));
    });
  });
}

/**
 * @param {number} port
 * @param {string} host
 * @returns {Promise<boolean>}
 */
export function isPortFree(port, host) {
  return new Promise((resolve) => {
    const server = createServer();
    server.once('error', () => resolve(false));
    server.listen(port, host, () => server.close(() => resolve(true)));
  });
}

/**
 * Waits a little for a port that is being given back, such as by a server that just ends.
 * @param {number} port
 * @param {string} host
 * @returns {Promise<boolean>} whether it is free
 */
export async function waitForPort(port, host) {
  for (let i = 0; i < 30; i++) {
    if (await isPortFree(port, host)) return true;
    await new Promise((resolve) => setTimeout(resolve, 200));
  }
  return false;
}

/** Below the ports that systems give to whoever connects to somebody: nobody takes one of these by chance. */
const lasting = { from: 20_000, to: 32_000 };
/** @type {Set<number>} */
const given = new Set();

/** A port that is free now and stays so, for what is started later or again. */
export async function findLastingPort() {
  for (;;) {
    const port = lasting.from + Math.floor(Math.random() * (lasting.to - lasting.from));
    if (given.has(port) || !(await isPortFree(port, '127.0.0.1'))) continue;
    given.add(port);
    return port;
  }
}
