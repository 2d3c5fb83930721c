import { render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { answerFetch } from '../../../test-support/answer-fetch';
import { StaffPage, type Staff, type StaffView } from './staff-page';

const person: Omit<Staff, 'id'> = {
  ...{ name: 'Odile Fenner', email: 'odile@shop.example', role: 'technician', isActive: true, hasPin: true },
  hasSecondFactor: false,
  passkeys: 0,
  ...{ since: '2026-01-05T08:00:00Z', devices: 2, signedInAt: '2026-11-24T06:00:00Z' },
};
const view: StaffView = {
  ...{ of: null, self: 'p-1' as never, zone: 'UTC', sessions: [], tablets: [], audits: [] },
  staff: [
    { ...person, id: 'p-1' as never, name: 'Sunniva Kettle', role: 'owner', devices: 1 },
    { ...person, id: 'p-2' as never },
    { ...person, id: 'p-3' as never, name: 'Joss Tarn', isActive: false, devices: 0, signedInAt: null, hasPin: false },
  ],
  done: [
    {
      ...{ at: '2026-11-24T09:05:00Z', from: '2026-11-24T09:05:00Z', times: 1, tag: null },
      words: 'Sunniva Kettle let in Odile Fenner as technician.',
    },
    {
      ...{ at: '2026-11-24T09:00:00Z', from: '2026-11-24T08:12:00Z', times: 7, tag: 'P-0402' },
      words: 'Odile Fenner kept readings.',
    },
  ],
};
const rowOf = (name: string) => {
  const row = within(screen.getByRole('region', { name: 'Who works here' }))
    .getAllByRole('listitem')
    .find((one) => one.textContent?.startsWith(name));
  if (!row) throw new RangeError(`no row of ${name}`);
  return within(row);
};
const show = (own: Partial<StaffView> = {}) => {
  const asked = answerFetch(() => ({ body: { data: { changed: 1, ended: 2 } } }));
  render(<StaffPage view={{ ...view, ...own }} />);
  return asked;
};

test('each says the role, where they are signed in, and whether they can sign at the bench', () => {
  show();
  expect(rowOf('Odile Fenner').getByText(/has a PIN · signed in on 2 devices, last/)).toBeInTheDocument();
  expect(rowOf('Joss Tarn').getByText('technician, left')).toBeInTheDocument();
  expect(
    rowOf('Joss Tarn').getByText(/no PIN: cannot take over or sign at the bench · signed in nowhere/),
  ).toBeVisible();
});

test('who leaves is asked about before it is written down; nobody lets themself go', async () => {
  const asked = show();
  const odile = rowOf('Odile Fenner');
  await userEvent.click(odile.getByRole('button', { name: 'Odile Fenner has left', hidden: true }));
  expect(asked).toEqual([]);
  await userEvent.click(odile.getByRole('button', { name: 'Yes, Odile Fenner left', hidden: true }));
  expect(asked.map(({ path, body }) => [path, body])).toEqual([
    ['/api/act/change-person', { personId: 'p-2', isActive: false }],
  ]);
  expect(rowOf('Sunniva Kettle').queryByRole('button', { name: /has left/, hidden: true })).toBeNull();
});

test('another PIN goes alone, and an empty password is not sent', async () => {
  const asked = show();
  const odile = rowOf('Odile Fenner');
  await userEvent.type(odile.getByLabelText('Another PIN'), '4711');
  await userEvent.click(odile.getByRole('button', { name: 'Set', hidden: true }));
  expect(asked.map(({ body }) => body)).toEqual([{ personId: 'p-2', pin: '4711' }]);
  expect(await odile.findByText('Kept; Odile Fenner signs in anew.')).toBeInTheDocument();
});

test('what was done leads to its job; who is shown alone leads back to all', () => {
  show({ of: 'p-2' as never });
  expect(screen.getByRole('heading', { name: 'What Odile Fenner did last' })).toBeVisible();
  expect(screen.getByText('7 times, since 24 Nov, 08:12')).toBeVisible();
  expect(screen.getByRole('link', { name: 'P-0402' })).toHaveAttribute('href', '/jobs/P-0402');
  expect(rowOf('Odile Fenner').getByRole('link', { name: 'All' })).toHaveAttribute('href', '/library/people');
  expect(rowOf('Joss Tarn').getByRole('link', { name: 'What Joss did' })).toHaveAttribute(
    'href',
    '/library/people?of=p-3',
  );
});
