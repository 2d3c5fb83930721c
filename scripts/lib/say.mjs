/** One voice for all scripts: short lines, no colour codes in files. */
export function say(line) {
  process.stdout.write(`${line}\n`);
}

export function fail(line) {
  process.stderr.write(`${line}\n`);
  process.exit(1);
}
