import { endPiece, lookAway, lookBack, turnTo } from './work-clock';

const minute = 60_000;

test('a piece of work goes from turning to it until the entry; the next begins with it', () => {
  turnTo(10 * minute);
  expect(endPiece(15 * minute)).toBe(300);
  expect(endPiece(16 * minute)).toBe(60);
});
test('a short look away is part of the work, a long one is not', () => {
  turnTo(10 * minute);
  lookAway(11 * minute);
  lookBack(13 * minute);
  expect(endPiece(15 * minute)).toBe(300);
  lookAway(16 * minute);
  lookBack(40 * minute);
  expect(endPiece(41 * minute)).toBe(60);
});
test('a clock that is set back gives no work', () => {
  turnTo(10 * minute);
  expect(endPiece(5 * minute)).toBe(0);
});
