import { randomBytes } from 'node:crypto';

/** What pages are made of while they are made, by their ids and the places in them. */
const shared = /** @type {{ puddlestonePages?: Map<string, Map<string, object>> }} */ (globalThis);
const pages = (shared.puddlestonePages ??= new Map());
/** Doors, files and what belongs to the build are no pages. */
const noPage = /^\/(?:_next|api|files)\//;
/** What is still being made when whoever asked has gone is made to its end, in ms. */
const keptMs = 30_000;

/**
 * Gives a page that comes whole an id under which its data are found while it is drawn, so that they are written into it
 * once (`src/app/page-data.ts`). What follows in a page that stands brings its data itself.
 * @param {import('node:http').IncomingMessage} request its header is set in place
 * @param {import('node:http').ServerResponse} response
 */
export function beginPage({ url = '/', method, headers }, response) {
  delete headers['x-page-data'];
  if (method !== 'GET' || headers.rsc !== undefined || noPage.test(url)) return;
  const id = randomBytes(9).toString('base64url');
  headers['x-page-data'] = id;
  pages.set(id, new Map());
  response.once('close', () => {
    if (response.writableFinished) pages.delete(id);
    else setTimeout(() => pages.delete(id), keptMs).unref();
  });
}
