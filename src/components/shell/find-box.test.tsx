import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { answerFetch } from '../../../test-support/answer-fetch';
import { router } from '../../../test-support/set-up-components';
import { FindBox } from './find-box';

const strip = (tag: string) => ({
  ...{ tag, pump: 'Overhung 50-160', maker: 'Quillmere', model: 'QB', customer: 'Garden', serial: `S-${tag}` },
  answer: `${tag} is on the bench.`,
});
const box = () => screen.getByRole('combobox', { name: 'Find a pump' });

test('what is typed is looked for when typing pauses; the first answer can be read out', async () => {
  const asked = answerFetch(() => ({ body: { data: { strips: [strip('P-0404'), strip('P-0406')] } } }));
  render(<FindBox />);
  await userEvent.type(box(), 'garden');
  expect(await screen.findByText('P-0404 is on the bench.')).toBeInTheDocument();
  expect(asked.map((one) => one.path)).toEqual(['/api/find?text=garden']);
  expect(screen.getAllByRole('option')).toHaveLength(2);
  expect(box()).toHaveAttribute('aria-expanded', 'true');
});

test('arrow keys choose; the answer is that of the chosen one, and Enter opens it', async () => {
  answerFetch(() => ({ body: { data: { strips: [strip('P-0404'), strip('P-0406')] } } }));
  render(<FindBox />);
  await userEvent.type(box(), 'garden');
  await screen.findAllByRole('option');
  await userEvent.keyboard('{ArrowDown}{ArrowDown}');
  expect(screen.getByText('P-0406 is on the bench.')).toBeInTheDocument();
  const active = box().getAttribute('aria-activedescendant');
  expect(screen.getAllByRole('option')[1]).toHaveAttribute('id', active);
  await userEvent.keyboard('{Enter}');
  expect(router.push).toHaveBeenCalledWith('/jobs/P-0406');
});

test('Enter right after typing opens the first hit, also before the list is there', async () => {
  answerFetch(() => ({ body: { data: { strips: [strip('P-0417')] } } }));
  render(<FindBox />);
  await userEvent.type(box(), '417{Enter}');
  expect(router.push).toHaveBeenCalledWith('/jobs/P-0417');
});

test('a state is asked for by its name; that there are more is said', async () => {
  const strips = Array.from({ length: 12 }, (_, i) => strip(`P-04${10 + i}`));
  answerFetch(() => ({ body: { data: { strips, of: 'on hold', hasMore: true } } }));
  render(<FindBox />);
  await userEvent.type(box(), 'on hold');
  expect(await screen.findByText('Pumps on hold')).toBeInTheDocument();
  expect(screen.getByRole('status')).toHaveTextContent('There are more than a dozen');
});

test('a state in which no pump is says so', async () => {
  answerFetch(() => ({ body: { data: { strips: [], of: 'on hold', hasMore: false } } }));
  render(<FindBox />);
  await userEvent.type(box(), 'on hold');
  expect(await screen.findByText('No pump is on hold')).toBeInTheDocument();
});

test('nothing found is said, with what to try', async () => {
  answerFetch(() => ({ body: { data: { strips: [] } } }));
  render(<FindBox />);
  await userEvent.type(box(), 'zzz');
  expect(await screen.findByRole('status')).toHaveTextContent('Nothing here is called “zzz”');
});

test('a slash brings the cursor here from anywhere but a field', async () => {
  render(
    <>
      <FindBox />
      <input aria-label="another" />
    </>,
  );
  await userEvent.keyboard('/');
  expect(box()).toHaveFocus();
  await userEvent.click(screen.getByRole('textbox', { name: 'another' }));
  await userEvent.keyboard('/');
  expect(box()).not.toHaveFocus();
});
