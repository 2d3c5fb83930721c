const firstPauseMs = 500;
const longestPauseMs = 30_000;
/** What ran for this long before it ended had started well: the next pause is the first again. */
const steadyMs = 60_000;

/**
 * How long to wait before the next try, in ms: twice as long each time, half a minute at most.
 * @param {number} failures how often it ended in a row, from 1
 */
export function pauseAfter(failures) {
  return Math.min(longestPauseMs, firstPauseMs * 2 ** (failures - 1));
}

/** @param {number} ms */
export const sayPause = (ms) => (ms < 1000 ? 'half a second' : ms === 1000 ? 'a second' : `${ms / 1000} seconds`);

/** @typedef {{ pid: number | undefined, ended: Promise<string>, stop: () => Promise<void> }} Running */

const clock = {
  now: () => performance.now(),
  /** @param {number} ms @param {(wake: () => void) => void} onWake is given what ends the wait early */
  wait: (ms, onWake) =>
    /** @type {Promise<void>} */ (
      new Promise((resolve) => {
        const timer = setTimeout(resolve, ms);
        onWake(() => (clearTimeout(timer), resolve()));
      })
    ),
};

/**
 * Starts something and starts it again whenever it ends, with growing pauses, saying so, until it is stopped. The first
 * start is not tried again: what cannot start at all is said by whoever asked for it.
 * @param {{ name: string, start: () => Promise<Running>, tell: (line: string) => void, onChange?: (isUp: boolean) => void, time?: typeof clock }} how
 *   `ended` resolves with why, as a person reads it: “was ended by SIGKILL”
 */
export async function keepUp({ name, start, tell, onChange = () => undefined, time = clock }) {
  let isStopping = false;
  let wake = () => {};
  let running = await start();
  onChange(true);
  let startedAt = time.now();
  let failures = 0;
  let isUp = true;

  const pause = async () => {
    await time.wait(pauseAfter(failures), (own) => (wake = own));
  };
  const startAgain = async () => {
    while (!isStopping) {
      await pause();
      if (isStopping) return;
      try {
        running = await start();
        isUp = true;
        startedAt = time.now();
        onChange(true);
        tell(`${name} runs again, as process ${running.pid}.`);
        return;
      } catch (error) {
        failures++;
        const why = error instanceof Error ? error.message : String(error);
        tell(`${name} could not be started: ${why}\nIt is tried again in ${sayPause(pauseAfter(failures))}.`);
      }
    }
  };
  const follow = async () => {
    while (!isStopping) {
      const why = await running.ended;
      isUp = false;
      onChange(false);
      if (isStopping) return;
      failures = time.now() - startedAt > steadyMs ? 1 : failures + 1;
      tell(`${name} (process ${running.pid}) ${why}. It is started again in ${sayPause(pauseAfter(failures))}.`);
      await startAgain();
    }
  };
  const following = follow();
  return {
    /** The process that runs just now; undefined while none does. */
    pid: () => (isUp ? running.pid : undefined),
    stop: async () => {
      isStopping = true;
      wake();
      await running.stop();
      await following;
      // One that was just being started when the stop came.
      await running.stop();
    },
  };
}
