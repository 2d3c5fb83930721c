import { startAuthentication, startRegistration } from '@simplewebauthn/browser';
import { fireEvent, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { answerFetch } from '../../../test-support/answer-fetch';
import { OwnPasskeys } from './own-passkeys';
import { SignInForm } from './sign-in-form';

const push = jest.fn();
jest.mock('next/navigation', () => ({ useRouter: () => ({ push, refresh: jest.fn() }) }));
jest.mock('@simplewebauthn/browser', () => ({ startRegistration: jest.fn(), startAuthentication: jest.fn() }));

const offer = (isSecureContext: boolean) => Object.assign(window, { isSecureContext, PublicKeyCredential: class {} });
const named = (name: string) => Object.assign(new Error('x'), { name });
const list = [
  { id: 'k1', name: 'Telephone', at: '2026-11-26T08:00:00.000Z', usedAt: null },
  { id: 'k2', name: 'Stick', at: '2026-11-27T08:00:00.000Z', usedAt: '2026-11-28T09:30:00.000Z' },
];
const answers: Readonly<Record<string, unknown>> = {
  '/api/sessions': { zone: 'UTC', sessions: [], passkeys: list },
  '/api/act/begin-passkey': { options: { challenge: 'c1' }, token: 't1' },
  '/api/act/add-passkey': { passkeyId: 'k3' },
  '/api/act/end-passkey': { ended: 1 },
  '/api/act/ask-passkey': { options: { challenge: 'c2' }, token: 't2' },
  '/api/act/sign-in-by-passkey': { name: 'Ines', role: 'technician' },
};
const answerAll = () => answerFetch(({ path }) => ({ body: { data: answers[path] } }));

async function openAndAdd() {
  render(<OwnPasskeys />);
  const details = screen.getByText('Passkeys').closest('details');
  if (details) details.open = true;
  fireEvent(details as Element, new Event('toggle'));
  await userEvent.type(screen.getByLabelText(/Name of the device/), 'Telephone');
  await userEvent.type(screen.getByLabelText('The password that you have now'), 'a-long-enough-word');
  await userEvent.click(screen.getByRole('button', { name: 'Add a passkey' }));
}

test('one is made with the password and a name; those there are, are listed and ended', async () => {
  offer(true);
  jest.mocked(startRegistration).mockResolvedValueOnce({ id: 'new' } as never);
  const asked = answerAll();
  await openAndAdd();
  expect(await screen.findByText(/since .*26.*not used yet/)).toBeVisible();
  expect(startRegistration).toHaveBeenCalledWith({ optionsJSON: { challenge: 'c1' } });
  await userEvent.click(screen.getByRole('button', { name: 'End Stick' }));
  expect(asked.filter(({ path }) => path.startsWith('/api/act')).map(({ path, body }) => [path, body])).toEqual([
    ['/api/act/begin-passkey', { current: 'a-long-enough-word' }],
    ['/api/act/add-passkey', { token: 't1', name: 'Telephone', answer: { id: 'new' } }],
    ['/api/act/end-passkey', { passkeyId: 'k2' }],
  ]);
});

test.each([
  ['the person calls it off', 'NotAllowedError', /called off, or took too long/],
  ['the device has one already', 'InvalidStateError', /has a passkey for you here already/],
  ['the page was opened by a number', 'SecurityError', /opened by a number/],
  ['anything else', 'UnknownError', /gave no passkey/],
])('it says why none was made: %s', async (_, name, words) => {
  offer(true);
  jest.mocked(startRegistration).mockRejectedValueOnce(named(name));
  const asked = answerAll();
  await openAndAdd();
  expect(await screen.findByRole('alert')).toHaveTextContent(words);
  expect(asked.map(({ path }) => path)).not.toContain('/api/act/add-passkey');
  expect(screen.getByLabelText(/Name of the device/)).toHaveValue('Telephone');
});

describe('at the door', () => {
  const press = async () => {
    render(<SignInForm refused={null} />);
    await userEvent.click(screen.getByRole('button', { name: 'Sign in with a passkey' }));
  };

  test('a passkey opens the floor, and nothing is typed', async () => {
    offer(true);
    jest.mocked(startAuthentication).mockResolvedValueOnce({ id: 'mine' } as never);
    const asked = answerAll();
    await press();
    await screen.findByRole('button', { name: 'Sign in with a passkey' });
    expect(asked.map(({ path, body }) => [path, body])).toEqual([
      ['/api/act/ask-passkey', {}],
      ['/api/act/sign-in-by-passkey', { token: 't2', answer: { id: 'mine' } }],
    ]);
    expect(push).toHaveBeenCalledWith('/');
  });

  test('over plain HTTP it says what passkeys need, and the password stays', async () => {
    offer(false);
    answerAll();
    await press();
    expect(await screen.findByRole('alert')).toHaveTextContent(/they need TLS.*Use your password/);
    expect(screen.getByLabelText('Password')).toBeVisible();
  });
});
