'use client';

import type { FormEvent } from 'react';
import { roles } from '@/core/record';
import { useAct } from '../act/use-act';
import { Button, ErrorNote, issueFor, SelectField, TextField } from '../ui/form';

/** The owner lets another person in. */
export function AddPerson() {
  const { run, error, isBusy } = useAct();
  const submit = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = event.currentTarget;
    if (await run('add-person', Object.fromEntries(new FormData(form)))) form.reset();
  };
  return (
    <details className="mt-2">
      <summary className="min-h-11 cursor-pointer content-center font-semibold">Another person</summary>
      <form onSubmit={submit} className="space-y-2">
        <TextField label="Name" name="name" required error={issueFor(error, 'name')} />
        <TextField label="Mail address" name="email" type="email" required error={issueFor(error, 'email')} />
        <SelectField label="Role" name="role">
          {roles.map((role) => (
            <option key={role}>{role}</option>
          ))}
        </SelectField>
        <TextField
          label="First password"
          name="password"
          type="password"
          required
          hint="ten characters or more"
          error={issueFor(error, 'password')}
        />
        <TextField
          label="PIN for the bench tablet"
          name="pin"
          type="password"
          inputMode="numeric"
          error={issueFor(error, 'pin')}
        />
        <ErrorNote error={error} />
        <Button type="submit" disabled={isBusy}>
          Let in
        </Button>
      </form>
    </details>
  );
}
