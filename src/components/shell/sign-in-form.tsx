'use client';

import { zodResolver } from '@hookform/resolvers/zod';
import { useRouter } from 'next/navigation';
import { useState, type ReactNode } from 'react';
import { useForm } from 'react-hook-form';
import type { InputOf } from '@/contract';
import { createOwnerInput, signInInput } from '@/contract/people';
import { act, type ActError } from '../act/act';
import { come } from '../act/leaving';
import { WordMark } from '../signs/stream';
import { Button, ErrorNote, TextField } from '../ui/form';
import { faultsOf } from '../ui/form-faults';
import { provePasskey } from './passkey';

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

/** Sends what opens a session, then shows the floor. */
function useOpening<V extends 'sign-in' | 'sign-in-by-passkey' | 'create-owner'>(
  verb: V,
  refused: ActError | null = null,
) {
  const router = useRouter();
  const [error, setError] = useState<ActError | null>(refused);
  const send = async (input: InputOf<V>) => {
    const answer = await act(verb, input);
    if (!answer.ok) return setError(answer.error);
    come();
    router.push('/');
    router.refresh();
  };
  return { send, error };
}

/** Signs in whom a passkey of the browser or a telephone proves: no address and no password is typed. */
function PasskeyButton() {
  const { send, error } = useOpening('sign-in-by-passkey');
  const [fault, setFault] = useState<ActError | null>(null);
  const [isBusy, setBusy] = useState(false);
  const ask = async () => {
    const asked = await act('ask-passkey', {});
    if (!asked.ok) return setFault(asked.error);
    const proved = await provePasskey(asked.data.options);
    setFault(proved.ok ? null : proved.error);
    if (proved.ok) await send({ token: asked.data.token, answer: proved.answer });
  };
  const go = async () => {
    setBusy(true);
    await ask();
    setBusy(false);
  };
  return (
    <div className="row mt-6 space-y-4 pt-6">
      <ErrorNote error={fault ?? error} />
      <Button className="w-full" disabled={isBusy} onClick={() => void go()}>
        Sign in with a passkey
      </Button>
    </div>
  );
}

export function SignInForm({ refused }: { readonly refused: ActError | null }) {
  const { send, error } = useOpening('sign-in', refused);
  const form = useForm<InputOf<'sign-in'>>({ resolver: zodResolver(signInInput) });
  const faultOf = faultsOf(form.formState.errors, error);
  return (
    <Frame title="Sign in">
      <form method="post" action="/api/sign-in" onSubmit={form.handleSubmit(send)} className="space-y-4" noValidate>
        <TextField
          label="Mail address"
          type="email"
          autoComplete="username"
          error={faultOf('email')}
          {...form.register('email')}
        />
        <TextField
          label="Password"
          type="password"
          autoComplete="current-password"
          error={faultOf('password')}
          {...form.register('password')}
        />
        {error?.code === 'second-factor-wanted' && (
          <TextField
            label="Code of your app, or a word for a lost telephone"
            autoComplete="one-time-code"
            autoFocus
            error={faultOf('code')}
            {...form.register('code')}
          />
        )}
        <ErrorNote error={error} />
        <Button type="submit" tone="main" className="w-full" disabled={form.formState.isSubmitting}>
          Sign in
        </Button>
      </form>
      <PasskeyButton />
    </Frame>
  );
}

export function WelcomeForm() {
  const { send, error } = useOpening('create-owner');
  const form = useForm<InputOf<'create-owner'>>({
    resolver: zodResolver(createOwnerInput),
    defaultValues: { zone: 'UTC', currency: 'EUR', pin: '', place: '' },
  });
  const faultOf = faultsOf(form.formState.errors, error);
  const field = (name: keyof InputOf<'create-owner'>) => ({ error: faultOf(name), ...form.register(name) });
  return (
    <Frame title="First visit: the shop and its owner">
      <form method="post" onSubmit={form.handleSubmit(send)} className="space-y-4" noValidate>
        <TextField label="Name of the shop" {...field('shopName')} />
        <TextField label="Place" {...field('place')} />
        <TextField label="Time zone" hint="such as Europe/Vienna" {...field('zone')} />
        <TextField label="Currency" {...field('currency')} />
        <TextField label="Your name" {...field('name')} />
        <TextField label="Mail address" type="email" {...field('email')} />
        <TextField
          label="Password"
          type="password"
          autoComplete="new-password"
          hint="ten characters or more"
          {...field('password')}
        />
        <TextField
          label="PIN for the bench tablet"
          type="password"
          inputMode="numeric"
          hint="four to eight digits; may stay empty"
          {...field('pin')}
        />
        <ErrorNote error={error} />
        <Button type="submit" tone="main" className="w-full" disabled={form.formState.isSubmitting}>
          Open the shop
        </Button>
      </form>
    </Frame>
  );
}
