import { nextOf, type Lying } from './next-stone';

const at = (left: number, top: number): Lying => ({ left, top, width: 50, height: 20 });
const [here, right, farRight, below, above, askew] = [
  at(100, 100),
  at(160, 100),
  at(280, 100),
  at(100, 160),
  at(100, 40),
  at(165, 150),
];
const others = [right, farRight, below, above, askew];

test.each([
  ['ArrowRight', right],
  ['ArrowDown', below],
  ['ArrowUp', above],
] as const)('%s goes to what lies next that way, not to what lies nearer but askew', (arrow, next) => {
  expect(others[nextOf(here, others, arrow) ?? -1]).toBe(next);
});
test('where nothing lies that way, nothing is next', () => {
  expect(nextOf(here, others, 'ArrowLeft')).toBeNull();
  expect(nextOf(here, [], 'ArrowUp')).toBeNull();
});
test('what lies askew is reached where nothing lies straight on', () => {
  expect(nextOf(here, [askew, at(400, 400)], 'ArrowRight')).toBe(0);
});
