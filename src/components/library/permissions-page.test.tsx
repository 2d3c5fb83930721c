import { render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { PermissionsPage } from './permissions-page';

const view = {
  roles: ['coordinator', 'owner'],
  lines: [
    { kind: 'changes' as const, words: 'sends a quote', may: [true, true], others: [] },
    { kind: 'changes' as const, words: 'lets somebody in', may: [false, true], others: [] },
    { kind: 'reads' as const, words: 'customer page', may: [false, false], others: ['a customer with a link'] },
  ],
};

test('each thing says in words who may and who may not', () => {
  render(<PermissionsPage view={view} />);
  const row = screen.getByRole('row', { name: /lets somebody in/ });
  expect(
    within(row)
      .getAllByRole('cell')
      .map((cell) => cell.textContent),
  ).toEqual(['–', 'may', '']);
  expect(screen.getByRole('row', { name: /customer page/ })).toHaveTextContent('a customer with a link');
});

test('a thing is found by its words', async () => {
  render(<PermissionsPage view={view} />);
  await userEvent.type(screen.getByRole('searchbox'), 'Quote');
  expect(screen.getByRole('status')).toHaveTextContent('1 of 3 things');
  expect(screen.queryByRole('row', { name: /lets somebody in/ })).toBeNull();
});
