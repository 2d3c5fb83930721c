import { render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { answerFetch, refusal } from '../../../test-support/answer-fetch';
import { exampleFamily } from '../../../test-support/example-view';
import { router } from '../../../test-support/set-up-components';
import { OwnVariantForm } from './own-variant-form';

/** A few of its steps and points: looking a field up by its label among hundreds is slow. */
const family = {
  ...exampleFamily,
  ...{ teardown: exampleFamily.teardown.slice(0, 2), rebuild: exampleFamily.rebuild.slice(0, 2) },
  points: exampleFamily.points.filter(({ id }) => id === 'ring-bore'),
};
const show = () => render(<OwnVariantForm family={family} />);
const field = (name: string) => screen.getByLabelText(name);
const put = async (name: string, text: string) => {
  await userEvent.clear(field(name));
  if (text) await userEvent.type(field(name), text);
};

test('only what was changed is sent: a limit as its number, a price in cents, words as words', async () => {
  const asked = answerFetch(() => ({ body: { data: { familyId: 'S-1' } } }));
  show();
  expect(screen.getByRole('button', { name: 'Nothing is changed yet' })).toBeDisabled();
  await put('Front wear ring bore: reuse, most, mm', '100,6');
  await put('Seal kit', '199.99');
  await put('teardown, Drain and vent: drain and vent', 'Vent it.\n\nDrain it.\n');
  await put('What we call it', 'Ours');
  await userEvent.click(screen.getByRole('button', { name: 'Make it, with 3 changes' }));
  await waitFor(() => expect(asked).toHaveLength(1));
  expect(asked[0]?.body).toMatchObject({
    familyId: 'F1',
    title: 'Ours',
    changes: expect.arrayContaining([
      { path: 'points/ring-bore/reuse_mm/max', value: 100.6 },
      { path: 'teardown/drain/actions/drain-do/do', value: 'Vent it.\nDrain it.' },
      expect.objectContaining({ value: 19999 }),
    ]) as unknown,
  });
  await waitFor(() => expect(router.push).toHaveBeenCalledWith('/library/S-1'));
});

test.each([
  ['an emptied price is no price of nothing', 'Seal kit', ''],
  ['words are no limit', 'Front wear ring bore: reuse, most, mm', 'wide'],
])('%s: said at its field, kept as typed, not sent', async (_what, name, text) => {
  const asked = answerFetch(() => ({ body: { data: { familyId: 'S-1' } } }));
  show();
  await put(name, text);
  await userEvent.click(screen.getByRole('button', { name: 'Make it, with 1 change' }));
  expect(await screen.findByRole('alert')).toHaveTextContent('is not a number; it is marked.');
  expect(field(name)).toBeInvalid();
  expect(field(name)).toHaveValue(text);
  expect(asked).toEqual([]);
});

test('what the closure check refuses is listed, and all that was typed stays', async () => {
  answerFetch(() =>
    refusal('The variant was not made.', { path: 'points', message: 'the lower limit is above the upper one' }),
  );
  show();
  await put('Front wear ring bore: reuse, most, mm', '90');
  await userEvent.click(screen.getByRole('button', { name: 'Make it, with 1 change' }));
  expect(await screen.findByText('the lower limit is above the upper one')).toBeInTheDocument();
  expect(field('Front wear ring bore: reuse, most, mm')).toHaveValue('90');
  expect(router.push).not.toHaveBeenCalled();
});
