'use client';

import { useForm, type Resolver } from 'react-hook-form';
import type { InputOf } from '@/contract';
import { instrumentKinds, measuringUnits } from '@/core/record';
import { useAct } from '../act/use-act';
import { Button, ErrorNote, SelectField, TextField } from '../ui/form';
import { faultsOf } from '../ui/form-faults';

/** A number as a person types it, with point or comma; null where nothing is typed: the tool has no such figure. */
const readNumber = (text: unknown) => {
  const typed = String(text ?? '').trim();
  return typed ? Number(typed.replace(',', '.')) : null;
};

const figures = [
  ['uncertainty', 'Uncertainty, in its unit; empty where it measures nothing'],
  ['rangeLow', 'From'],
  ['rangeHigh', 'To'],
] as const;

/** What checks a tool is fetched when one is sent; a line that is down is said at the first field. */
const checkWhenSent: Resolver<InputOf<'add-instrument'>> = async (...given) => {
  const fetched = await import('./instrument-resolver').catch(() => null);
  if (fetched) return fetched.instrumentResolver(...given);
  const message = 'Nobody answers just now. What you typed stays here; add it again when the line is back.';
  return { values: {}, errors: { code: { type: 'line', message } } };
};

/** A tool or gauge more in the shop’s list. */
export function AddInstrument() {
  const { run, error, isBusy } = useAct();
  const form = useForm<InputOf<'add-instrument'>>({
    resolver: checkWhenSent,
    defaultValues: { kind: 'outside micrometer', unit: 'mm' },
  });
  const faultOf = faultsOf(form.formState.errors, error);
  const send = async (input: InputOf<'add-instrument'>) => {
    if (await run('add-instrument', input)) form.reset();
  };
  return (
    <details className="mt-2">
      <summary className="min-h-11 cursor-pointer content-center font-semibold">Another tool or gauge</summary>
      <form onSubmit={form.handleSubmit(send)} className="space-y-2" noValidate>
        <TextField label="Code on its body" error={faultOf('code')} {...form.register('code')} />
        <SelectField label="Kind" {...form.register('kind')}>
          {instrumentKinds.map((kind) => (
            <option key={kind}>{kind}</option>
          ))}
        </SelectField>
        <SelectField label="Unit" {...form.register('unit')}>
          {measuringUnits.map((unit) => (
            <option key={unit}>{unit}</option>
          ))}
        </SelectField>
        {figures.map(([field, label]) => (
          <TextField
            key={field}
            label={label}
            inputMode="decimal"
            error={faultOf(field)}
            {...form.register(field, { setValueAs: readNumber })}
          />
        ))}
        <TextField
          label="Calibration or inspection due"
          type="date"
          error={faultOf('dueOn')}
          {...form.register('dueOn')}
        />
        <ErrorNote error={error} />
        <Button type="submit" disabled={isBusy}>
          Add
        </Button>
      </form>
    </details>
  );
}
