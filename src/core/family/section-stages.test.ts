import f4 from '@families/f4-bore-hole.json';
import { buildFamily, drawSection, loadFamily, noteSection } from '.';

const nine = buildFamily(loadFamily(f4), { counts: { stage: 9 } });
const stages = (inHand?: number) => [
  ...new Set(drawSection(nine, inHand).shapes.flatMap(({ part, stage }) => (part === 'impeller' ? [stage] : []))),
];

test.each([
  [undefined, [1, 2, 9], 1],
  [1, [1, 2, 9], 1],
  [2, [1, 2, 9], 1],
  [4, [1, 4, 9], 2],
  [8, [1, 8, 9], 1],
  [9, [1, 9], 1],
] as const)('stage %s in hand of nine: drawn are %j, with %i breaks', (inHand, drawn, breaks) => {
  expect(stages(inHand)).toEqual([...drawn]);
  expect(drawSection(nine, inHand).breaks).toHaveLength(breaks);
  expect(drawSection(nine, inHand).breaks[0]?.words).toBe('9 stages');
});
test('up to four are all drawn, whichever is in hand', () => {
  const three = buildFamily(loadFamily(f4), { counts: { stage: 3 } });
  const { shapes, breaks } = drawSection(three, 2);
  expect([...new Set(shapes.flatMap(({ stage }) => stage ?? []))]).toEqual([1, 2, 3]);
  expect(breaks).toEqual([]);
});
test('the name of a lit part points at the member in hand', () => {
  const at = (inHand: number) => noteSection(nine, { lit: ['impeller'], moves: 'none', inHand }).notes[0]?.y ?? 0;
  // Upright, the first stage stands lowest: each one higher is nearer to the drive end.
  expect(at(9)).not.toBe(at(1));
  expect(at(4)).not.toBe(at(1));
});
