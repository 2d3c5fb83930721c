import { createServer } from 'node:http';
import { keepPages } from './kept-pages.mjs';

const policyOf = (/** @type {string} */ nonce) => `script-src 'nonce-${nonce}'`;

/**
 * A server in front of a page that says how often it was made, and who changes what it reads.
 * @param {{ headers?: Record<string, string>, status?: number, size?: number, mostBytes?: number }} [how]
 */
async function serve({ headers = {}, status = 200, size = 0, mostBytes = 1e6 } = {}) {
  const state = {
    ...{ made: 0, again: 0, asked: 0, version: 1, now: 0, isDatabaseUp: true, isRepeatable: true },
    ...{ waits: Promise.resolve(), answers: Promise.resolve() },
  };
  const answer = keepPages({
    mostBytes,
    now: () => state.now,
    onAgain: () => (state.again += 1),
    looks: () => ({
      begin: () => ({ isRepeatable: state.isRepeatable, version: state.version }),
      within: (_asked, run) => run(),
      isAsBefore: async (asked) => {
        state.asked += 1;
        await state.answers;
        if (!state.isDatabaseUp) throw new Error('the database is away');
        return /** @type {{ version?: number }} */ (asked).version === state.version;
      },
    }),
  });
  let nonces = 0;
  const server = createServer((request, response) => {
    const nonce = `fresh-${++nonces}`;
    request.headers['content-security-policy'] = policyOf(nonce);
    response.setHeader('content-security-policy', policyOf(nonce));
    const make = async () => {
      await state.waits;
      state.made += 1;
      response.writeHead(status, { 'content-type': 'text/html', link: `</a.js>; nonce="${nonce}"`, ...headers });
      response.write(`<script nonce="${nonce}">`);
      response.end(Buffer.from(`page ${state.made} ü ${'x'.repeat(size)}</script nonce="${nonce}">`));
    };
    void answer(request, response, make);
  });
  await new Promise((done) => server.listen(0, '127.0.0.1', () => done(undefined)));
  const { port } = /** @type {import('node:net').AddressInfo} */ (server.address());
  /** @param {string} path @param {RequestInit} [init] */
  const ask = async (path = '/', init = {}) => {
    const all = { cookie: 'puddlestone=wenna', ...init.headers };
    const got = await fetch(`http://127.0.0.1:${port}${path}`, { ...init, headers: all });
    return { got, text: await got.text() };
  };
  return { state, ask, close: () => void server.close() };
}

test('a page is given again to the same browser, with a nonce of its own and all its headers', async () => {
  const { state, ask, close } = await serve();
  const first = await ask();
  expect(first.text).toBe('<script nonce="fresh-1">page 1 ü </script nonce="fresh-1">');
  const again = await ask();
  expect(again.text).toBe('<script nonce="fresh-2">page 1 ü </script nonce="fresh-2">');
  expect(again.got.headers.get('content-security-policy')).toBe(policyOf('fresh-2'));
  expect(again.got.headers.get('link')).toBe('</a.js>; nonce="fresh-2"');
  expect(again.got.headers.get('content-type')).toBe('text/html');
  expect(state).toMatchObject({ made: 1, again: 1 });
  close();
});

test('it is made anew when the database answers otherwise, or not at all, and in another minute', async () => {
  const { state, ask, close } = await serve();
  const count = async () => (await ask()).text.match(/page \d+/)?.[0];
  expect(await count()).toBe('page 1');
  state.version = 2;
  expect([await count(), await count()]).toEqual(['page 2', 'page 2']);
  state.isDatabaseUp = false;
  expect(await count()).toBe('page 3');
  state.isDatabaseUp = true;
  expect(await count()).toBe('page 3');
  state.now = 60_000;
  expect([await count(), await count()]).toEqual(['page 4', 'page 4']);
  close();
});

test.each([
  ['another person', '/', { headers: { cookie: 'puddlestone=joss' } }],
  ['another browser', '/', { headers: { 'user-agent': 'another' } }],
  ['another address', '/?after=1', {}],
  ['what follows a link', '/', { headers: { rsc: '1' } }],
  ['another host', '/', { headers: { 'x-forwarded-host': 'shop.example' } }],
])('%s has another page', async (_, path, init) => {
  const { state, ask, close } = await serve();
  await ask();
  await ask(path, init);
  expect(state.made).toBe(2);
  close();
});

test.each([
  ['changes', '/', { method: 'POST' }],
  ['a door', '/api/find?text=x', {}],
  ['a file', '/files/quote/1', {}],
  ['the page of a customer', '/customer/abc', {}],
  ['whoever has not signed in', '/', { headers: { cookie: 'other=1' } }],
])('nothing is kept of %s', async (_, path, init) => {
  const { state, ask, close } = await serve();
  await ask(path, init);
  await ask(path, init);
  expect(state.made).toBe(2);
  close();
});

test.each([
  ['that signs somebody in', { headers: { 'set-cookie': 'a=b' } }],
  ['that was packed', { headers: { 'content-encoding': 'identity' } }],
  ['that was not found', { status: 404 }],
  ['that is very large', { size: 1_600_000 }],
  ['where nothing is to be kept', { mostBytes: 0 }],
  ['that is larger than all that is kept', { size: 5000, mostBytes: 35_000 }],
])('a page %s is made each time', async (_, how) => {
  const { state, ask, close } = await serve(how);
  await ask();
  await ask();
  expect(state.made).toBe(2);
  close();
});

test('a page by which something was written is made each time', async () => {
  const { state, ask, close } = await serve();
  state.isRepeatable = false;
  await ask();
  await ask();
  expect(state.made).toBe(2);
  close();
});

test('who asks for a page that is being made waits for it; where it does not hold any more it is made anew', async () => {
  const { state, ask, close } = await serve();
  let goOn = () => undefined;
  state.waits = new Promise((done) => (goOn = () => void done(undefined)));
  const both = [ask(), ask()];
  await new Promise((done) => setTimeout(done, 50));
  goOn();
  expect((await Promise.all(both)).map(({ text }) => text.match(/page \d/)?.[0])).toEqual(['page 1', 'page 1']);
  state.version = 2;
  state.waits = new Promise((done) => (goOn = () => void done(undefined)));
  const more = [ask(), ask()];
  await new Promise((done) => setTimeout(done, 50));
  state.version = 3;
  goOn();
  expect(new Set((await Promise.all(more)).map(({ text }) => text.match(/page \d/)?.[0]))).toEqual(
    new Set(['page 2', 'page 3']),
  );
  close();
});

test('those who waited for a page that does not hold share the next one, which was begun after they came', async () => {
  const { state, ask, close } = await serve();
  const pageOf = (/** @type {{ text: string }} */ { text }) => text.match(/page \d/)?.[0];
  const soon = () => new Promise((done) => setTimeout(done, 50));
  let goOn = () => undefined;
  state.waits = new Promise((done) => (goOn = () => void done(undefined)));
  const first = ask();
  await soon();
  const others = [ask(), ask(), ask()];
  await soon();
  state.version = 2;
  goOn();
  expect(pageOf(await first)).toBe('page 1');
  const shared = await Promise.all(others);
  expect(shared.map(pageOf)).toEqual(['page 2', 'page 2', 'page 2']);
  // Each with a nonce of its own.
  expect(new Set(shared.map(({ text }) => text)).size).toBe(3);
  expect(state).toMatchObject({ made: 2, again: 2 });
  close();
});

test('what may not be given again is not shared either', async () => {
  const { state, ask, close } = await serve();
  state.isRepeatable = false;
  let goOn = () => undefined;
  state.waits = new Promise((done) => (goOn = () => void done(undefined)));
  const all = [ask(), ask(), ask()];
  await new Promise((done) => setTimeout(done, 50));
  goOn();
  await Promise.all(all);
  expect(state).toMatchObject({ made: 3, again: 0 });
  close();
});

test('who comes while the database is being asked shares the next question, which begins after all of them', async () => {
  const { state, ask, close } = await serve();
  const pageOf = (/** @type {{ text: string }} */ { text }) => text.match(/page \d/)?.[0];
  const soon = () => new Promise((done) => setTimeout(done, 50));
  await ask();
  let goOn = () => undefined;
  state.answers = new Promise((done) => (goOn = () => void done(undefined)));
  const first = ask();
  await soon();
  const others = [ask(), ask(), ask()];
  await soon();
  expect(state.asked).toBe(1);
  state.answers = Promise.resolve();
  goOn();
  expect((await Promise.all([first, ...others])).map(pageOf)).toEqual(['page 1', 'page 1', 'page 1', 'page 1']);
  expect(state.asked).toBe(2);
  // What changed while the first was asked is met by the question of those who came after it.
  state.answers = new Promise((done) => (goOn = () => void done(undefined)));
  const early = ask();
  await soon();
  state.version = 2;
  const late = ask();
  await soon();
  state.answers = Promise.resolve();
  goOn();
  expect(pageOf(await late)).not.toBe('page 1');
  await early;
  close();
});
