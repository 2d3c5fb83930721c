import fc from 'fast-check';
import { niceStep, sayMark, upTo } from './round-axis';

test.each([
  [46, ['0', '10', '20', '30', '40', '50']],
  [23.7, ['0', '5', '10', '15', '20', '25']],
  [9.65, ['0', '2', '4', '6', '8', '10']],
  [2.61, ['0', '1', '2', '3']],
  // Three fifths are not quite three times a fifth for a machine.
  [0.6, ['0', '0.2', '0.4', '0.6']],
  [0, ['0', '0.2']],
])('an axis that shows up to %d', (most, marks) => {
  expect(upTo(most).ticks.map(sayMark)).toEqual(marks);
});

test.each([
  [0.52, 1],
  [1.93, 2],
  [2, 2],
  [2.01, 5],
  [70, 100],
])('a step of at least %d is %d', (rough, step) => expect(niceStep(rough)).toBeCloseTo(step, 12));

test('whatever is shown lies on the axis, which has at most five steps and ends with a mark', () => {
  fc.assert(
    fc.property(fc.double({ min: 1e-4, max: 1e6, noNaN: true }), (most) => {
      const { domain, ticks } = upTo(most);
      expect(domain[1]).toBeGreaterThanOrEqual(most * (1 - 1e-12));
      expect(ticks.at(-1)).toBe(domain[1]);
      expect(ticks.length).toBeLessThanOrEqual(6);
      expect(new Set(ticks.map(sayMark)).size).toBe(ticks.length);
    }),
  );
});
