import { createServer } from 'node:http';
import { answerWithoutFramework, leaveOutFramework } from './without-framework.mjs';

const how = { nonce: 'n1', script: '/offer-1.js' };
const data = '<script type="application/json" id="offer-data">{"words":"\\u003c/script>"}</script>';
const head =
  '<head><link rel="preload" as="script" href="/a.js"/><link rel="stylesheet" href="/a.css"/><script src="/a.js" async=""></script></head>';
const told = '<script nonce="n1">self.__next_f.push([1,"\\u003cscript"])</script>';
const page = (/** @type {string} */ inner) => `<html>${head}<body><div${inner}</div>${told}</body></html>`;

test('the framework’s scripts go, style and data stay, and one script takes up the offer', () => {
  expect(leaveOutFramework(page(` data-without-framework>an offer</div>${data}<div>`), how)).toBe(
    `<html><head><link rel="stylesheet" href="/a.css"/></head><body><div data-without-framework>an offer</div>${data}<div></div><script type="module" src="/offer-1.js" nonce="n1"></script></body></html>`,
  );
});

test('a page without data has no script at all', () => {
  expect(leaveOutFramework(page(' data-without-framework>gone'), how)).toBe(
    '<html><head><link rel="stylesheet" href="/a.css"/></head><body><div data-without-framework>gone</div></body></html>',
  );
});

test.each([
  ['says nothing of it', page('>an offer'), how],
  ['could not be drawn whole', page(' data-without-framework><template data-dgst="1"></template>'), how],
  ['has data for a script that was not built', page(` data-without-framework>${data}`), { nonce: 'n1', script: '' }],
])('a page that %s is left as it is', (_, one, given) => {
  expect(leaveOutFramework(one, given)).toBe(one);
});

/** @param {{ packs: boolean, headers?: Record<string, string> }} how */
async function ask({ packs, headers = {} }) {
  const heard = { encoding: '' };
  const server = createServer((request, response) => {
    answerWithoutFramework(request, response, { packs });
    heard.encoding = String(request.headers['accept-encoding']);
    response.setHeader('content-type', 'text/html; charset=utf-8');
    const bytes = Buffer.from(page(' data-without-framework>für Sie'));
    // A letter of two bytes is cut in the middle.
    const at = bytes.indexOf('ü') + 1;
    response.write(bytes.subarray(0, at));
    response.write(bytes.subarray(at), () => response.end().end());
  });
  await new Promise((done) => server.listen(0, '127.0.0.1', () => done(undefined)));
  const { port } = /** @type {import('node:net').AddressInfo} */ (server.address());
  const answer = await fetch(`http://127.0.0.1:${port}/`, { headers: { 'accept-encoding': 'br, gzip', ...headers } });
  const text = await answer.text();
  server.close();
  return { text, packed: answer.headers.get('content-encoding'), told: heard.encoding };
}

test('what comes in pieces is answered whole, packed for who is far and can unpack', async () => {
  const plain = expect.stringContaining('>für Sie</div></body>');
  expect(await ask({ packs: false })).toEqual({ text: plain, packed: null, told: 'identity' });
  expect(await ask({ packs: true })).toEqual({ text: plain, packed: 'gzip', told: 'identity' });
  expect(await ask({ packs: true, headers: { 'accept-encoding': 'br' } })).toMatchObject({ packed: null });
});

test('what follows a link within the framework goes on as it is', async () => {
  const { text, told } = await ask({ packs: false, headers: { rsc: '1' } });
  expect([text.includes('__next_f'), told]).toEqual([true, 'br, gzip']);
});
