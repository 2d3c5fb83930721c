import { inTurn } from './in-turn';

test('the second begins when the first is over, and one that fails holds nobody up', async () => {
  const said: string[] = [];
  const run = inTurn();
  const work = (name: string, fails = false) =>
    run(async () => {
      said.push(`${name} begins`);
      await Promise.resolve();
      said.push(`${name} ends`);
      if (fails) throw new Error(name);
      return name;
    });
  const all = await Promise.allSettled([work('a'), work('b', true), work('c')]);
  expect(all.map(({ status }) => status)).toEqual(['fulfilled', 'rejected', 'fulfilled']);
  expect(said).toEqual(['a begins', 'a ends', 'b begins', 'b ends', 'c begins', 'c ends']);
});

test('as many as are said run at once, and the next begins as soon as one of them is over, failed or not', async () => {
  const run = inTurn(2);
  const ends: (() => void)[] = [];
  const begun: string[] = [];
  const work = (name: string) =>
    run(
      () =>
        new Promise<void>((done, fail) => {
          begun.push(name);
          ends.push(name === 'b' ? () => fail(new Error(name)) : done);
        }),
    );
  const settled = Promise.allSettled(['a', 'b', 'c', 'd'].map((name) => work(name)));
  const soon = () => new Promise((done) => setImmediate(done));
  await soon();
  expect(begun).toEqual(['a', 'b']);
  ends[1]?.();
  await soon();
  expect(begun).toEqual(['a', 'b', 'c']);
  for (const i of [0, 2]) ends[i]?.();
  await soon();
  expect(begun).toEqual(['a', 'b', 'c', 'd']);
  ends[3]?.();
  expect((await settled).map(({ status }) => status)).toEqual(['fulfilled', 'rejected', 'fulfilled', 'fulfilled']);
  const after = work('e');
  await soon();
  expect(begun.at(-1)).toBe('e');
  ends[4]?.();
  await after;
});
