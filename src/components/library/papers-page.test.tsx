import { render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { answerFetch, refusal } from '../../../test-support/answer-fetch';
import { PapersPage } from './papers-page';

const mockSend = jest.fn();
jest.mock('../job/send-picture', () => ({ sendPicture: (asked: unknown) => mockSend(asked) as unknown }));

const view = {
  ...{ shop: 'Kettlewick Pump Works', telephone: 'Harrowmere 214', letters: {}, mark: null, catalogue: null },
  numbers: [{ series: 'tag' as const, title: 'Tags of jobs', next: 442, written: 'P-0442' }],
};
const preview = () => within(screen.getByRole('region', { name: 'How it reads' }));
const choose = (name: string) => userEvent.click(screen.getByRole('button', { name }));

describe('a letter', () => {
  test('shows how it reads while its words are typed, and is kept in the shop’s own', async () => {
    const asked = answerFetch(() => ({ body: { data: { changed: ['letters'] } } }));
    render(<PapersPage view={view} />);
    await choose('A promise that moved');
    expect(preview().getByText(/It will be ready on 14 December 2026\./)).toBeVisible();
    const subject = screen.getByLabelText('Subject');
    await userEvent.clear(subject);
    await userEvent.type(subject, 'New day for {{tag}');
    expect(preview().getByText('New day for P-0431')).toBeVisible();
    await choose('Keep these words');
    await waitFor(() =>
      expect(asked[0]).toMatchObject({
        path: '/api/act/change-settings',
        body: { letters: { promise: { subject: 'New day for {tag}' } } },
      }),
    );
  });
  test('that cannot go out so says why at its field, and is not sent', async () => {
    render(<PapersPage view={view} />);
    const letter = screen.getByLabelText('Letter');
    await userEvent.clear(letter);
    await userEvent.type(letter, 'Dear {{contact}, {{colour}');
    expect(screen.getByText('there is no field {colour} in this letter')).toBeVisible();
    expect(screen.getByRole('button', { name: 'Keep these words' })).toBeDisabled();
    await choose('The usual words');
    expect(screen.getByRole('button', { name: 'Keep these words' })).toBeEnabled();
  });
  test('takes in a field where the cursor stands', async () => {
    render(<PapersPage view={{ ...view, letters: { report: { subject: 'S', body: 'No. .' } } }} />);
    await userEvent.click(screen.getByRole('button', { name: /^Report/ }));
    const letter = screen.getByLabelText<HTMLTextAreaElement>('Letter');
    letter.setSelectionRange(4, 4);
    await choose('{number}');
    expect(letter).toHaveValue('No. {number}.');
    expect(preview().getByText('No. R-2026-0114.')).toBeVisible();
  });
});

test('a number that was given is refused at its field', async () => {
  const asked = answerFetch(() =>
    refusal('Tags of jobs: numbers up to P-0441 are given already; type 442 or more.', {
      ...{ path: 'next', message: 'numbers up to P-0441 are given already; type 442 or more' },
    }),
  );
  render(<PapersPage view={view} />);
  const numbers = within(screen.getByRole('region', { name: 'Numbers' }));
  const field = numbers.getByLabelText('Tags of jobs go on at');
  await userEvent.clear(field);
  await userEvent.type(field, '12');
  await userEvent.click(numbers.getByRole('button', { name: 'Go on there' }));
  expect(await numbers.findByText(/are given already; type 442 or more/)).toBeVisible();
  expect(asked[0]?.body).toEqual({ series: 'tag', next: 12, basedOn: 442 });
});

test('the mark goes to its own door, and a file that is none is said', async () => {
  const error = { code: 'not-a-picture', what: 'This is not a picture.', kept: '', todo: '', issues: [] };
  mockSend.mockResolvedValue({ ok: false, error });
  render(<PapersPage view={view} />);
  expect(screen.getByText('Papers go out with our name alone.')).toBeVisible();
  const file = new File(['x'], 'mark.png', { type: 'image/png' });
  await userEvent.upload(screen.getByLabelText('The shop’s mark from a file'), file);
  expect(await screen.findByText('This is not a picture.')).toBeVisible();
  expect(mockSend).toHaveBeenCalledWith(expect.objectContaining({ door: '/api/mark', file }));
});
