import { LRUCache } from 'lru-cache';

/**
 * What the application says of the database (`src/db/client.ts`): what a look asked and was answered, and whether it
 * would be answered so again.
 * @typedef {{ readonly isRepeatable: boolean }} Asked
 * @typedef {{ begin: () => Asked, within: <Result>(asked: Asked, run: () => Result) => Result, isAsBefore: (asked: Asked) => Promise<boolean> }} Looks
 * @typedef {import('node:http').IncomingMessage} Request
 * @typedef {import('node:http').ServerResponse} Response
 * @typedef {{ asked: Asked, minute: number, headers: readonly (readonly [string, number | string | string[]])[], pieces: readonly Buffer[], nonce: string, bytes: number }} Kept
 */

/** Doors, files, what belongs to the build, and what people see who have not signed in. */
const noPage = /^\/(?:_next|api|files|customer|sign-in|welcome)(?:\/|\?|$)/;
/** All that a page may be another one by, beside the record. */
const heeded = [
  ...['cookie', 'host', 'user-agent', 'accept', 'accept-language', 'accept-encoding'],
  ...['x-forwarded-for', 'x-forwarded-host', 'x-forwarded-proto'],
  ...['rsc', 'next-url', 'next-router-state-tree', 'next-router-prefetch', 'next-router-segment-prefetch'],
];
/** Headers of one answer only. */
const ownHeaders = new Set(['connection', 'content-length', 'date', 'keep-alive', 'transfer-encoding']);
/** What a page asked, in bytes about: its statements are kept with it. */
const bytesAsked = 30_000;
/** A page larger than this is not kept, in bytes. */
const mostOfOne = 1_500_000;

/** @param {Request} request @returns {string | null} */
function keyOf({ method, url = '/', headers }) {
  if (method !== 'GET' || noPage.test(url) || headers['next-action'] !== undefined) return null;
  if (!headers.cookie?.includes('puddlestone=')) return null;
  return [url, ...heeded.map((name) => headers[name] ?? '')].join('\n');
}

/** @param {Request} request */
const nonceOf = ({ headers }) => /'nonce-([^']+)'/.exec(String(headers['content-security-policy'] ?? ''))?.[1] ?? '';

/** @param {number | string | string[]} value @param {(text: string) => string} change */
const inHeader = (value, change) =>
  Array.isArray(value) ? value.map(change) : typeof value === 'string' ? change(value) : value;

/**
 * Takes down what is written into an answer, as far as it may be kept.
 * @param {Response} response
 * @returns {() => Buffer | null} all of it; null where it was too much
 */
function follow(response) {
  /** @type {Uint8Array[]} */
  const pieces = [];
  let bytes = 0;
  /** @param {unknown} chunk @param {unknown} encoding */
  const take = (chunk, encoding) => {
    if (chunk === undefined || chunk === null || typeof chunk === 'function' || bytes > mostOfOne) return;
    const isText = typeof chunk === 'string';
    const as = typeof encoding === 'string' ? /** @type {BufferEncoding} */ (encoding) : 'utf8';
    // Whoever writes does not change it afterwards: it is on its way to the socket.
    const piece = isText ? Buffer.from(chunk, as) : /** @type {Uint8Array} */ (chunk);
    bytes += piece.length;
    pieces.push(piece);
  };
  for (const how of /** @type {const} */ (['write', 'end'])) {
    const own = /** @type {(...given: unknown[]) => never} */ (response[how].bind(response));
    /** @param {unknown[]} given */
    response[how] = (...given) => {
      take(given[0], given[1]);
      return own(...given);
    };
  }
  return () => (bytes > mostOfOne ? null : Buffer.concat(pieces));
}

/** What stands between the nonces of a page, each where it lies. @param {Buffer} body @param {string} nonce */
function piecesOf(body, nonce) {
  const pieces = [];
  let from = 0;
  for (let at = body.indexOf(nonce); at >= 0; at = body.indexOf(nonce, from)) {
    pieces.push(body.subarray(from, at));
    from = at + nonce.length;
  }
  return [...pieces, body.subarray(from)];
}

/**
 * What may be given again of an answer that was made: a page that stands, that nobody was signed in or out by.
 * @param {{ response: Response, body: Buffer | null, asked: Asked, minute: number, nonce: string }} made
 * @returns {Kept | null}
 */
function keptOf({ response, body, asked, minute, nonce }) {
  if (!body || !asked.isRepeatable || !response.writableFinished || response.statusCode !== 200) return null;
  if (response.hasHeader('set-cookie') || response.hasHeader('content-encoding') || !nonce) return null;
  const headers = Object.entries(response.getHeaders()).flatMap(([name, value]) =>
    value === undefined || ownHeaders.has(name) ? [] : [/** @type {const} */ ([name, value])],
  );
  return { asked, minute, headers, pieces: piecesOf(body, nonce), nonce, bytes: body.length };
}

/** Gives a page again, with the nonce of this answer. @param {Kept} kept @param {Request} request @param {Response} response */
function giveAgain({ headers, pieces, nonce, bytes }, request, response) {
  const fresh = nonceOf(request);
  for (const [name, value] of headers)
    if (!response.hasHeader(name))
      response.setHeader(
        name,
        inHeader(value, (text) => text.replaceAll(nonce, fresh)),
      );
  const between = Buffer.from(fresh);
  response.setHeader('content-length', bytes + (between.length - nonce.length) * (pieces.length - 1));
  // Sent as it lies: a copy of each was memory outside the heap, a third of a megabyte a page, that had all of it looked
  // through again and again.
  response.cork();
  for (const [i, piece] of pieces.entries()) {
    if (i) response.write(between);
    response.write(piece);
  }
  response.end();
}

/**
 * Pages that were made within the minute, given again to the same browser while the database answers all that they
 * asked as it did: then the same page would be made. Who asks for a page that is being made for the same browser waits
 * for it, and whether it still holds is asked after that; where it does not, all who waited share the next one, which
 * is begun after each of them came.
 * @param {{ mostBytes: number, looks?: () => Looks | undefined, now?: () => number, onAgain?: () => void }} how `onAgain` is told of each that is given again
 */
export function keepPages({
  mostBytes,
  looks = () => shared.puddlestoneLooks,
  now = Date.now,
  onAgain = () => undefined,
}) {
  /** @type {LRUCache<string, Kept> | null} */
  const pages =
    mostBytes > 0 ? new LRUCache({ maxSize: mostBytes, sizeCalculation: ({ bytes }) => bytes + bytesAsked }) : null;
  /** @typedef {{ readonly began: number, readonly over: Promise<Kept | null> }} Making */
  /** @type {Map<string, Making>} */
  const underWay = new Map();
  /** Counts who comes and what is begun. */
  let moment = 0;
  /** @typedef {{ readonly running: Promise<Kept | null>, next: Promise<Kept | null> | null }} Question */
  /** @type {Map<string, Question>} */
  const questions = new Map();
  const minuteNow = () => Math.floor(now() / 60_000);

  /** @param {string} key @param {Looks} at @returns {Promise<Kept | null>} */
  async function ask(key, at) {
    const kept = pages?.get(key);
    if (!kept) return null;
    const stands = kept.minute === minuteNow() && (await at.isAsBefore(kept.asked).catch(() => false));
    if (!stands && pages?.get(key) === kept) pages.delete(key);
    return stands ? kept : null;
  }

  /**
   * The page that stands. Whoever asks while the database is being asked shares the next question with all who came
   * meanwhile: it begins after each of them.
   * @param {string} key @param {Looks} at @returns {Promise<Kept | null>}
   */
  function standing(key, at) {
    const now = questions.get(key);
    if (now?.next) return now.next;
    if (now) return (now.next = now.running.then(() => begin(key, at)));
    return begin(key, at);
  }

  /** @param {string} key @param {Looks} at */
  function begin(key, at) {
    /** @type {Question} */
    const question = { running: ask(key, at), next: null };
    questions.set(key, question);
    void question.running.then(() => {
      if (!question.next) questions.delete(key);
    });
    return question.running;
  }

  /**
   * Answers with the page that stands, or makes it.
   * @param {Request} request
   * @param {Response} response
   * @param {() => Promise<void>} make
   */
  return async function answer(request, response, make) {
    const key = pages && keyOf(request);
    const at = looks();
    if (!pages || !key || !at) return make();
    const came = ++moment;
    await underWay.get(key)?.over;
    let kept = await standing(key, at);
    const making = kept ? undefined : underWay.get(key);
    if (making && making.began > came) kept = await making.over;
    if (response.destroyed) return;
    if (kept) {
      onAgain();
      return giveAgain(kept, request, response);
    }
    const [asked, minute, bodyOf] = [at.begin(), minuteNow(), follow(response)];
    const over = new Promise((done) => void response.once('close', done)).then(() => {
      if (underWay.get(key)?.over === over) underWay.delete(key);
      const made = keptOf({ response, body: bodyOf(), asked, minute, nonce: nonceOf(request) });
      if (made) pages.set(key, made);
      return made;
    });
    underWay.set(key, { began: ++moment, over });
    return at.within(asked, make);
  };
}

const shared = /** @type {{ puddlestoneLooks?: Looks }} */ (globalThis);
