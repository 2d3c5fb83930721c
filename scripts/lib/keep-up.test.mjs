import { keepUp, pauseAfter, sayPause } from './keep-up.mjs';

test('pauses double from half a second to half a minute', () => {
  expect([1, 2, 3, 4, 5, 6, 7, 8, 20].map(pauseAfter)).toEqual([
    500, 1000, 2000, 4000, 8000, 16_000, 30_000, 30_000, 30_000,
  ]);
  expect([500, 1000, 30_000].map(sayPause)).toEqual(['half a second', 'a second', '30 seconds']);
});

/** A process on paper: it ends when it is told to. @param {number} pid */
function onPaper(pid) {
  /** @type {(why: string) => void} */
  let end = () => undefined;
  const ended = new Promise((/** @type {(why: string) => void} */ resolve) => (end = resolve));
  let stops = 0;
  const running = {
    pid,
    ended,
    stop: async () => {
      stops++;
      end('was stopped');
    },
  };
  return { running, end, stops: () => stops };
}

/** @param {(start: number) => boolean} fails which starts fail, from 1 */
function tryOut(fails = () => false) {
  /** @type {ReturnType<typeof onPaper>[]} */
  const started = [];
  /** @type {string[]} */
  const told = [];
  /** @type {number[]} */
  const pauses = [];
  let now = 0;
  let starts = 0;
  /** @type {boolean[]} */
  const changes = [];
  const how = {
    name: 'It',
    start: async () => {
      if (fails(++starts)) throw new Error('the disk is full');
      const one = onPaper(100 + starts);
      started.push(one);
      return one.running;
    },
    tell: (/** @type {string} */ line) => void told.push(line),
    onChange: (/** @type {boolean} */ isUp) => void changes.push(isUp),
    time: {
      now: () => now,
      wait: async (/** @type {number} */ ms) => {
        pauses.push(ms);
        now += ms;
      },
    },
  };
  const settle = async () => {
    for (let i = 0; i < 20; i++) await Promise.resolve();
  };
  return { how, started, told, pauses, changes, settle, pass: (/** @type {number} */ ms) => void (now += ms) };
}

test('what ends is started again, and both are said with why and as whom', async () => {
  const { how, started, told, changes, settle } = tryOut();
  const kept = await keepUp(how);
  expect(kept.pid()).toBe(101);
  started[0]?.end('was ended by SIGKILL');
  await settle();
  expect(told).toEqual([
    'It (process 101) was ended by SIGKILL. It is started again in half a second.',
    'It runs again, as process 102.',
  ]);
  expect([kept.pid(), changes]).toEqual([102, [true, false, true]]);
  await kept.stop();
});

test('one that ends at once again and again is waited for longer each time; one that held for a minute begins anew', async () => {
  const { how, started, pauses, settle, pass } = tryOut();
  const kept = await keepUp(how);
  for (let i = 0; i < 3; i++) {
    started[i]?.end('ended with 1');
    await settle();
  }
  expect(pauses).toEqual([500, 1000, 2000]);
  pass(61_000);
  started[3]?.end('ended with 1');
  await settle();
  expect(pauses).toEqual([500, 1000, 2000, 500]);
  await kept.stop();
});

test('a start that fails is tried again with its reason, and one that never ran is not waited for', async () => {
  const { how, started, told, pauses, settle } = tryOut((start) => start === 2 || start === 3);
  const kept = await keepUp(how);
  started[0]?.end('ended with 1');
  await settle();
  expect(pauses).toEqual([500, 1000, 2000]);
  expect(told[1]).toBe('It could not be started: the disk is full\nIt is tried again in a second.');
  expect(kept.pid()).toBe(104);
  await kept.stop();
  await expect(keepUp(tryOut(() => true).how)).rejects.toThrow('the disk is full');
});

test('what is stopped stays stopped', async () => {
  const { how, started, told, settle } = tryOut();
  const kept = await keepUp(how);
  await kept.stop();
  await settle();
  expect([started.length, told]).toEqual([1, []]);
  expect(started[0]?.stops()).toBeGreaterThan(0);
});
