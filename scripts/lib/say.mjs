/**
 * One voice for all scripts: short lines, no colour codes in files.
 * @param {string} line
 */
export function say(line) {
  process.stdout.write(`${line}\n`);
}

/**
 * Says why it cannot go on, and ends.
 * @param {string} line
 * @returns {never}
 */
export function fail(line) {
  process.stderr.write(`${line}\n`);
  process.exit(1);
}
