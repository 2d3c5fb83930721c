import { wordsOf } from '@/core/errors';
import { guard } from './guard.mjs';

/**
 * @param {string} url
 * @param {Record<string, string>} headers
 */
function pass(url, headers = {}, method = 'GET') {
  /** @type {Record<string, string>} */
  const all = { host: 'shop.example', ...headers };
  const request = { url, method, headers: all };
  /** @type {Record<string, string>} */
  const set = {};
  const answered = { status: 0, body: '' };
  const response = {
    setHeader: (/** @type {string} */ name, /** @type {string} */ value) => void (set[name] = value),
    writeHead: (/** @type {number} */ status) => void (answered.status = status),
    end: (/** @type {string} */ body) => void (answered.body = body),
  };
  const mayGoOn = guard(/** @type {never} */ (request), /** @type {never} */ (response));
  return { mayGoOn, set, answered, policy: all['content-security-policy'] };
}
const nonceIn = (/** @type {string | undefined} */ policy) => /'nonce-([^']+)'/.exec(policy ?? '')?.[1] ?? '';

test('a page has a policy with a nonce of its own, in the request for Next and in the answer, and the usual headers', () => {
  const [one, other] = [pass('/'), pass('/jobs/P-0411')];
  expect(one.policy).toBe(one.set['content-security-policy']);
  expect(nonceIn(one.policy)).toMatch(/^[\w+/]{24}$/);
  expect(nonceIn(one.policy)).not.toBe(nonceIn(other.policy));
  expect(one.policy).not.toContain('unsafe-eval');
  expect(one.set).toMatchObject({ 'x-frame-options': 'DENY', 'x-content-type-options': 'nosniff' });
});

test('whoever brings a policy along does not choose the nonce', () => {
  const given = { 'content-security-policy': "script-src 'nonce-mine'" };
  expect(pass('/', given).policy).not.toContain('mine');
  expect(pass('/api/health', given).policy).toBeUndefined();
});

test('files, doors and the files of the build have policies of their own, or none', () => {
  expect(pass('/files/quote/x').set).not.toHaveProperty('content-security-policy');
  expect(pass('/files/quote/x').set).toHaveProperty('x-frame-options');
  for (const url of ['/api/act/hold-job', '/_next/static/x.js']) expect(pass(url).set).toEqual({});
});

test.each([
  ['from another site', { origin: 'https://elsewhere.example' }],
  ['from nowhere', {}],
  ['from what is no address', { origin: 'null' }],
])('a change %s is refused, in the words of every such refusal', (_, headers) => {
  const { mayGoOn, answered } = pass('/sign-in', /** @type {Record<string, string>} */ (headers), 'POST');
  expect([mayGoOn, answered.status]).toEqual([false, 403]);
  expect(JSON.parse(answered.body)).toEqual({ error: { code: 'foreign-origin', ...wordsOf['foreign-origin'] } });
});

test('a change from this site goes on, also behind a proxy that says its name', () => {
  expect(pass('/sign-in', { origin: 'https://shop.example' }, 'POST').mayGoOn).toBe(true);
  const behind = { origin: 'https://pumps.example', 'x-forwarded-host': 'pumps.example' };
  expect(pass('/sign-in', behind, 'POST').mayGoOn).toBe(true);
});
