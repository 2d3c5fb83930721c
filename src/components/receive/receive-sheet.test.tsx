import { render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { Intake } from '@/core/record';
import { exampleRecord } from '@/core/record/example-record';
import { answerFetch } from '../../../test-support/answer-fetch';
import { exampleView } from '../../../test-support/example-view';
import { ReceiveSheet } from './receive-sheet';

const { intake } = exampleRecord();
const viewOf = (change: Partial<Intake> = {}, closedAt: string | null = null) =>
  exampleView(exampleRecord({ intake: { ...intake, ...change }, closedAt }));
const show = (view = viewOf()) => render(<ReceiveSheet view={view} isHere />);
const field = (name: string) => screen.getByLabelText(name);
const keep = () => screen.getByRole('button', { name: 'Keep the changes' });
const put = async (name: string, text: string) => {
  await userEvent.clear(field(name));
  await userEvent.type(field(name), text);
};

test('a change is kept by its own press, based on the version that was read', async () => {
  const asked = answerFetch(() => ({ body: { data: { version: 2 } } }));
  show(viewOf({ version: 4 }));
  expect(screen.queryByRole('button', { name: 'Keep the changes' })).not.toBeInTheDocument();
  await put('Hazards, from the sheet', 'slippery');
  await userEvent.click(keep());
  await waitFor(() => expect(asked).toHaveLength(1));
  expect(asked[0]).toMatchObject({
    path: '/api/act/save-intake',
    body: { basedOn: 4, intake: { hazards: 'slippery', liquid: 'pond water', duty: { flowM3h: 25, powerKw: 3.3 } } },
  });
});

test('an amount that cannot be read is said at its field and not sent', async () => {
  const asked = answerFetch(() => ({ body: { data: { version: 2 } } }));
  show();
  await put('Running hours', 'many');
  await userEvent.click(keep());
  await waitFor(() => expect(field('Running hours')).toBeInvalid());
  expect(asked).toEqual([]);
});

test('“As it was” puts everything back and forgets what was wrong', async () => {
  show();
  await put('Running hours', 'many');
  await userEvent.click(keep());
  await userEvent.click(screen.getByRole('button', { name: 'As it was' }));
  await waitFor(() => expect(field('Running hours')).toHaveValue('100'));
  expect(field('Running hours')).toBeValid();
  expect(screen.queryByRole('button', { name: 'Keep the changes' })).not.toBeInTheDocument();
});

describe('somebody else changes it meanwhile', () => {
  test('another field: it is taken over, and what is typed here stays', async () => {
    const { rerender } = show();
    await put('Hazards, from the sheet', 'slippery');
    rerender(<ReceiveSheet view={viewOf({ version: 2, liquid: 'brine' })} isHere />);
    await waitFor(() => expect(field('The liquid it handled')).toHaveValue('brine'));
    expect(field('Hazards, from the sheet')).toHaveValue('slippery');
    expect(screen.getByText(/taken over here:.*liquid/)).toBeInTheDocument();
  });
  test('the same field: both stand side by side, and nothing is kept before a choice', async () => {
    const asked = answerFetch(() => ({ body: { data: { version: 3 } } }));
    const { rerender } = show();
    await put('The liquid it handled', 'river water');
    rerender(<ReceiveSheet view={viewOf({ version: 2, liquid: 'brine' })} isHere />);
    const conflict = await screen.findByRole('alert', { name: 'Changed meanwhile' });
    expect(keep()).toBeDisabled();
    expect(within(conflict).getByRole('button', { name: 'Yours: river water' })).toBeInTheDocument();
    await userEvent.click(within(conflict).getByRole('button', { name: 'Theirs: brine' }));
    await waitFor(() => expect(field('The liquid it handled')).toHaveValue('brine'));
    await put('Hazards, from the sheet', 'slippery');
    await userEvent.click(keep());
    await waitFor(() => expect(asked[0]?.body).toMatchObject({ basedOn: 2, intake: { liquid: 'brine' } }));
  });
});

test('a closed job is shown and cannot be changed', async () => {
  show(viewOf({}, '2026-11-30T10:00:00.000Z'));
  expect(field('The liquid it handled')).toHaveAttribute('readonly');
  expect(field('Paper that came')).toBeDisabled();
  expect(screen.getByRole('checkbox', { name: 'guard' })).toBeDisabled();
  await userEvent.type(field('The liquid it handled'), 'x');
  expect(field('The liquid it handled')).toHaveValue('pond water');
});

test('isolation is confirmed by name, once; the technician reads what is not read yet', async () => {
  const asked = answerFetch(() => ({ body: { data: { version: 2 } } }));
  const record = exampleRecord({ intake: { ...intake, isolation: null }, acknowledgements: [] });
  render(<ReceiveSheet view={exampleView(record)} isHere />);
  await userEvent.click(screen.getByRole('button', { name: 'I confirm it, as Ines' }));
  await waitFor(() => expect(asked[0]?.body).toEqual({ tag: 'P-0417', basedOn: 1 }));
  expect(screen.getByText(/Hazards: none written down/)).toBeInTheDocument();
});
