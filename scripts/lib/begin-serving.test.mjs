import { beginServing } from './begin-serving.mjs';

const shared = /** @type {{ puddlestoneBeginWord?: string }} */ (globalThis);

test('the application is asked once, with a word that only this process knows', async () => {
  /** @type {unknown[]} */
  const asked = [];
  let host = '';
  await beginServing(({ method, url, headers }, response) => {
    asked.push([method, url, headers['puddlestone-begin'] === shared.puddlestoneBeginWord]);
    host = headers.host ?? '';
    response.writeHead(204).end();
  });
  expect(asked).toEqual([['POST', '/api/begin', true]]);
  // Nobody is listened to afterwards.
  await expect(fetch(`http://${host}/api/begin`, { method: 'POST' })).rejects.toThrow();
});

test.each([
  [500, 'The database is of a newer version.', 'The database is of a newer version.'],
  [404, '', 'The application did not begin: 404'],
])('what answers %i with “%s” does not begin', async (status, words, said) => {
  const begun = beginServing((_, response) => void response.writeHead(status).end(words));
  await expect(begun).rejects.toThrow(said);
});
