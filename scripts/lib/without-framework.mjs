import { existsSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { gzip } from 'node:zlib';

const folder = join(import.meta.dirname, '..', '..', '.next', 'static', 'customer');
/** The script of a customer's offer, as the build made it last; empty where it made none. */
const script = (existsSync(folder) ? readdirSync(folder) : []).find((name) => /^offer-.*\.js$/.test(name)) ?? '';
const address = script && `/_next/static/customer/${script}`;

/** What may go: the framework's scripts, with what it tells them, and the word that they are to be fetched early. */
const ofFramework = /<script(?![^>]*type="application\/json")[^>]*>[\s\S]*?<\/script>|<link[^>]* as="script"[^>]*>/g;

/**
 * A page that was drawn whole, without the framework's scripts; with a script of its own where it has data for one. A page
 * that says nothing of it, or part of which could not be drawn, is left as it is: the framework's scripts show what went
 * wrong.
 * @param {string} page
 * @param {{ nonce: string, script: string }} how
 */
export function leaveOutFramework(page, { nonce, script }) {
  const isWhole = page.includes(' data-without-framework') && !page.includes('<template data-dgst');
  const hasData = page.includes(' id="offer-data"');
  if (!isWhole || (hasData && !script)) return page;
  const own = hasData ? `<script type="module" src="${script}" nonce="${nonce}"></script>` : '';
  return page.replaceAll(ofFramework, '').replace('</body>', `${own}</body>`);
}

/** @param {import('node:http').IncomingMessage} request */
const nonceOf = ({ headers }) => /'nonce-([^']+)'/.exec(String(headers['content-security-policy'] ?? ''))?.[1] ?? '';

/**
 * Answers a customer with a page that needs none of the framework's scripts: a telephone fetches, reads and runs half as
 * much. What follows a link within the framework goes on as it is.
 * @param {import('node:http').IncomingMessage} request its header is set in place
 * @param {import('node:http').ServerResponse} response
 * @param {{ packs: boolean }} how whether to pack what the other side can unpack
 */
export function answerWithoutFramework(request, response, { packs }) {
  const { headers, method } = request;
  if (method !== 'GET' || headers.rsc !== undefined) return;
  const canUnpack = packs && /\bgzip\b/.test(String(headers['accept-encoding'] ?? ''));
  // What is changed on its way must not have been packed before.
  headers['accept-encoding'] = 'identity';
  /** @type {Buffer[]} */
  const pieces = [];
  const end = /** @type {(bytes?: Buffer) => never} */ (response.end.bind(response));
  /** @param {unknown} chunk @param {unknown} encoding */
  const take = (chunk, encoding) => {
    if (typeof chunk === 'string')
      pieces.push(Buffer.from(chunk, typeof encoding === 'string' ? /** @type {BufferEncoding} */ (encoding) : 'utf8'));
    else if (chunk instanceof Uint8Array) pieces.push(Buffer.from(chunk));
  };
  /** @param {unknown[]} given */
  const callBack = (given) => {
    const done = given.find((one) => typeof one === 'function');
    if (done) process.nextTick(/** @type {() => void} */ (done));
  };
  response.write = /** @type {typeof response.write} */ (
    /** @param {unknown[]} given */
    (...given) => {
      take(given[0], given[1]);
      callBack(given);
      return true;
    }
  );
  let isOver = false;
  response.end = /** @type {typeof response.end} */ (
    /** @param {unknown[]} given */
    (...given) => {
      callBack(given);
      if (isOver) return response;
      isOver = true;
      take(given[0], given[1]);
      const page = leaveOutFramework(Buffer.concat(pieces).toString('utf8'), {
        nonce: nonceOf(request),
        script: address,
      });
      const bytes = Buffer.from(page);
      if (!canUnpack || response.headersSent) return end(bytes);
      gzip(bytes, (error, packed) => {
        if (error) return void end(bytes);
        response.setHeader('content-encoding', 'gzip');
        response.appendHeader('vary', 'accept-encoding');
        end(packed);
      });
      return response;
    }
  );
}
