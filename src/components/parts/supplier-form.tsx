'use client';

import { zodResolver } from '@hookform/resolvers/zod';
import { useRouter } from 'next/navigation';
import { useForm } from 'react-hook-form';
import type { InputOf } from '@/contract';
import { saveSupplierInput } from '@/core/change/inputs';
import type { CatalogueSupplier } from '@/core/purchasing';
import { useAct } from '../act/use-act';
import { Button, ErrorNote, TextField } from '../ui/form';
import { faultsOf } from '../ui/form-faults';

type Supplier = CatalogueSupplier & { readonly version: number };

const decimal = (text: unknown) =>
  Number(
    String(text ?? '')
      .trim()
      .replace(',', '.') || Number.NaN,
  );
/** Money as people type it, in minor units. */
const minor = (text: unknown) => (typeof text === 'number' ? text : Math.round(decimal(text) * 100));
const shown = (amount: number) => (amount / 100).toFixed(2);

/** Writes a supplier down, or changes one. */
export function SupplierForm({
  supplier,
  currency,
}: {
  readonly supplier: Supplier | null;
  readonly currency: string;
}) {
  const { run, error, isBusy } = useAct();
  const router = useRouter();
  const form = useForm<InputOf<'save-supplier'>>({
    resolver: zodResolver(saveSupplierInput),
    defaultValues: supplier
      ? { ...supplier, basedOn: supplier.version }
      : { id: null, basedOn: 0, currency, rate: 1, isUsual: false, isActive: true },
  });
  const faultOf = faultsOf(form.formState.errors, error);
  const text = (name: 'name' | 'contact' | 'email' | 'telephone' | 'currency' | 'cutOff', label: string) => (
    <TextField label={label} error={faultOf(name)} {...form.register(name)} />
  );
  const money = (name: 'freightMinor' | 'minimumMinor', label: string) => (
    <TextField
      label={label}
      inputMode="decimal"
      error={faultOf(name)}
      {...form.register(name, { setValueAs: minor })}
      defaultValue={shown(supplier?.[name] ?? 0)}
    />
  );
  const send = async ({ id, basedOn, ...rest }: InputOf<'save-supplier'>) => {
    const { name, contact, email, telephone, currency: own, rate, freightMinor, minimumMinor, cutOff } = rest;
    const { isUsual, isActive } = rest;
    const kept = { name, contact, email, telephone, currency: own, rate, freightMinor, minimumMinor, cutOff };
    if (await run('save-supplier', { id: id ?? null, basedOn, ...kept, isUsual, isActive })) router.refresh();
  };
  return (
    <form onSubmit={form.handleSubmit(send)} noValidate className="border-l-4 border-lake bg-sheet px-3 py-2">
      <div className="grid gap-3 md:grid-cols-4">
        {text('name', 'Name')}
        {text('contact', 'Whom we speak to')}
        {text('email', 'Mail address for orders')}
        {text('telephone', 'Telephone')}
        {text('currency', 'Currency')}
        <TextField
          label={`${currency} for one of theirs`}
          inputMode="decimal"
          error={faultOf('rate')}
          {...form.register('rate', { setValueAs: decimal })}
        />
        {money('freightMinor', 'Freight of an order')}
        {money('minimumMinor', 'Least that an order comes to')}
        {text('cutOff', 'An order leaves the same day until, such as 14:00')}
      </div>
      <div className="flex flex-wrap gap-6">
        <label className="flex min-h-11 items-center gap-2">
          <input type="checkbox" className="size-6 accent-(--ink)" {...form.register('isUsual')} />
          is asked for what nobody offers
        </label>
        <label className="flex min-h-11 items-center gap-2">
          <input type="checkbox" className="size-6 accent-(--ink)" {...form.register('isActive')} />
          we buy from them
        </label>
      </div>
      <ErrorNote error={error} />
      <Button type="submit" verb="save-supplier" tone="main" disabled={isBusy}>
        Keep {supplier?.name ?? 'the supplier'}
      </Button>
    </form>
  );
}
