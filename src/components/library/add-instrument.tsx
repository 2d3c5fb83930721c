'use client';

import { zodResolver } from '@hookform/resolvers/zod';
import { useForm } from 'react-hook-form';
import type { InputOf } from '@/contract';
import { addInstrumentInput } from '@/contract/people';
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

/** A tool or gauge more in the shop’s list. */
export function AddInstrument() {
  const { run, error, isBusy } = useAct();
  const form = useForm<InputOf<'add-instrument'>>({
    resolver: zodResolver(addInstrumentInput),
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
