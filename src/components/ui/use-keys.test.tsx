import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useKeys } from './use-keys';

const pressed = jest.fn();
const Keyed = () => {
  useKeys({
    r: () => void pressed('r'),
    Escape: () => void pressed('Escape'),
    'Ctrl Enter': () => void pressed('send'),
  });
  return <input aria-label="field" />;
};
beforeEach(() => {
  pressed.mockClear();
  render(<Keyed />);
});
const told = () => pressed.mock.calls.flat();

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
