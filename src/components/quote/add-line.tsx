'use client';

import { useForm } from 'react-hook-form';
import { lineKinds, type Quote, type QuoteLine } from '@/core/record';
import { useAct } from '../act/use-act';
import type { JobView } from '../job/view';
import { Button, ErrorNote, SelectField, TextField } from '../ui/form';
import { faultsOf } from '../ui/form-faults';
import { resolverOf } from '../ui/form-resolver';
import { readAmounts, type Amounts } from './amounts';

interface OwnLine {
  readonly kind: QuoteLine['kind'];
  readonly description: string;
  readonly plain: string;
  readonly unit: string;
}

/** A line made by hand: it stays in every revision. A discount is typed with a minus. */
export function AddLine({
  view,
  quote,
  onDone,
}: {
  readonly view: JobView;
  readonly quote: Quote;
  readonly onDone: () => void;
}) {
  const { run, error, isBusy } = useAct();
  const form = useForm<OwnLine & Amounts, unknown, OwnLine & { quantity: number; unitPriceMinor: number }>({
    defaultValues: { kind: 'outside', description: '', plain: '', quantity: '1', unit: 'pc', price: '' },
    resolver: resolverOf(readAmounts<OwnLine>),
  });
  const faultOf = faultsOf(form.formState.errors, error);
  const field = (name: keyof (OwnLine & Amounts)) => ({ error: faultOf(name), ...form.register(name) });
  const send = form.handleSubmit(async (read) => {
    const command = { tag: view.record.tag, quoteId: quote.id, basedOn: quote.version };
    if (!(await run('add-line', { ...command, ...read }))) return;
    form.reset();
    onDone();
  });
  return (
    <form
      onSubmit={send}
      aria-label="A line of your own"
      className="space-y-2 border-l-4 border-ink bg-sheet px-3 py-2"
    >
      <div className="grid items-start gap-2 md:grid-cols-[140px_1.4fr_1.4fr_90px_80px_120px]">
        <SelectField label="Kind" {...field('kind')}>
          {lineKinds.map((kind) => (
            <option key={kind}>{kind}</option>
          ))}
        </SelectField>
        <TextField label="Words" required {...field('description')} />
        <TextField label="In plain words" {...field('plain')} />
        <TextField label="Quantity" required {...field('quantity')} />
        <TextField label="Unit" required {...field('unit')} />
        <TextField label={`Price, ${quote.currency}`} required {...field('price')} />
      </div>
      <ErrorNote error={error} />
      <div className="flex gap-3">
        <Button type="submit" tone="main" disabled={isBusy}>
          Add
        </Button>
        <Button tone="quiet" onClick={onDone}>
          Leave it
        </Button>
      </div>
    </form>
  );
}
