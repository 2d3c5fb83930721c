'use client';

import type { FormEvent } from 'react';
import { useAct } from '../act/use-act';
import { Button, ErrorNote, issueFor, SelectField, TextField } from '../ui/form';

const kinds = ['outside micrometer', 'bore gauge', 'dial indicator', 'vernier caliper', 'depth gauge'] as const;

/** A gauge more in the shop’s list. */
export function AddInstrument() {
  const { run, error, isBusy } = useAct();
  const submit = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = event.currentTarget;
    const { uncertaintyUm, ...rest } = Object.fromEntries(new FormData(form));
    if (await run('add-instrument', { ...rest, uncertaintyUm: Number(String(uncertaintyUm).replace(',', '.')) }))
      form.reset();
  };
  return (
    <details className="mt-2">
      <summary className="min-h-11 cursor-pointer content-center font-semibold">Another instrument</summary>
      <form onSubmit={submit} className="space-y-2">
        <TextField label="Code on its body" name="code" required error={issueFor(error, 'code')} />
        <SelectField label="Kind" name="kind">
          {kinds.map((kind) => (
            <option key={kind}>{kind}</option>
          ))}
        </SelectField>
        <TextField
          label="Uncertainty, µm"
          name="uncertaintyUm"
          inputMode="decimal"
          required
          error={issueFor(error, 'uncertaintyUm')}
        />
        <TextField label="Calibration due" name="dueOn" type="date" required error={issueFor(error, 'dueOn')} />
        <ErrorNote error={error} />
        <Button type="submit" disabled={isBusy}>
          Add
        </Button>
      </form>
    </details>
  );
}
