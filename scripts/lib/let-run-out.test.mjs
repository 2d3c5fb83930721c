import { Agent, createServer, request as ask } from 'node:http';
import { Readable } from 'node:stream';
import { letRunOut } from './let-run-out.mjs';

/** @type {(() => void)[]} */
const ends = [];
afterEach(() => {
  for (const end of ends.splice(0)) end();
});

/**
 * A server that refuses a body after its first piece, as one that is too large.
 * @param {{ mostBytes?: number, mostMs?: number }} limits
 */
async function serve(limits = {}) {
  const server = createServer((request, response) => {
    letRunOut(request, response, limits);
    const reader = /** @type {ReadableStream<Uint8Array>} */ (Readable.toWeb(request)).getReader();
    void reader.read().then(() => response.writeHead(413).end('too large'));
  });
  await new Promise((done) => server.listen(0, '127.0.0.1', () => done(undefined)));
  const agent = new Agent({ keepAlive: true, maxSockets: 1 });
  ends.push(() => (agent.destroy(), server.closeAllConnections(), server.close()));
  const { port } = /** @type {import('node:net').AddressInfo} */ (server.address());
  return { port, agent };
}

/**
 * Sends a body whole before it reads the answer.
 * @param {{ port: number, agent: Agent }} at
 * @param {number} bytes
 * @returns {Promise<string>} status and words of the answer, or what went wrong
 */
const send = ({ port, agent }, bytes) =>
  new Promise((resolve) => {
    const sent = ask({ port, agent, method: 'POST', headers: { 'content-length': bytes } }, (answer) => {
      answer.setEncoding('utf8');
      let text = '';
      answer.on('data', (piece) => (text += piece));
      answer.on('end', () => resolve(`${answer.statusCode} ${text}`));
      answer.on('error', (error) => resolve(error.message));
    });
    sent.on('error', (error) => resolve(error.message));
    sent.end(Buffer.alloc(bytes));
  });

test('who is refused while sending reads the answer, and asks on by the same connection', async () => {
  const at = await serve();
  for (let i = 0; i < 5; i++) expect(await send(at, 3_000_000)).toBe('413 too large');
});

/** Opens a request that goes on sending for as long as it may; says when it was cut off. @param {{ port: number }} at */
const sendOnAndOn = ({ port }) =>
  new Promise((resolve) => {
    const sent = ask({ port, method: 'POST' });
    const timer = setInterval(() => sent.write(Buffer.alloc(100_000)), 5);
    const late = setTimeout(() => resolve('still sending'), 3000);
    ends.push(() => (clearInterval(timer), clearTimeout(late), sent.destroy()));
    sent.on('response', (answer) => answer.resume().on('error', () => undefined));
    sent.on('error', () => undefined);
    sent.on('close', () => resolve('cut off'));
    sent.write('x');
  });

test.each([
  ['much', { mostBytes: 500_000, mostMs: 60_000 }],
  ['long', { mostBytes: 1e12, mostMs: 200 }],
])('who sends too %s after the answer is cut off', async (_, limits) => {
  expect(await sendOnAndOn(await serve(limits))).toBe('cut off');
});
