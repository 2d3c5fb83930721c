import { randomUUID } from 'node:crypto';
import { once } from 'node:events';
import { createServer } from 'node:http';

/**
 * Lets the application begin what a serving process begins with (`src/app/api/begin`), by a request that only this
 * process can make: with a word that it keeps to itself, and by a port of loopback that is open no longer than that.
 * Rejects with what the application says where it must not serve.
 * @param {import('node:http').RequestListener} handle as Next answers
 */
export async function beginServing(handle) {
  const word = randomUUID();
  Object.assign(globalThis, { puddlestoneBeginWord: word });
  // Processes of a cluster share even a port that nobody named.
  const own = createServer(handle).listen({ port: 0, host: '127.0.0.1', exclusive: true });
  try {
    await once(own, 'listening');
    const { port } = /** @type {import('node:net').AddressInfo} */ (own.address());
    const address = `http://127.0.0.1:${port}/api/begin`;
    const answer = await fetch(address, {
      method: 'POST',
      headers: { 'puddlestone-begin': word, connection: 'close' },
    });
    if (answer.status !== 204)
      throw new Error((await answer.text()) || `The application did not begin: ${answer.status}`);
  } finally {
    own.close();
    own.closeAllConnections();
  }
}
