import { bytesLeft } from './data-folder.mjs';

const mebi = 1048576;
/** Below the first it is said that the disk gets full, below the second that it is full, in MiB. */
const steps = [
  { below: 32, words: 'is full: new entries are refused and wait on the tablets. What was acknowledged is kept' },
  { below: 512, words: 'gets full' },
];

/** What is said of a disk with so much left; null where there is enough. @param {number} leftMb */
export function sayDisk(leftMb) {
  const step = steps.find(({ below }) => leftMb < below);
  return step ? `${step.words} (${Math.floor(leftMb)} MiB are left)` : null;
}

/**
 * Says in words when the disk of a folder gets full, and when there is room again. Gives what ends the watch.
 * @param {string} folder
 * @param {(line: string) => void} tell
 */
export function watchDisk(folder, tell) {
  let said = /** @type {string | undefined} */ (undefined);
  const look = () => {
    const leftMb = bytesLeft(folder) / mebi;
    const step = steps.find(({ below }) => leftMb < below)?.words;
    if (step === said) return;
    const words = sayDisk(leftMb);
    tell(
      words
        ? `The disk of ${folder} ${words}. Free some space; it goes on by itself.`
        : `There is room again on the disk of ${folder}.`,
    );
    said = step;
  };
  look();
  const timer = setInterval(look, 10_000);
  timer.unref();
  return () => clearInterval(timer);
}
