import { execFileSync, spawn, type ChildProcess } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { existsSync, mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { connect, createServer, type AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { present } from '@/core/present';
import { startTlsProxy } from './tls-proxy';

/** A shop of its own, started as a shop starts it: without demonstration data, so that it starts in seconds. */
interface Started {
  readonly base: string;
  readonly folder: string;
  readonly child: ChildProcess;
  readonly figures: string;
  readonly said: () => string;
  readonly ended: Promise<number | null>;
}

async function freePort(): Promise<number> {
  const server = createServer();
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const { port } = server.address() as AddressInfo;
  await new Promise((resolve) => server.close(resolve));
  return port;
}

async function until(what: string, isSo: () => boolean | Promise<boolean>, seconds = 60): Promise<void> {
  for (let i = 0; i < seconds * 10; i++) {
    if (await isSo()) return;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  throw new Error(`not within ${seconds} s: ${what}`);
}

const started: Started[] = [];

async function start(folder: string, more: Readonly<Record<string, string>> = {}): Promise<Started> {
  const [port, figuresPort] = [await freePort(), await freePort()];
  // As a person starts it, with the Node that the machine has.
  const child = spawn('node', [join(process.cwd(), 'scripts/start.mjs')], {
    env: {
      ...{ ...process.env, DATABASE_URL: '', PUDDLESTONE_SECRET: '', PUDDLESTONE_DEVICES: '', HOST: '127.0.0.1' },
      ...{ PORT: String(port), PUDDLESTONE_METRICS_PORT: String(figuresPort), PUDDLESTONE_DATA: folder },
      ...{ PUDDLESTONE_DEMO: '0', PUDDLESTONE_PROCESSES: '2', PUDDLESTONE_BUFFER_MB: '64', ...more },
    },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  let said = '';
  for (const stream of [child.stdout, child.stderr]) stream?.on('data', (piece) => (said += String(piece)));
  const ended = new Promise<number | null>((resolve) => child.once('exit', (code) => resolve(code)));
  let isOver = false;
  void ended.then(() => (isOver = true));
  await until('it serves or ends', () => isOver || said.includes('the first visit creates the owner'), 120);
  const [base, figures] = [`http://127.0.0.1:${port}`, `http://127.0.0.1:${figuresPort}/metrics`];
  const shop = { base, folder, child, figures, said: () => said, ended };
  started.push(shop);
  return shop;
}

async function stop({ child, ended }: Started): Promise<number | null> {
  if (child.exitCode === null) child.kill('SIGTERM');
  return ended;
}

const healthOf = (base: string) =>
  fetch(`${base}/api/health`)
    .then(({ status }) => status)
    .catch(() => 0);
const isWell = (base: string) => async () => (await healthOf(base)) === 200;

/** Sends verbs as somebody who is signed in. */
function sender(base: string) {
  let cookie = '';
  return async (verb: string, input: unknown) => {
    const answer = await fetch(`${base}/api/act/${verb}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', origin: base, cookie, 'entry-key': randomUUID() },
      body: JSON.stringify(input),
    });
    cookie = answer.headers.get('set-cookie')?.split(';')[0] ?? cookie;
    return { status: answer.status, text: await answer.text() };
  };
}
const password = 'gravel-under-the-weir';
const owner = { name: 'Ada Weir', email: 'ada@weir.example', password, pin: '' };
const shopOfOwn = { ...owner, shopName: 'Weir Pumps', place: 'Overfall', zone: 'UTC', currency: 'EUR' };
const hand = (n: number) => ({
  name: `Hand ${n}`,
  email: `hand${n}@weir.example`,
  password,
  pin: '',
  role: 'technician',
});

const childrenOf = (folder: string) =>
  (JSON.parse(readFileSync(join(folder, 'owner.json'), 'utf8')) as { children: Record<string, { pid: number }> })
    .children;
const pidOf = (folder: string, name: string) => childrenOf(folder)[name]?.pid;

/** A disk of a few megabytes, where this user may make one. */
function mountSmall(path: string): boolean {
  try {
    execFileSync('mount', ['-t', 'tmpfs', '-o', 'size=330m,mode=700', 'tmpfs', path], { stdio: 'ignore' });
    return true;
  } catch {
    return false;
  }
}
const smallDisk = mkdtempSync(join(tmpdir(), 'small-disk-'));
const isSmall = mountSmall(smallDisk);

let folder: string;
let running: Started;
let act: ReturnType<typeof sender>;
beforeAll(async () => {
  folder = join(mkdtempSync(join(tmpdir(), 'keep-running-')), 'data');
  running = await start(folder);
  act = sender(running.base);
  expect(await act('create-owner', shopOfOwn)).toMatchObject({ status: 200 });
});
afterAll(async () => {
  await Promise.all(started.map(stop));
  if (isSmall) execFileSync('umount', [smallDisk]);
  rmSync(smallDisk, { recursive: true, force: true });
  rmSync(join(folder, '..'), { recursive: true, force: true });
});

test('a server that is killed is started again, and it is said', async () => {
  const killed = present(pidOf(folder, 'server-1'));
  process.kill(killed, 'SIGKILL');
  await until('another serves', () => ![undefined, killed].includes(pidOf(folder, 'server-1')));
  await until('it answers', isWell(running.base));
  expect(running.said()).toContain(`(process ${killed}) was ended by SIGKILL. It is started again in half a second.`);
  expect(await (await fetch(running.figures)).text()).toMatch(
    /puddlestone_process_starts_total\{process="server-1"\} 2/,
  );
});

test('a database that is killed comes back with what was acknowledged; meanwhile health says so within two seconds', async () => {
  expect(await act('add-person', hand(1))).toMatchObject({ status: 200 });
  const killed = present(pidOf(folder, 'database'));
  process.kill(killed, 'SIGKILL');
  const began = performance.now();
  expect([200, 503]).toContain(await healthOf(running.base));
  expect(performance.now() - began).toBeLessThan(2000);
  await until('another runs', () => ![undefined, killed].includes(pidOf(folder, 'database')));
  await until('it answers', isWell(running.base));
  expect(await act('add-person', hand(1))).toMatchObject({ status: 422 });
});

test('a database that hangs is said to be away within two seconds, by health and by ready', async () => {
  const frozen = present(pidOf(folder, 'database'));
  process.kill(frozen, 'SIGSTOP');
  try {
    for (const path of ['/api/health', '/api/ready']) {
      const began = performance.now();
      expect((await fetch(running.base + path)).status).toBe(503);
      expect(performance.now() - began).toBeLessThan(2000);
    }
  } finally {
    process.kill(frozen, 'SIGCONT');
  }
  await until('it answers', isWell(running.base));
});

test('a second start on the same data is refused with the number of the first', async () => {
  const second = await start(folder);
  expect(await second.ended).toBe(1);
  expect(second.said()).toContain(`Process ${running.child.pid} has used this data folder since`);
  expect(await healthOf(running.base)).toBe(200);
});

test('who forges where they come from is not believed, and the log has no address with a token', async () => {
  const forged = { 'x-forwarded-proto': 'https', 'x-forwarded-host': 'elsewhere.example' };
  const answer = await fetch(`${running.base}/sign-in`, { headers: forged });
  expect(answer.headers.get('strict-transport-security')).toBeNull();
  const token = 'ab'.repeat(32);
  await fetch(`${running.base}/customer/${token}?word=quiet-secret`);
  const log = join(folder, 'logs', 'puddlestone.log');
  await until('the line is there', () => readFileSync(log, 'utf8').includes('/customer/:hidden'));
  expect(readFileSync(log, 'utf8')).not.toMatch(new RegExp(`${token}|quiet-secret|${password}|argon2`));
  for (const line of readFileSync(log, 'utf8').trim().split('\n')) expect(JSON.parse(line)).toHaveProperty('time');
});

test('what a killed start left running is known by the next one, which goes on with what was kept', async () => {
  const left = present(pidOf(folder, 'database'));
  running.child.kill('SIGKILL');
  await running.ended;
  await until('its servers end by themselves', async () => (await healthOf(running.base)) === 0);
  running = await start(folder, { PUDDLESTONE_TRUSTED_PROXIES: '127.0.0.1' });
  expect(running.said()).toContain(`left running on this data folder: database (process ${left})`);
  act = sender(running.base);
  const { email } = owner;
  expect(await act('sign-in', { email, password })).toMatchObject({ status: 200 });
  expect(await act('add-person', hand(1))).toMatchObject({ status: 422 });
});

describe('a storm', () => {
  /** Bytes as they are, and what comes back; the far end may close whenever it likes. */
  function send(pieces: readonly (string | Buffer)[], { closeAfter = false, pauseMs = 0 } = {}): Promise<string> {
    return new Promise((resolve) => {
      const { port } = new URL(running.base);
      let answer = '';
      const socket = connect(Number(port), '127.0.0.1', () => {
        void (async () => {
          for (const piece of pieces) {
            if (socket.destroyed) return;
            socket.write(piece);
            if (pauseMs) await new Promise((done) => setTimeout(done, pauseMs));
          }
          if (closeAfter) socket.destroy();
        })();
      });
      socket.setTimeout(8000, () => socket.destroy());
      socket.on('data', (piece) => (answer += piece.toString('latin1')));
      socket.on('error', () => undefined);
      socket.on('close', () => resolve(answer));
    });
  }
  const head = (method: string, path: string, headers: Readonly<Record<string, string>> = {}) =>
    `${method} ${path} HTTP/1.1\r\n${Object.entries({ host: 'x', connection: 'close', ...headers })
      .map(([name, value]) => `${name}: ${value}\r\n`)
      .join('')}\r\n`;
  const json = { 'content-type': 'application/json', origin: 'http://x' };
  const door = '/api/act/add-person';
  const shapes: readonly [what: string, pieces: readonly (string | Buffer)[], how?: Parameters<typeof send>[1]][] = [
    ['no request at all', ['\x00\xff\x16\x03\x01\x02 nothing\r\n\r\n']],
    ['half a line', ['GET /api/hea'], { closeAfter: true, pauseMs: 50 }],
    ['a head without an end', ['GET / HTTP/1.1\r\nhost: x\r\nx-a: b\r\n'], { closeAfter: true, pauseMs: 50 }],
    ['a head that is too large', [head('GET', '/', { 'x-large': 'y'.repeat(40_000) })]],
    [
      'very many headers',
      [head('GET', '/', Object.fromEntries(Array.from({ length: 1500 }, (_, i) => [`x-${i}`, 'y'])))],
    ],
    ['an address of 30 000 letters', [head('GET', `/${'a'.repeat(30_000)}`)]],
    ['a broken percent', [head('GET', '/jobs/%E0%A4%A')]],
    ['a zero byte in the address', [head('GET', '/jobs/%00')]],
    ['an unknown method', [head('BREW', '/')]],
    [
      'a length that is a lie',
      [head('POST', door, { ...json, 'content-length': '900' }), '{'],
      { closeAfter: true, pauseMs: 50 },
    ],
    ['a negative length', [head('POST', door, { ...json, 'content-length': '-5' })]],
    ['two lengths', [`POST ${door} HTTP/1.1\r\nhost: x\r\ncontent-length: 3\r\ncontent-length: 4\r\n\r\n{}\r\n`]],
    ['chunks that are none', [head('POST', door, { ...json, 'transfer-encoding': 'chunked' }), 'zz\r\n{}\r\n']],
    ['a body of 40 MB', [head('POST', door, { ...json, 'content-length': '40000000' }), Buffer.alloc(4_000_000, 32)]],
    [
      'an upgrade to nowhere',
      [head('GET', '/', { connection: 'upgrade', upgrade: 'websocket' })],
      { closeAfter: true, pauseMs: 200 },
    ],
    ['a body deep as a well', [head('POST', door, { ...json, 'content-length': '200000' }), '['.repeat(200_000)]],
    [
      'a form that is cut off',
      [
        head('POST', '/api/photos/P-0001', {
          origin: 'http://x',
          'content-type': 'multipart/form-data; boundary=b',
          'content-length': '20',
        }),
        '--b\r\ncontent-dispos',
      ],
    ],
    [
      'an action that is none',
      [head('POST', '/', { ...json, 'next-action': 'f'.repeat(40), 'content-length': '2' }), '[]'],
    ],
    ['a router state that is none', [head('GET', '/sign-in', { rsc: '1', 'next-router-state-tree': '%7B' })]],
    ['slow letters', [...head('GET', '/api/health')].map((letter) => letter), { pauseMs: 5 }],
    ['two requests in one', [head('GET', '/sign-in', { connection: 'keep-alive' }), head('GET', '/api/health')]],
  ];
  test('of large, slow, half and broken requests ends no process, and nothing of it is a failure here', async () => {
    const before = childrenOf(folder);
    const failures: string[] = [];
    for (let round = 0; round < 6; round++) {
      const answers = await Promise.all(
        shapes.map(async ([what, pieces, how]) => [what, await send(pieces, how)] as const),
      );
      for (const [what, answer] of answers)
        if (/^HTTP\/1\.1 5/.test(answer)) failures.push(`${what}: ${answer.slice(0, 60)}`);
    }
    expect(failures).toEqual([]);
    expect(await healthOf(running.base)).toBe(200);
    expect(childrenOf(folder)).toEqual(before);
  });
});

test('behind a proxy that is believed, browsers are told to stay with TLS', async () => {
  const answer = await fetch(`${running.base}/sign-in`, { headers: { 'x-forwarded-proto': 'https' } });
  expect(answer.headers.get('strict-transport-security')).toBe('max-age=31536000');
  expect((await fetch(`${running.base}/sign-in`)).headers.get('strict-transport-security')).toBeNull();
});

test('the proxy that ships: plain HTTP leads to TLS, old TLS is refused, and who signs in gets a cookie for TLS only', async () => {
  const proxy = await startTlsProxy(process.env.NGINX ?? '', running.base, [await freePort(), await freePort()]);
  try {
    const led = await fetch(`${proxy.plain}/sign-in?next=1`, { redirect: 'manual' });
    expect([led.status, led.headers.get('location')]).toEqual([301, 'https://127.0.0.1/sign-in?next=1']);
    // Of this side TLS 1.1 may be: it is the proxy that says no.
    const old = { minVersion: 'TLSv1', maxVersion: 'TLSv1.1', ciphers: 'DEFAULT@SECLEVEL=0' } as const;
    await expect(proxy.ask('/sign-in', old)).rejects.toThrow('alert protocol version');
    expect((await proxy.ask('/sign-in')).headers['strict-transport-security']).toBe('max-age=31536000');
    const { email } = owner;
    const signIn = (origin: string, more: Readonly<Record<string, string>> = {}) =>
      proxy.ask('/api/act/sign-in', {
        method: 'POST',
        headers: { 'content-type': 'application/json', origin, 'entry-key': randomUUID(), ...more },
        body: JSON.stringify({ email, password }),
      });
    expect((await signIn('https://elsewhere.example')).status).toBe(403);
    // What the client says of itself does not get past the proxy.
    const signed = await signIn('https://pumps.example', { 'x-forwarded-for': '203.0.113.9' });
    expect(signed.status).toBe(200);
    const cookies = signed.headers['set-cookie'] ?? [];
    expect(cookies.length).toBeGreaterThan(0);
    for (const cookie of cookies) expect(cookie).toMatch(/; Secure; HttpOnly|; HttpOnly; Secure/i);
    const cookie = cookies.map((one) => one.split(';')[0]).join('; ');
    const list = await proxy.ask('/library/people', { headers: { cookie } });
    expect(list.status).toBe(200);
    expect(list.text).toContain(owner.name);
    expect(list.text).toContain('127.0.0.1');
    expect(list.text).not.toContain('203.0.113.9');
    const packed = await proxy.ask('/sign-in', { headers: { 'accept-encoding': 'gzip' } });
    expect(packed.headers['content-encoding']).toBe('gzip');
  } finally {
    await proxy.stop();
  }
});

test('a stop ends all of it, with 0, and gives the folder back', async () => {
  const children = Object.values(childrenOf(folder));
  expect(await stop(running)).toBe(0);
  expect(existsSync(join(folder, 'owner.json'))).toBe(false);
  for (const { pid } of children) expect(() => process.kill(pid, 0)).toThrow();
});

(isSmall ? test : test.skip)(
  'a full disk is said in words, keeps what was acknowledged, and comes back by itself',
  async () => {
    const shop = await start(smallDisk);
    const send = sender(shop.base);
    expect(await send('create-owner', shopOfOwn)).toMatchObject({ status: 200 });
    const filler = join(smallDisk, 'filler');
    try {
      writeFileSync(filler, Buffer.alloc(300 * 1_048_576), { flag: 'w' });
    } catch {
      expect(statSync(filler).size).toBeGreaterThan(1_048_576);
    }
    let kept = 0;
    let answer = await send('add-person', hand(kept));
    while (answer.status === 200 && kept < 400) answer = await send('add-person', hand(++kept));
    expect(answer.status).toBe(507);
    expect(answer.text).toContain('The disk of the shop’s record is full.');
    await until('the start says so', () => shop.said().includes('is full: new entries are refused'), 20);
    rmSync(filler);
    expect(await send('add-person', hand(kept))).toMatchObject({ status: 200 });
    for (const n of [0, kept - 1]) expect(await send('add-person', hand(n))).toMatchObject({ status: 422 });
    // This disk is small: with room again it still gets full, and that is said once more.
    await until('the start says that there is room', () => shop.said().split('gets full').length > 2, 20);
    expect(await stop(shop)).toBe(0);
  },
);
