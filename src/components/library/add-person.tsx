'use client';

import { zodResolver } from '@hookform/resolvers/zod';
import { useForm } from 'react-hook-form';
import type { InputOf } from '@/contract';
import { addPersonInput } from '@/contract/people';
import { roles } from '@/core/record';
import { useAct } from '../act/use-act';
import { Button, ErrorNote, SelectField, TextField } from '../ui/form';
import { faultsOf } from '../ui/form-faults';

/** The owner lets another person in. */
export function AddPerson() {
  const { run, error, isBusy } = useAct();
  const form = useForm<InputOf<'add-person'>>({
    resolver: zodResolver(addPersonInput),
    defaultValues: { role: 'technician', pin: '' },
  });
  const faultOf = faultsOf(form.formState.errors, error);
  const field = (name: keyof InputOf<'add-person'>) => ({ error: faultOf(name), ...form.register(name) });
  const send = async (input: InputOf<'add-person'>) => {
    if (await run('add-person', input)) form.reset();
  };
  return (
    <details className="mt-2">
      <summary className="min-h-11 cursor-pointer content-center font-semibold">Another person</summary>
      <form onSubmit={form.handleSubmit(send)} className="space-y-2" noValidate>
        <TextField label="Name" {...field('name')} />
        <TextField label="Mail address" type="email" {...field('email')} />
        <SelectField label="Role" {...field('role')}>
          {roles.map((role) => (
            <option key={role}>{role}</option>
          ))}
        </SelectField>
        <TextField label="First password" type="password" hint="ten characters or more" {...field('password')} />
        <TextField label="PIN for the bench tablet" type="password" inputMode="numeric" {...field('pin')} />
        <ErrorNote error={error} />
        <Button type="submit" disabled={isBusy}>
          Let in
        </Button>
      </form>
    </details>
  );
}
