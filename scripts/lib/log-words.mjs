// What may stand in a log: never a secret, a parameter of a statement or a hash.

const longestText = 300;

/**
 * A text without what somebody entered or may keep secret: quoted pieces, addresses of mail, and long runs of letters
 * and figures such as tokens and hashes.
 * @param {string} text
 */
export function withoutSecrets(text) {
  return text
    .replace(/\$argon2\S+/g, '…')
    .replace(/\b(mysql|mariadb):\/\/\S+/g, '$1://…')
    .replace(/"[^"\n]*"|“[^”\n]*”|`[^`\n]*`|'[^'\n]*'/g, '“…”')
    .replace(/[\w.+-]+@[\w.-]+\w/g, '…@…')
    .replace(/[A-Za-z0-9+/_=-]{24,}/g, '…')
    .slice(0, longestText);
}

/** @param {unknown} value @returns {value is Record<string, unknown>} */
const isObject = (value) => typeof value === 'object' && value !== null;

/** Where in our code an error arose: the frames of its trace, which hold no values. @param {string} stack */
function framesOf(stack) {
  return stack
    .split('\n')
    .filter((line) => /^\s+at /.test(line))
    .slice(0, 6)
    .map((line) =>
      line.trim().replace(/\(?(?:file:\/\/)?\/[^)]*\/(?=(?:src|scripts|demo|\.next|node_modules)\/)/, '('),
    );
}

/**
 * An error as it is logged: its kind, its codes, where it arose and what it was caused by. The message of a database's
 * error has values in it and is left out, and so are the parameters of its statement.
 * @param {unknown} error
 * @param {number} depth
 * @returns {Record<string, unknown>}
 */
export function describeError(error, depth = 0) {
  if (!isObject(error)) return { message: withoutSecrets(String(error)) };
  const { name, code, errno, sqlState, query, message, stack, cause, digest } = error;
  const isOfDatabase = query !== undefined || sqlState !== undefined;
  return {
    name: typeof name === 'string' ? name : 'Error',
    ...(code !== undefined && { code: String(code) }),
    ...(typeof errno === 'number' && { errno }),
    ...(typeof sqlState === 'string' && { sqlState }),
    ...(typeof digest === 'string' && { digest }),
    ...(typeof query === 'string' && { statement: query.slice(0, longestText) }),
    ...(!isOfDatabase && typeof message === 'string' && { message: withoutSecrets(message) }),
    ...(typeof stack === 'string' && { frames: framesOf(stack) }),
    ...(cause !== undefined && depth < 5 && { cause: describeError(cause, depth + 1) }),
  };
}

/**
 * What was written to the console, as one line of the log: texts stand as words, errors by themselves.
 * @param {readonly unknown[]} pieces
 */
export function describeLine(pieces) {
  const words = pieces.filter((one) => !isObject(one)).map((one) => String(one).trim());
  const error = pieces.find(isObject);
  return {
    ...(error && { error: describeError(error) }),
    words: withoutSecrets(words.join(' ')),
  };
}

/** A part of an address that is nobody's business: a token, or what somebody typed. @param {string} part */
const isToken = (part) => part.length >= 20 || part.includes('%');

/**
 * An address as it is logged: without its question, and without tokens.
 * @param {string} url
 */
export function pathForLog(url) {
  const [path = '/'] = url.split(/[?#]/);
  return path
    .split('/')
    .slice(0, 8)
    .map((part) => (isToken(part) ? ':hidden' : part))
    .join('/');
}

/** First parts of an address that stand for themselves in figures, and how many parts after them do. */
const known = /** @type {Readonly<Record<string, number>>} */ ({
  ...{ '': 0, jobs: 0, parts: 1, plan: 1, library: 1, desk: 1, customers: 0, pumps: 0, receive: 0, sums: 0, outbox: 0 },
  ...{ 'sign-in': 0, welcome: 0, customer: 0, files: 1, api: 1, _next: 1 },
});

/**
 * The group of addresses that a request is counted under; few, whatever is asked for.
 * @param {string} url
 */
export function routeOf(url) {
  const [path = '/'] = url.split(/[?#]/);
  const [first = '', ...rest] = path.slice(1).split('/');
  const depth = Object.hasOwn(known, first) ? known[first] : undefined;
  if (depth === undefined) return 'other';
  const parts = rest.slice(0, depth).filter((part) => /^[a-z-]{1,16}$/.test(part));
  const isDeeper = rest.length > parts.length;
  return `/${[first, ...parts, ...(isDeeper ? ['…'] : [])].join('/')}`;
}
