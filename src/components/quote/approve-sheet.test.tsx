import { render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { asId } from '@/core/record';
import { exampleLine, exampleQuote, exampleRecord } from '@/core/record/example-record';
import { answerFetch, refusal } from '../../../test-support/answer-fetch';
import { exampleView } from '../../../test-support/example-view';
import { ApproveSheet } from './approve-sheet';

const lines = [
  exampleLine({ description: 'Wear ring' }),
  exampleLine({ id: asId('line-2'), description: 'Teardown', declinable: false, unitPriceMinor: 20000 }),
  exampleLine({ id: asId('line-3'), description: 'Paint', unitPriceMinor: 5000 }),
];
const show = () =>
  render(
    <ApproveSheet
      view={exampleView(exampleRecord({ station: 'approve', quotes: [exampleQuote(lines)] }), { openLinks: 1 })}
      isHere
    />,
  );
const done = { body: { data: { version: 9 } } };

test('all lines are approved at first: 350 and a fifth of it', () => {
  show();
  // 100 + 200 + 50 = 350; with 20 % tax 420
  expect(screen.getByRole('button', { name: /^Approved: .*420\.00.* with tax/ })).toBeInTheDocument();
});

test('a line that is declined leaves the sum; one that belongs to every repair cannot be', async () => {
  const asked = answerFetch(() => done);
  show();
  expect(screen.getByRole('checkbox', { name: /Teardown/ })).toBeDisabled();
  await userEvent.click(screen.getByRole('checkbox', { name: /Paint/ }));
  await userEvent.type(screen.getByLabelText('When, and what was said'), 'Tuesday, no paint');
  await userEvent.click(screen.getByRole('button', { name: /^Approved: .*360\.00/ }));
  await waitFor(() =>
    expect(asked[0]?.body).toEqual({
      ...{ tag: 'P-0417', way: 'telephone', name: 'Fern Okonjo', reference: 'Tuesday, no paint' },
      ...{ declinedLines: ['line-3'], declineAll: false, option: null, criticalConfirmed: false, quoteId: 'quote-1' },
    }),
  );
});

test('where one line alone can be declined, it can be declined and taken up again', async () => {
  const asked = answerFetch(() => done);
  const quote = exampleQuote(lines.slice(0, 2));
  render(<ApproveSheet view={exampleView(exampleRecord({ station: 'approve', quotes: [quote] }))} isHere />);
  await userEvent.click(screen.getByRole('checkbox', { name: /Wear ring/ }));
  expect(screen.getByRole('button', { name: /^Approved: .*240\.00/ })).toBeInTheDocument();
  await userEvent.click(screen.getByRole('checkbox', { name: /Wear ring/ }));
  await userEvent.click(screen.getByRole('button', { name: /^Approved: .*360\.00/ }));
  await waitFor(() => expect(asked[0]?.body).toMatchObject({ declinedLines: [] }));
});

test('another revision is answered from the start: all its lines are approved at first', () => {
  const view = (id: string, lineId: string) =>
    exampleView(
      exampleRecord({
        station: 'approve',
        quotes: [exampleQuote([exampleLine({ id: asId(lineId) })], { id: asId(id) })],
      }),
    );
  const { rerender } = render(<ApproveSheet view={view('q-1', 'l-1')} isHere />);
  rerender(<ApproveSheet view={view('q-2', 'l-2')} isHere />);
  expect(screen.getByRole('checkbox', { name: /Wear ring/ })).toBeChecked();
});

test('a whole refusal names no single line; an order asks for its number', async () => {
  const asked = answerFetch(() => done);
  show();
  await userEvent.selectOptions(screen.getByLabelText('It came by'), 'purchase order');
  await userEvent.type(screen.getByLabelText('Order number'), '4711');
  await userEvent.click(screen.getByRole('checkbox', { name: /Paint/ }));
  await userEvent.click(screen.getByRole('button', { name: /^Declined/ }));
  await waitFor(() =>
    expect(asked[0]?.body).toMatchObject({
      way: 'purchase order',
      reference: '4711',
      declinedLines: [],
      declineAll: true,
    }),
  );
});

test('what the answer lacks is said at its field, and what was typed stays', async () => {
  answerFetch(() => refusal('reference: say when', { path: 'reference', message: 'say when' }));
  show();
  await userEvent.clear(screen.getByLabelText('Who said so'));
  await userEvent.type(screen.getByLabelText('Who said so'), 'Rowan');
  await userEvent.click(screen.getByRole('button', { name: /^Approved/ }));
  expect(await screen.findByText('say when')).toBeInTheDocument();
  expect(screen.getByLabelText('Who said so')).toHaveValue('Rowan');
});

test('a link can be taken back while one is open', async () => {
  const asked = answerFetch(() => done);
  show();
  await userEvent.click(screen.getByRole('button', { name: 'Take the link back' }));
  await waitFor(() => expect(asked[0]?.path).toBe('/api/act/revoke-link'));
});
