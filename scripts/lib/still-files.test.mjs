import { readFileSync } from 'node:fs';
import { answerStill } from './still-files.mjs';

/** @param {string} url */
function ask(url, method = 'GET') {
  /** @type {{ status: number, headers: Record<string, unknown>, body?: Buffer }} */
  const answered = { status: 0, headers: {} };
  const response = {
    writeHead: (/** @type {number} */ status, /** @type {Record<string, unknown>} */ headers) =>
      void Object.assign(answered, { status, headers }),
    end: (/** @type {Buffer | undefined} */ body) => void (body && (answered.body = body)),
  };
  const isStill = answerStill(/** @type {never} */ ({ url, method }), /** @type {never} */ (response));
  return { isStill, ...answered };
}

test('the signs of the shop are answered from memory, for a day, and run nothing', () => {
  const { isStill, headers, body } = ask('/icon.svg?icon.1a2b.svg');
  expect(isStill).toBe(true);
  expect(body).toEqual(readFileSync('src/app/icon.svg'));
  expect(headers).toMatchObject({ 'content-type': 'image/svg+xml', 'cache-control': 'public, max-age=86400' });
  expect(headers['content-security-policy']).toContain('sandbox');
  expect(ask('/favicon.ico', 'HEAD')).not.toHaveProperty('body');
});

test('anything else is left to who answers pages', () => {
  for (const [url, method] of [['/'], ['/icon.svgx'], ['/icon.svg', 'POST'], ['/../package.json']])
    expect(ask(url ?? '', method).isStill).toBe(false);
});
