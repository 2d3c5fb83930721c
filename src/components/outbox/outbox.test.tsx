import { render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { Outbox } from './outbox';

const mail = {
  ...{ id: 'm-1', to: 'fern@garden.example', subject: 'Quote for P-0417', attachmentName: 'P-0417-quote-1.pdf' },
  ...{ body: 'See http://localhost:4170/customer/abc for it.', sentAt: '2026-11-24T08:00:00.000Z' },
};
const stuck = {
  ...{ id: 's-1', tag: 'P-0418', kind: 'mail-quote', tries: 3, dueAt: '2026-11-24T09:04:00.000Z' },
  lastError: 'the line is down',
};

test('a mail opens with its words, its link and what hangs on it', async () => {
  render(<Outbox mails={[mail]} stuck={[]} next={null} zone="UTC" />);
  await userEvent.click(screen.getByText('Quote for P-0417'));
  expect(screen.getByRole('link', { name: 'http://localhost:4170/customer/abc' })).toHaveAttribute(
    'href',
    '/customer/abc',
  );
  expect(screen.getByRole('link', { name: 'P-0417-quote-1.pdf' })).toHaveAttribute('href', '/files/mail/m-1');
  expect(screen.queryByRole('status')).not.toBeInTheDocument();
});

test('what could not go out stands above, with why and when it is tried again', () => {
  render(
    <Outbox
      mails={[]}
      stuck={[stuck, { ...stuck, id: 's-2', kind: 'place-order', tries: 1 }]}
      next={null}
      zone="UTC"
    />,
  );
  const waiting = within(screen.getByRole('status', { name: 'Waiting to go out' }));
  const [first, second] = waiting.getAllByText(/the line is down/);
  expect(first).toHaveTextContent(
    'P-0418, the mail with the quote: the line is down. Tried 3 times; next at 24 Nov, 09:04.',
  );
  expect(second).toHaveTextContent('the order to the supplier: the line is down. Tried once;');
  expect(screen.getByText('Nothing has been sent yet.')).toBeInTheDocument();
});

test('older mails are one link away', () => {
  render(<Outbox mails={[mail]} stuck={[]} next="2026-11-24T08:00:00.000Z_m-1" zone="UTC" />);
  expect(screen.getByRole('link', { name: 'Older' })).toHaveAttribute(
    'href',
    '/outbox?before=2026-11-24T08%3A00%3A00.000Z_m-1',
  );
});
