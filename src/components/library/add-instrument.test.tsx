import { render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { answerFetch } from '../../../test-support/answer-fetch';
import { AddInstrument } from './add-instrument';

jest.mock('next/navigation', () => ({ useRouter: () => ({ refresh: () => undefined }) }));
let isLineDown = false;
jest.mock('./instrument-resolver', () => {
  if (isLineDown) throw new Error('nobody answers');
  return jest.requireActual<object>('./instrument-resolver');
});
beforeEach(() => jest.resetModules());

async function fillIn(due: string) {
  render(<AddInstrument />);
  await userEvent.click(screen.getByText('Another tool or gauge'));
  await userEvent.type(screen.getByLabelText('Code on its body'), 'M-31');
  await userEvent.type(screen.getByLabelText(/^Uncertainty/), '0,0015');
  await userEvent.type(screen.getByLabelText('From'), '0');
  await userEvent.type(screen.getByLabelText('To'), '150');
  if (due) await userEvent.type(screen.getByLabelText('Calibration or inspection due'), due);
  await userEvent.click(screen.getByRole('button', { name: 'Add' }));
}

test('a tool goes out with its figures as numbers, whatever the decimal sign', async () => {
  isLineDown = false;
  const asked = answerFetch(() => ({ body: { data: {} } }));
  await fillIn('2027-01-09');
  await waitFor(() => expect(asked).toHaveLength(1));
  expect(asked[0]).toMatchObject({
    path: '/api/act/add-instrument',
    body: { code: 'M-31', uncertainty: 0.0015, rangeLow: 0, rangeHigh: 150, unit: 'mm', dueOn: '2027-01-09' },
  });
});

test('where its check cannot be fetched that is said, nothing goes out, and what was typed stays', async () => {
  isLineDown = true;
  const asked = answerFetch(() => 'lost');
  await fillIn('2027-01-09');
  expect(await screen.findByText(/^Nobody answers just now/)).toBeInTheDocument();
  expect(screen.getByLabelText('Code on its body')).toHaveValue('M-31');
  expect(asked).toEqual([]);
});
