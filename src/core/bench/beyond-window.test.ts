import type { StepAction } from '../family';
import { beyondWindow } from './beyond-window';

const action = (answer: object) => ({ id: 'a', do: [], cautions: [], tools: [], answer }) as unknown as StepAction;
const bolts = action({ kind: 'torque', window_nm: { min: 38, max: 46 } });

test.each([
  // 42 ± 3 lies within 38 to 46; ± 5 reaches below 38, and 44 ± 3 above 46.
  [42, 3, false],
  [42, 4, false],
  [42, 5, true],
  [44, 3, true],
  [40, 3, true],
  [42, null, null],
])('bolts at %d N·m by a wrench that was wrong by %p: may be out %p', (value, error, mayBeOut) => {
  expect(beyondWindow(bolts, value, error)).toEqual({ window: '38 to 46 N·m', mayBeOut });
});
test('a window that is open at one side is left at the other alone', () => {
  const warm = action({ kind: 'value', unit: '°C', window: { max: 80 } });
  expect(beyondWindow(warm, 79, 2)).toEqual({ window: 'at most 80 °C', mayBeOut: true });
  expect(beyondWindow(warm, 10, 50)).toEqual({ window: 'at most 80 °C', mayBeOut: false });
});
test('nothing is said of what has no window, or no value', () => {
  expect(beyondWindow(action({ kind: 'value', unit: 'mm' }), 5, 1)).toBeNull();
  expect(beyondWindow(action({ kind: 'check' }), 5, 1)).toBeNull();
  expect(beyondWindow(bolts, null, 1)).toBeNull();
});
