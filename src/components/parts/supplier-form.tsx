'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { CatalogueSupplier } from '@/core/purchasing';
import { useAct } from '../act/use-act';
import { readMoney } from '../quote/money';
import { Button, ErrorNote, issueFor, TextField } from '../ui/form';

type Supplier = CatalogueSupplier & { readonly version: number };

const shown = (minor: number) => (minor / 100).toFixed(2);
/** Money as people type it, in minor units; no number where it cannot be read. */
function minorOf(text: string): number {
  const read = readMoney(text || '0');
  return 'minor' in read ? read.minor : Number.NaN;
}

/** What a form of a supplier begins with: figures as people type them. */
function typedOf(supplier: Supplier | null, currency: string) {
  return {
    ...{ name: supplier?.name ?? '', contact: supplier?.contact ?? '', email: supplier?.email ?? '' },
    ...{ telephone: supplier?.telephone ?? '', currency: supplier?.currency ?? currency },
    ...{ rate: String(supplier?.rate ?? 1), cutOff: supplier?.cutOff ?? '' },
    ...{ freightMinor: shown(supplier?.freightMinor ?? 0), minimumMinor: shown(supplier?.minimumMinor ?? 0) },
  };
}

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
  const [typed, setTyped] = useState(() => typedOf(supplier, currency));
  const [isUsual, setUsual] = useState(supplier?.isUsual ?? false);
  const [isActive, setActive] = useState(supplier?.isActive ?? true);
  const field = (name: keyof typeof typed, label: string, isFigure = false) => (
    <TextField
      label={label}
      inputMode={isFigure ? 'decimal' : undefined}
      value={typed[name]}
      error={issueFor(error, name)}
      onChange={(event) => setTyped({ ...typed, [name]: event.target.value })}
    />
  );
  const keep = async () => {
    const { rate, freightMinor, minimumMinor, ...texts } = typed;
    const done = await run('save-supplier', {
      ...{ id: supplier?.id ?? null, basedOn: supplier?.version ?? 0, ...texts, isUsual, isActive },
      ...{ rate: Number(rate.replace(',', '.')), freightMinor: minorOf(freightMinor) },
      minimumMinor: minorOf(minimumMinor),
    });
    if (done) router.refresh();
  };
  const tick = (label: string, isOn: boolean, set: (is: boolean) => void) => (
    <label className="flex min-h-11 items-center gap-2">
      <input
        type="checkbox"
        className="size-6 accent-(--ink)"
        checked={isOn}
        onChange={(event) => set(event.target.checked)}
      />
      {label}
    </label>
  );
  return (
    <div className="border-l-4 border-lake bg-sheet px-3 py-2">
      <div className="grid gap-3 md:grid-cols-4">
        {field('name', 'Name')}
        {field('contact', 'Whom we speak to')}
        {field('email', 'Mail address for orders')}
        {field('telephone', 'Telephone')}
        {field('currency', 'Currency')}
        {field('rate', `${currency} for one of theirs`, true)}
        {field('freightMinor', 'Freight of an order', true)}
        {field('minimumMinor', 'Least that an order comes to', true)}
        {field('cutOff', 'An order leaves the same day until, such as 14:00')}
      </div>
      <div className="flex flex-wrap gap-6">
        {tick('is asked for what nobody offers', isUsual, setUsual)}
        {tick('we buy from them', isActive, setActive)}
      </div>
      <ErrorNote error={error} />
      <Button verb="save-supplier" tone="main" disabled={isBusy} onClick={() => void keep()}>
        Keep {supplier?.name ?? 'the supplier'}
      </Button>
    </div>
  );
}
