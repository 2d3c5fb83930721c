'use client';

import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { optionLevels, optionNames, type OptionLevel, type Quote, type QuoteLine } from '@/core/record';
import { formatMoney } from '@/core/units';
import { useAct } from '../act/use-act';
import type { JobView } from '../job/view';
import { Button, ErrorNote, TextField } from '../ui/form';
import { faultsOf } from '../ui/form-faults';
import { resolverOf } from '../ui/form-resolver';
import { readAmounts, type Amounts } from './amounts';
import { writeMoney } from './money';

interface Props {
  readonly view: JobView;
  readonly quote: Quote;
  readonly line: QuoteLine;
}
interface Words {
  readonly description: string;
  readonly plain: string;
  readonly discount: string;
  readonly instead: string;
}

/** In which options a line stands, as switches; and the word for the others. */
function OptionSwitches({ view, quote, line }: Props) {
  const { run, error, isBusy } = useAct();
  const standing = line.options.length ? line.options : optionLevels;
  const toggle = (level: OptionLevel) => {
    const options = optionLevels.filter((one) => (one === level ? !standing.includes(one) : standing.includes(one)));
    if (!options.length) return;
    void run('change-line', {
      ...{ tag: view.record.tag, lineId: line.id, basedOn: quote.version, description: line.description },
      ...{ quantity: line.quantity, unitPriceMinor: line.unitPriceMinor },
      options: options.length === optionLevels.length ? [] : options,
    });
  };
  return (
    <fieldset className="flex flex-wrap items-center gap-x-4 text-13">
      <legend className="sr-only">Stands in</legend>
      {optionLevels.map((level) => (
        <label key={level} className="flex min-h-11 items-center gap-2">
          <input
            type="checkbox"
            className="size-5 accent-(--ink)"
            disabled={isBusy}
            checked={standing.includes(level)}
            onChange={() => toggle(level)}
          />
          {optionNames[level]}
        </label>
      ))}
      <ErrorNote error={error} />
    </fieldset>
  );
}

/** What the record proposes beside a price by hand: keep it, or take the proposal. */
function Proposal({ view, quote, line }: Props) {
  const { run, error, isBusy } = useAct();
  if (!line.proposed) return null;
  const money = (minor: number) => formatMoney({ minor, currency: quote.currency });
  const sumOf = ({ quantity, unitPriceMinor }: { readonly quantity: number; readonly unitPriceMinor: number }) =>
    `${quantity} ${line.unit} at ${money(unitPriceMinor)}`;
  return (
    <p className="text-13">
      {line.proposalMoved ? <b>Finding changed: </b> : 'By hand. '}
      the record proposes {sumOf(line.proposed)}.{' '}
      <button
        type="button"
        className="min-h-8 underline"
        disabled={isBusy}
        onClick={() => run('take-proposal', { tag: view.record.tag, lineId: line.id, basedOn: quote.version })}
      >
        Take it
      </button>
      <ErrorNote error={error} />
    </p>
  );
}

/** Takes a line out of the offer with its reason, or puts it back. */
function Strike({ view, quote, line }: Props) {
  const { run, error, isBusy } = useAct();
  const [why, setWhy] = useState<string | null>(null);
  const strike = (reason: string | null) =>
    run('strike-line', { tag: view.record.tag, lineId: line.id, basedOn: quote.version, reason });
  if (line.struckReason !== null)
    return (
      <Button disabled={isBusy} onClick={() => strike(null)}>
        Put back
      </Button>
    );
  if (why === null)
    return (
      <Button tone="quiet" onClick={() => setWhy('')}>
        Strike
      </Button>
    );
  return (
    <div className="flex flex-wrap items-start gap-2">
      <input
        aria-label={`Why ${line.description} is struck`}
        placeholder="why"
        className="field max-w-[260px]"
        value={why}
        onChange={(event) => setWhy(event.target.value)}
      />
      <Button disabled={isBusy} onClick={() => strike(why)}>
        Strike it
      </Button>
      <ErrorNote error={error} />
    </div>
  );
}

/** A line opened in place: its words, amount, discount and options, and what the record proposes beside them. */
export function LineEditor({ view, quote, line, onClose }: Props & { readonly onClose: () => void }) {
  const { run, error, isBusy } = useAct();
  const form = useForm<Amounts & Words, unknown, Words & { quantity: number; unitPriceMinor: number }>({
    defaultValues: {
      ...{ description: line.description, plain: line.plain, instead: line.instead },
      ...{
        quantity: String(line.quantity),
        price: writeMoney(line.unitPriceMinor),
        discount: String(line.discountPct),
      },
    },
    resolver: resolverOf(readAmounts<Words>),
  });
  const faultOf = faultsOf(form.formState.errors, error);
  const field = (name: keyof (Amounts & Words)) => ({ error: faultOf(name), ...form.register(name) });
  const save = form.handleSubmit(async ({ discount, ...read }) => {
    const discountPct = Number(discount.replace(',', '.').replace('%', '').trim() || '0');
    if (Number.isNaN(discountPct)) return form.setError('discount', { message: `"${discount}" is not a percentage.` });
    const command = { tag: view.record.tag, lineId: line.id, basedOn: quote.version };
    if (await run('change-line', { ...command, ...read, discountPct })) onClose();
  });
  return (
    <form
      onSubmit={save}
      aria-label={`Change ${line.description}`}
      className="space-y-2 border-l-4 border-jasper bg-sheet px-3 py-2"
      onKeyDown={(event) => event.key === 'Escape' && onClose()}
    >
      <div className="grid gap-2 md:grid-cols-[2fr_90px_120px_90px]">
        <TextField
          label="Words of the line"
          aria-label={`Words of the line ${line.description}`}
          {...field('description')}
        />
        <TextField label="Quantity" aria-label={`Quantity of ${line.description}`} {...field('quantity')} />
        <TextField label="Price" aria-label={`Price of ${line.description}`} {...field('price')} />
        <TextField label="Discount, %" {...field('discount')} />
        <div className="md:col-span-2">
          <TextField label="As the customer reads it" {...field('plain')} />
        </div>
        <div className="md:col-span-2">
          <TextField label="Where it does not stand" hint="such as kept, stays worn" {...field('instead')} />
        </div>
      </div>
      {quote.kind === 'quote' && <OptionSwitches view={view} quote={quote} line={line} />}
      <Proposal view={view} quote={quote} line={line} />
      {form.formState.isDirty && Object.keys(form.formState.errors).length > 0 && (
        <p role="alert" className="text-13 font-semibold text-jasper">
          What you typed is still there.
        </p>
      )}
      <ErrorNote error={error} />
      <div className="flex flex-wrap items-center gap-3">
        <Button type="submit" tone="main" disabled={isBusy}>
          Keep the change
        </Button>
        <Button tone="quiet" onClick={onClose}>
          Leave it <kbd>Esc</kbd>
        </Button>
        <span className="ml-auto">
          <Strike view={view} quote={quote} line={line} />
        </span>
      </div>
    </form>
  );
}
