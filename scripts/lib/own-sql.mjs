import { closeSync, fstatSync, openSync, readSync } from 'node:fs';

/** What a line of the general log of MariaDB begins with: a time or tabs, the number of a connection, what it did. */
const begins =
  /^(?:\d{6}\s+\d{1,2}:\d{2}:\d{2})?\s*(\d+) (Connect|Query|Prepare|Execute|Quit|Close stmt|Init DB|Statistics|Ping|Reset stmt)\t?(.*)$/;
const isRead = /^\s*\(*\s*(?:select|with)\b/i;
/** What the driver and the pool ask by themselves. */
const isOwn = /^\s*select (?:1|@@)/i;

/**
 * The statements in a piece of the general log, as they were carried out, values in their places.
 * @param {string} text
 * @returns {readonly string[]}
 */
export function statementsIn(text) {
  /** @type {{ did: string, words: string[] }[]} */
  const said = [];
  for (const line of text.split('\n')) {
    const [, , did, words] = begins.exec(line) ?? [];
    if (did !== undefined) said.push({ did, words: [words ?? ''] });
    else said.at(-1)?.words.push(line);
  }
  return said
    .filter(({ did }) => did === 'Query' || did === 'Execute')
    .map(({ words }) => words.join('\n').trim())
    .filter((words) => !isOwn.test(words));
}

/**
 * As `statementsIn`, those that only read.
 * @param {string} text
 * @returns {readonly string[]}
 * @example readsIn('\t\t    12 Execute\tselect 2 + 2') // ['select 2 + 2']
 */
export const readsIn = (text) => statementsIn(text).filter((words) => isRead.test(words));

/**
 * Reads what was written to a file since it was read last.
 * @param {string} path
 */
export function follower(path) {
  let at = 0;
  return () => {
    const file = openSync(path, 'r');
    try {
      const bytes = Buffer.alloc(Math.max(0, fstatSync(file).size - at));
      at += readSync(file, bytes, 0, bytes.length, at);
      return bytes.toString('utf8');
    } finally {
      closeSync(file);
    }
  };
}
