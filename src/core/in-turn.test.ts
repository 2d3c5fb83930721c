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
