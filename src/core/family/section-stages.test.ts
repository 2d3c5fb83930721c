import f4 from '@families/f4-bore-hole.json';
import { buildFamily, drawSection, loadFamily, noteSection } from '.';

const nine = buildFamily(loadFamily(f4), { counts: { stage: 9 } });
const inHand = (number: number | undefined) => (number === undefined ? undefined : { set: 'stage', number });
const stages = (number?: number) => [
  ...new Set(
    drawSection(nine, inHand(number)).shapes.flatMap(({ part, member }) =>
      part === 'impeller' ? [member?.number] : [],
    ),
  ),
];

test.each([
  [undefined, [1, 2, 9], 1],
  [1, [1, 2, 9], 1],
  [2, [1, 2, 9], 1],
  [4, [1, 4, 9], 2],
  [8, [1, 8, 9], 1],
  [9, [1, 9], 1],
] as const)('stage %s in hand of nine: drawn are %j, with %i breaks', (number, drawn, breaks) => {
  expect(stages(number)).toEqual([...drawn]);
  expect(drawSection(nine, inHand(number)).breaks).toHaveLength(breaks);
  expect(drawSection(nine, inHand(number)).breaks[0]?.words).toBe('9 stages');
});
test('up to four are all drawn, whichever is in hand', () => {
  const three = buildFamily(loadFamily(f4), { counts: { stage: 3 } });
  const { shapes, breaks } = drawSection(three, inHand(2));
  expect([
    ...new Set(shapes.flatMap(({ part, member }) => (part === 'impeller' ? (member?.number ?? []) : []))),
  ]).toEqual([1, 2, 3]);
  expect(breaks).toEqual([]);
});
test('the name of a lit part points at the member in hand', () => {
  const at = (number: number) =>
    noteSection(nine, { lit: ['impeller'], moves: 'none', inHand: inHand(number) }).notes[0]?.y ?? 0;
  // Upright, the first stage stands lowest: each one higher is nearer to the drive end.
  expect(at(9)).not.toBe(at(1));
  expect(at(4)).not.toBe(at(1));
});
test('a strap in hand leaves the stages as they are drawn without one', () =>
  expect(drawSection(nine, { set: 'strap', number: 4 }).shapes).toEqual(drawSection(nine).shapes));
