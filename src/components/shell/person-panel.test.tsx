import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { answerFetch } from '../../../test-support/answer-fetch';
import { come, leavingSignal } from '../act/leaving';
import { PersonPanel } from './person-panel';

const others = [{ id: 'p-2', name: 'Marek Thornby', role: 'inspector' }];
const shown = (own: { role: string; tablet: string | null }) =>
  render(<PersonPanel name="Wenna Tarrock" others={others} {...own} />);

test('on a tablet of the bench another person takes over by PIN', async () => {
  const asked = answerFetch(() => ({ body: { data: { name: 'Marek Thornby', role: 'inspector' } } }));
  shown({ role: 'technician', tablet: 'Bench 2' });
  expect(screen.getByText('Bench 2')).toBeVisible();
  await userEvent.type(screen.getByLabelText('PIN'), '5005');
  await userEvent.click(screen.getByRole('button', { name: 'Take over' }));
  expect(asked.map(({ path, body }) => [path, body])).toEqual([
    ['/api/act/switch-person', { personId: 'p-2', pin: '5005' }],
  ]);
});

test('elsewhere nobody is asked for a PIN; a coordinator makes the device a tablet, a technician does not', async () => {
  const asked = answerFetch(() => ({ body: { data: { tabletId: 't', name: 'Bench 3' } } }));
  const { unmount } = shown({ role: 'technician', tablet: null });
  expect(screen.queryByLabelText('PIN')).toBeNull();
  expect(screen.queryByRole('button', { name: 'Enrol it' })).toBeNull();
  unmount();
  shown({ role: 'coordinator', tablet: null });
  await userEvent.type(screen.getByLabelText(/Make this device a tablet/), 'Bench 3');
  await userEvent.click(screen.getByRole('button', { name: 'Enrol it' }));
  expect(asked.map(({ path, body }) => [path, body])).toEqual([['/api/act/enrol-tablet', { name: 'Bench 3' }]]);
});

test('a sign-out that nobody answers is said, and one stays signed in', async () => {
  let isAway = true;
  const asked = answerFetch(() => (isAway ? 'lost' : { body: { data: {} } }));
  shown({ role: 'technician', tablet: null });
  await userEvent.click(screen.getByRole('button', { name: 'Sign out' }));
  expect(await screen.findByText(/You are still signed in/)).toBeInTheDocument();
  expect(leavingSignal().aborted).toBe(false);
  isAway = false;
  await userEvent.click(screen.getByRole('button', { name: 'Sign out' }));
  expect(leavingSignal().aborted).toBe(true);
  expect(asked.map(({ path }) => path)).toEqual(['/api/sign-out', '/api/sign-out']);
  come();
});

test('where one is signed in is listed when it is asked for, and each can be ended', async () => {
  const session = {
    ...{ id: 's-1', how: 'PIN', agent: 'Chrome on Android', client: '192.0.2.7', tabletName: 'Bench 1', isThis: false },
    ...{ startedAt: '2026-11-28T06:00:00Z', seenAt: '2026-11-28T07:30:00Z', isParked: true },
  };
  const asked = answerFetch(({ path }) => ({
    body: { data: path === '/api/sessions' ? { zone: 'UTC', sessions: [session] } : { ended: 1 } },
  }));
  shown({ role: 'coordinator', tablet: null });
  await userEvent.click(screen.getByText('Where you are signed in'));
  expect(await screen.findByText(/Chrome on Android, by PIN, since 28 Nov, 06:00; taken over/)).toBeInTheDocument();
  await userEvent.click(screen.getByRole('button', { name: 'End', hidden: true }));
  expect(asked.map(({ path }) => path)).toEqual(['/api/sessions', '/api/act/end-session', '/api/sessions']);
});
