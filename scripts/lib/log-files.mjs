import { join } from 'node:path';
import { createStream } from 'rotating-file-stream';

/**
 * Where the lines of the serving processes go: files of 10 MB in the data folder, the last ten kept, or the standard
 * output for a system that collects it. A disk that is full loses lines of the log, and nothing else.
 * @param {string} folder
 * @param {'file' | 'stdout'} to
 */
export function openLog(folder, to) {
  if (to === 'stdout')
    return { write: (/** @type {string} */ line) => void process.stdout.write(`${line}\n`), path: null };
  const path = join(folder, 'logs', 'puddlestone.log');
  const stream = createStream('puddlestone.log', {
    path: join(folder, 'logs'),
    size: '10M',
    maxFiles: 10,
    compress: 'gzip',
    mode: 0o600,
  });
  stream.on('error', () => undefined);
  stream.on('warning', () => undefined);
  return { write: (/** @type {string} */ line) => void stream.write(`${line}\n`), path };
}

/** A line of the log that the start itself writes. @param {string} words */
export function startLine(words) {
  return JSON.stringify({ level: 30, time: new Date().toISOString(), pid: process.pid, event: 'start', words });
}
