import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { keysTold, useKeys } from './use-keys';

const pressed = jest.fn();
const Keyed = () => {
  useKeys({
    r: { says: 'remind', act: () => void pressed('r') },
    Escape: { says: 'leave it', act: () => void pressed('Escape') },
    'Ctrl Enter': { says: 'send', act: () => void pressed('send') },
  });
  return <input aria-label="field" />;
};
let shown: ReturnType<typeof render>;
beforeEach(() => {
  pressed.mockClear();
  shown = render(<Keyed />);
});
const told = () => pressed.mock.calls.flat();

test('keys are told while they are on the screen', () => {
  expect(keysTold()).toEqual([
    ['r', 'remind'],
    ['Escape', 'leave it'],
    ['Ctrl Enter', 'send'],
  ]);
  shown.unmount();
  expect(keysTold()).toEqual([]);
});
test('a key does what it says', async () => {
  await userEvent.keyboard('r{Escape}{Control>}{Enter}{/Control}x');
  expect(told()).toEqual(['r', 'Escape', 'send']);
});
test('the letter of a view after g goes there, and sends nothing here', async () => {
  await userEvent.keyboard('gr');
  expect(told()).toEqual([]);
  await userEvent.keyboard('r');
  expect(told()).toEqual(['r']);
});
test('while somebody types only Escape and Ctrl Enter count', async () => {
  await userEvent.type(screen.getByLabelText('field'), 'r{Escape}{Control>}{Enter}{/Control}');
  expect(told()).toEqual(['Escape', 'send']);
});
test('a key that is held down counts once', async () => {
  await userEvent.keyboard('{r>5/}');
  expect(told()).toEqual(['r']);
});
