import { render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { exampleRecord } from '@/core/record/example-record';
import { answerFetch } from '../../../test-support/answer-fetch';
import { exampleView } from '../../../test-support/example-view';
import { WorkedPanel } from './worked-panel';

const shown = {
  zone: 'UTC',
  people: [
    { id: 'p-1', name: 'Odile Fenner' },
    { id: 'p-2', name: 'Joss Tarn' },
  ],
  stations: [
    { station: 'teardown', minutes: 125, standard: 90 },
    { station: 'quote', minutes: 0, standard: 45 },
  ],
  pieces: [
    {
      ...{ id: 'w-1', station: 'teardown', personName: 'Odile Fenner', startedAt: '2026-11-24T08:00:00Z' },
      ...{ minutes: 125, taken: 65, reason: 'the tablet slept', correctedBy: 'Wenna', version: 2 },
    },
  ],
};

const show = async () => {
  const asked = answerFetch(({ path }) => ({
    body: { data: path.startsWith('/api/act') ? { version: 3, id: 'n' } : shown },
  }));
  render(<WorkedPanel view={exampleView(exampleRecord({ station: 'rebuild' }))} />);
  await screen.findByText('Joss Tarn');
  return asked;
};

test('worked stands beside usual, and a piece says what it was before it was corrected', async () => {
  await show();
  const [teardown, quote] = within(screen.getByRole('list', { name: 'By station' })).getAllByRole('listitem');
  expect(teardown).toHaveTextContent('Teardown2 h 05 of 1 h 30');
  expect(quote).toHaveTextContent('0 min of 45 min');
  expect(screen.getByText(/the bench took 1 h 05; corrected by Wenna: the tablet slept/)).toBeInTheDocument();
});

test('a piece is corrected where it stands, a comma read as a point', async () => {
  const asked = await show();
  await userEvent.click(screen.getByRole('button', { name: /Odile Fenner/ }));
  const [minutes] = screen.getAllByRole('textbox', { name: 'Minutes' });
  await userEvent.clear(minutes as HTMLElement);
  await userEvent.type(minutes as HTMLElement, '62,5');
  await userEvent.type(screen.getByRole('textbox', { name: 'Why' }), 'lunch');
  await userEvent.click(screen.getByRole('button', { name: 'Correct' }));
  expect(asked.find(({ path }) => path === '/api/act/correct-worked')?.body).toEqual({
    ...{ id: 'w-1', basedOn: 2, minutes: 62.5, reason: 'lunch' },
  });
});

test('work that no tablet saw is written down under who did it', async () => {
  const asked = await show();
  await userEvent.selectOptions(screen.getByRole('combobox', { name: 'Who' }), 'Joss Tarn');
  await userEvent.type(screen.getByRole('textbox', { name: 'Minutes' }), '30');
  await userEvent.type(screen.getByRole('textbox', { name: 'What was done' }), 'with the crane');
  await userEvent.click(screen.getByRole('button', { name: 'Write it down' }));
  expect(asked.find(({ path }) => path === '/api/act/add-worked')?.body).toMatchObject({
    ...{ personId: 'p-2', minutes: 30, reason: 'with the crane' },
  });
});
