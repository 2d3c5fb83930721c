/** What is left of a request once it was answered is taken in to its end, so much and so long at most. */
const mostBytes = 16_000_000;
const mostMs = 10_000;

/**
 * Whoever is refused in the middle of sending (a body that is too large, somebody who is not known) goes on sending, and
 * reads the answer only then: what is left is taken in and thrown away, or they would meet a connection that is broken
 * off, and the next request on it would wait for ever. Who sends without an end is cut off.
 * @param {import('node:http').IncomingMessage} request
 * @param {import('node:http').ServerResponse} response
 * @param {{ mostBytes?: number, mostMs?: number }} [limits]
 */
export function letRunOut(request, response, limits = {}) {
  const most = { mostBytes, mostMs, ...limits };
  response.once('finish', () => {
    if (request.complete) return;
    const cut = () => void (request.complete || request.socket.destroy());
    const timer = setTimeout(cut, most.mostMs).unref();
    let bytes = 0;
    request.unpipe();
    for (const heard of ['data', 'readable']) request.removeAllListeners(heard);
    request.on('data', (/** @type {Buffer} */ chunk) => {
      bytes += chunk.length;
      if (bytes > most.mostBytes) cut();
    });
    request.once('end', () => clearTimeout(timer));
    request.resume();
  });
}
