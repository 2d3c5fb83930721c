'use client';

import { useRouter } from 'next/navigation';
import { useState, type FormEvent, type ReactNode } from 'react';
import { act, type ActError } from '../act/act';
import { WordMark } from '../signs/stream';
import { Button, ErrorNote, issueFor, TextField } from '../ui/form';

function Frame({ title, children }: { readonly title: string; readonly children: ReactNode }) {
  return (
    <main className="mx-auto mt-[12vh] max-w-[420px] px-6">
      <p className="flex items-center gap-2 text-18 font-bold">
        <WordMark />
        Puddlestone
      </p>
      <h1 className="mb-4 mt-6 text-24 font-bold">{title}</h1>
      {children}
    </main>
  );
}

function useOpening(verb: string, refused: ActError | null = null) {
  const router = useRouter();
  const [error, setError] = useState<ActError | null>(refused);
  const [isBusy, setBusy] = useState(false);
  const submit = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    setBusy(true);
    const answer = await act(verb, Object.fromEntries(new FormData(event.currentTarget)));
    setBusy(false);
    if (answer.ok) {
      router.push('/');
      router.refresh();
    } else if ('error' in answer) setError(answer.error);
  };
  return { submit, error, isBusy };
}

export function SignInForm({ refused }: { readonly refused: ActError | null }) {
  const { submit, error, isBusy } = useOpening('sign-in', refused);
  return (
    <Frame title="Sign in">
      <form method="post" action="/api/sign-in" onSubmit={submit} className="space-y-4">
        <TextField
          label="Mail address"
          name="email"
          type="email"
          autoComplete="username"
          required
          error={issueFor(error, 'email')}
        />
        <TextField
          label="Password"
          name="password"
          type="password"
          autoComplete="current-password"
          required
          error={issueFor(error, 'password')}
        />
        <ErrorNote error={error} />
        <Button type="submit" tone="main" className="w-full" disabled={isBusy}>
          Sign in
        </Button>
      </form>
    </Frame>
  );
}

export function WelcomeForm() {
  const { submit, error, isBusy } = useOpening('create-owner');
  return (
    <Frame title="First visit: the shop and its owner">
      <form method="post" onSubmit={submit} className="space-y-4">
        <TextField label="Name of the shop" name="shopName" required error={issueFor(error, 'shopName')} />
        <TextField label="Place" name="place" />
        <TextField
          label="Time zone"
          name="zone"
          defaultValue="UTC"
          hint="such as Europe/Vienna"
          error={issueFor(error, 'zone')}
        />
        <TextField label="Currency" name="currency" defaultValue="EUR" error={issueFor(error, 'currency')} />
        <TextField label="Your name" name="name" required error={issueFor(error, 'name')} />
        <TextField label="Mail address" name="email" type="email" required error={issueFor(error, 'email')} />
        <TextField
          label="Password"
          name="password"
          type="password"
          autoComplete="new-password"
          required
          hint="ten characters or more"
          error={issueFor(error, 'password')}
        />
        <TextField
          label="PIN for the bench tablet"
          name="pin"
          type="password"
          inputMode="numeric"
          hint="four to eight digits; may stay empty"
          error={issueFor(error, 'pin')}
        />
        <ErrorNote error={error} />
        <Button type="submit" tone="main" className="w-full" disabled={isBusy}>
          Open the shop
        </Button>
      </form>
    </Frame>
  );
}
