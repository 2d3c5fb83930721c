import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { answerFetch } from '../../../test-support/answer-fetch';
import { SecondFactor } from './second-factor';
import { SignInForm } from './sign-in-form';

jest.mock('next/navigation', () => ({ useRouter: () => ({ push: jest.fn(), refresh: jest.fn() }) }));

const answers: Readonly<Record<string, unknown>> = {
  '/api/act/begin-second-factor': { secret: 'JBSWY3DPEHPK3PXP', address: 'otpauth://totp/x', picture: '<svg/>' },
  '/api/act/confirm-second-factor': { recovery: ['abcde-fghjk', 'mnpqr-stuvw'] },
  '/api/act/end-second-factor': { ended: 1 },
};

test('it is set up with the password, a code of the app, and words that are shown once', async () => {
  const asked = answerFetch(({ path }) => ({ body: { data: answers[path] } }));
  render(<SecondFactor />);
  await userEvent.type(screen.getByLabelText('The password that you have now'), 'a-long-enough-word');
  await userEvent.click(screen.getByRole('button', { name: 'Set it up' }));
  expect(await screen.findByAltText('Square code for the app')).toBeVisible();
  expect(screen.getByText('JBSW Y3DP EHPK 3PXP')).toBeVisible();
  await userEvent.type(screen.getByLabelText('The six digits that it shows'), '123456');
  await userEvent.click(screen.getByRole('button', { name: 'It holds from now on' }));
  expect(await screen.findByText('mnpqr-stuvw')).toBeVisible();
  expect(asked.map(({ path, body }) => [path, body])).toEqual([
    ['/api/act/begin-second-factor', { current: 'a-long-enough-word' }],
    ['/api/act/confirm-second-factor', { code: '123456' }],
  ]);
});

test('it is ended with the password', async () => {
  answerFetch(({ path }) => ({ body: { data: answers[path] } }));
  render(<SecondFactor />);
  await userEvent.type(screen.getByLabelText('The password that you have now'), 'a-long-enough-word');
  await userEvent.click(screen.getByRole('button', { name: 'End it' }));
  expect(await screen.findByRole('status')).toHaveTextContent('the password alone signs you in');
});

test('whoever has one is asked for the code at sign-in, and only then', async () => {
  const error = {
    code: 'second-factor-wanted',
    what: 'A second factor.',
    kept: '',
    todo: 'Type the code.',
    issues: [],
  };
  const asked = answerFetch(({ body }) =>
    (body as { code?: string }).code
      ? { body: { data: { name: 'Wenna', role: 'coordinator' } } }
      : { status: 401, body: { error } },
  );
  render(<SignInForm refused={null} />);
  expect(screen.queryByLabelText(/Code of your app/)).toBeNull();
  await userEvent.type(screen.getByLabelText('Mail address'), 'wenna@shop.example');
  await userEvent.type(screen.getByLabelText('Password'), 'a-long-enough-word');
  await userEvent.click(screen.getByRole('button', { name: 'Sign in' }));
  await userEvent.type(await screen.findByLabelText(/Code of your app/), '123456');
  await userEvent.click(screen.getByRole('button', { name: 'Sign in' }));
  expect(asked.map(({ body }) => body)).toEqual([
    { email: 'wenna@shop.example', password: 'a-long-enough-word' },
    { email: 'wenna@shop.example', password: 'a-long-enough-word', code: '123456' },
  ]);
});
