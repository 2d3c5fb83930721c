import { EventEmitter } from 'node:events';
import { beginPage } from './page-data.mjs';

const shared = /** @type {{ puddlestonePages?: Map<string, Map<string, object>> }} */ (globalThis);

/**
 * @param {string} url
 * @param {Record<string, string>} headers
 */
function begin(url, headers = {}, method = 'GET') {
  const all = { host: 'shop.example', ...headers };
  const response = Object.assign(new EventEmitter(), { writableFinished: false });
  beginPage(/** @type {never} */ ({ url, method, headers: all }), /** @type {never} */ (response));
  return { id: /** @type {Record<string, string>} */ (all)['x-page-data'], response };
}

test('a page that comes whole has a place for its data as long as it is made', () => {
  const [one, other] = [begin('/jobs/P-0411'), begin('/')];
  expect(one.id).not.toBe(other.id);
  expect(shared.puddlestonePages?.get(one.id ?? '')).toEqual(new Map());
  one.response.writableFinished = true;
  one.response.emit('close');
  expect(shared.puddlestonePages?.has(one.id ?? '')).toBe(false);
  expect(shared.puddlestonePages?.has(other.id ?? '')).toBe(true);
});

test('what is made for somebody who has gone is made to its end, and its data go then', () => {
  jest.useFakeTimers();
  const { id = '', response } = begin('/plan');
  response.emit('close');
  expect(shared.puddlestonePages?.has(id)).toBe(true);
  jest.advanceTimersByTime(31_000);
  expect(shared.puddlestonePages?.has(id)).toBe(false);
  jest.useRealTimers();
});

test('what follows a link, doors, files and changes have none; nobody brings one along', () => {
  expect(begin('/plan', { rsc: '1' }).id).toBeUndefined();
  expect(begin('/api/find?text=x').id).toBeUndefined();
  expect(begin('/files/quote/P-0411/1').id).toBeUndefined();
  expect(begin('/sign-in', {}, 'POST').id).toBeUndefined();
  expect(begin('/api/health', { 'x-page-data': 'mine' }).id).toBeUndefined();
  expect(begin('/', { 'x-page-data': 'mine' }).id).not.toBe('mine');
});
