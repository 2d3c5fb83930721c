import { remembered, steadyList, steadyPlain } from './remembered';

test('what is asked again is reckoned once; anything else is reckoned by itself', () => {
  const asked: string[] = [];
  const sum = remembered((list: readonly number[], more: number, note: string) => {
    asked.push(note);
    return list.reduce((total, one) => total + one, more);
  });
  const list = [1, 2];
  expect([sum(list, 3, 'a'), sum(list, 3, 'a'), sum(list, 4, 'b'), sum([1, 2], 3, 'a')]).toEqual([6, 6, 7, 6]);
  expect(asked).toEqual(['a', 'b', 'a']);
});

test('only what was asked last is kept', () => {
  let count = 0;
  const times = remembered((_: object, factor: number) => (count++, factor), 2);
  const thing = {};
  for (const factor of [1, 2, 3, 3, 2]) times(thing, factor);
  expect(count).toBe(3);
  times(thing, 1);
  expect(count).toBe(4);
});

test('a list of the same things in the same order is the list that was given last', () => {
  const steady = steadyList<object>();
  const [a, b] = [{}, {}];
  const first = steady([a, b]);
  expect(steady([a, b])).toBe(first);
  for (const other of [[b, a], [a], [a, b, a], [a, { ...b }], []]) {
    expect(steady(other)).toBe(other);
    expect(steady([...other])).toBe(other);
  }
});

test('a plain thing that is written the same is the one that was given last', () => {
  const steady = steadyPlain<object>();
  const first = steady({ tag: 'P-0411', weights: [1, 2] });
  expect(steady({ tag: 'P-0411', weights: [1, 2] })).toBe(first);
  const other = { tag: 'P-0411', weights: [2, 1] };
  expect(steady(other)).toBe(other);
  expect(steady({ tag: 'P-0411', weights: [1, 2] })).not.toBe(first);
});
