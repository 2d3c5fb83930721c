/** For how many turns of the loop a look waits at most. */
const mostTurns = 3;

/**
 * @typedef {Pick<import('node:http').IncomingMessage, 'method' | 'url'>} Asked
 * @typedef {{ once: (event: 'close', done: () => void) => unknown }} Closing
 */

/**
 * Whoever keeps an entry goes before whoever looks: an entry takes six turns of the loop, a page that is given again
 * one or two, and of many who do either at once the entries came to a quarter of what was done. While an entry is in
 * hand a look waits for some turns, which takes nothing of the processor; then it is answered, whatever is in hand.
 * @returns {(request: Asked, response: Closing, answer: () => Promise<void>) => Promise<void>}
 */
export function entriesFirst() {
  let inHand = 0;
  return async ({ method, url = '' }, response, answer) => {
    if (method === 'POST' && url.startsWith('/api/act/')) {
      inHand++;
      response.once('close', () => inHand--);
      return answer();
    }
    for (let turn = 0; turn < mostTurns && inHand > 0; turn++) await new Promise((go) => setImmediate(go));
    return answer();
  };
}
