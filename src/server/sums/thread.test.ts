import { Thread, type HeavyAnswer, type HeavyTask, type Started } from './thread';

const words = {
  tooMany: 'Too many of these sums wait.',
  stopped: 'The solver stopped.',
  late: (seconds: number) => `It took longer than ${seconds} seconds.`,
};
/** Threads that are started one after the other, each with what it was sent; the test says what it answers. */
function made() {
  const threads: { sent: HeavyTask[]; isEnded: boolean; answer: (one: HeavyAnswer) => void; fail: () => void }[] = [];
  const start = (): Started => {
    const listeners = new Map<string, (value: never) => void>();
    const own = {
      sent: [] as HeavyTask[],
      isEnded: false,
      answer: (one: HeavyAnswer) => listeners.get('message')?.(one as never),
      fail: () => listeners.get('error')?.(new Error('out of memory') as never),
    };
    threads.push(own);
    return {
      on: (event: string, listener: (value: never) => void) => listeners.set(event, listener),
      postMessage: (task) => own.sent.push(task),
      terminate: () => (own.isEnded = true),
    };
  };
  return { threads, thread: new Thread(start, { limitMs: 15_000, restMs: 60_000, mostWaiting: 2, words }) };
}
const refused = (promise: Promise<unknown>) =>
  promise.then(
    () => 'done',
    (error: Error) => error.message,
  );

beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());

test('one piece after the other, and each gets its own answer', async () => {
  const { thread, threads } = made();
  const [first, second] = [thread.ask('a', 1), thread.ask('b', 2)];
  expect(threads[0]?.sent.map(({ id }) => id)).toEqual(['a']);
  threads[0]?.answer({ number: 0, outcome: 'A' });
  expect(threads[0]?.sent.map(({ id }) => id)).toEqual(['a', 'b']);
  threads[0]?.answer({ number: 1, refusal: { path: 'need', message: 'is empty' } });
  expect(await first).toBe('A');
  expect(await refused(second)).toBe('is empty');
});

test('the clock runs from when a piece begins: who waited behind a long one is not late', async () => {
  const { thread, threads } = made();
  const [long, short] = [thread.ask('long', 1), thread.ask('short', 2)];
  jest.advanceTimersByTime(14_000);
  threads[0]?.answer({ number: 0, outcome: 'at last' });
  jest.advanceTimersByTime(14_000);
  threads[0]?.answer({ number: 1, outcome: 'in time' });
  expect([await long, await short]).toEqual(['at last', 'in time']);
});

test('one that is late is ended alone; those behind it go on in another thread', async () => {
  const { thread, threads } = made();
  const [late, behind] = [refused(thread.ask('late', 1)), thread.ask('behind', 2)];
  jest.advanceTimersByTime(15_000);
  expect(await late).toMatch(/longer than 15 seconds/);
  expect(threads.map(({ isEnded }) => isEnded)).toEqual([true, false]);
  // What the ended one still says is nobody's.
  threads[0]?.answer({ number: 1, outcome: 'from the dead' });
  threads[1]?.answer({ number: 1, outcome: 'done' });
  expect(await behind).toBe('done');
});

test('a thread that stops refuses its piece, and another one takes the next', async () => {
  const said = jest.spyOn(console, 'error').mockImplementation(() => undefined);
  const { thread, threads } = made();
  const [broken, next] = [refused(thread.ask('a', 1)), thread.ask('b', 2)];
  threads[0]?.fail();
  expect(await broken).toMatch(/solver stopped/);
  threads[1]?.answer({ number: 1, outcome: 'B' });
  expect(await next).toBe('B');
  expect(said).toHaveBeenCalledTimes(1);
});

test('too many that wait are asked to come back', async () => {
  const { thread } = made();
  for (let i = 0; i < 3; i++) void thread.ask('a', i);
  expect(await refused(thread.ask('a', 4))).toMatch(/Too many/);
});

test('a thread without work ends after a while, and the next piece starts another', async () => {
  const { thread, threads } = made();
  const first = thread.ask('a', 1);
  threads[0]?.answer({ number: 0, outcome: 'A' });
  expect(await first).toBe('A');
  jest.advanceTimersByTime(59_000);
  const second = thread.ask('b', 2);
  threads[0]?.answer({ number: 1, outcome: 'B' });
  expect([await second, threads[0]?.isEnded]).toEqual(['B', false]);
  jest.advanceTimersByTime(60_000);
  expect(threads[0]?.isEnded).toBe(true);
  const third = thread.ask('c', 3);
  expect(threads).toHaveLength(2);
  threads[1]?.answer({ number: 2, outcome: 'C' });
  expect(await third).toBe('C');
});
