'use client';

import type { FormEvent } from 'react';
import { optionNames, type ComparisonBasis, type Quote } from '@/core/record';
import { useAct } from '../act/use-act';
import type { JobView } from '../job/view';
import { Button, ErrorNote, issueFor, TextField } from '../ui/form';
import { textOf } from '../ui/form-data';
import { readMoney, writeMoney } from './money';

const lives = ['minimum', 'recommended', 'as new', 'as it is', 'new unit'] as const;
const lifeNames: Readonly<Record<(typeof lives)[number], string>> = {
  ...optionNames,
  'as it is': 'Closed up as it is',
  'new unit': 'New unit',
};
const numberIn = (data: FormData, name: string) => Number(textOf(data, name).replace(',', '.').trim());
const minorIn = (data: FormData, name: string) => {
  const read = readMoney(textOf(data, name).trim() || '0');
  return 'minor' in read ? read.minor : Number.NaN;
};

function readBasis(data: FormData): ComparisonBasis {
  const price = textOf(data, 'newPrice').trim();
  return {
    hoursPerYear: numberIn(data, 'hoursPerYear'),
    pricePerKwhMinor: minorIn(data, 'pricePerKwh'),
    interestPct: numberIn(data, 'interestPct'),
    hireMinorPerDay: minorIn(data, 'hire'),
    lifeYears: {
      ...{ minimum: numberIn(data, 'life-minimum'), recommended: numberIn(data, 'life-recommended') },
      ...{ 'as new': numberIn(data, 'life-as new'), 'as it is': numberIn(data, 'life-as it is') },
      'new unit': numberIn(data, 'life-new unit'),
    },
    newUnit: price ? { priceMinor: minorIn(data, 'newPrice'), days: numberIn(data, 'newDays') } : null,
  };
}

/** What the ways are compared by: life, hire, power, and a new unit once somebody has asked for its price. */
export function BasisForm({
  view,
  quote,
  basis,
}: {
  readonly view: JobView;
  readonly quote: Quote;
  readonly basis: ComparisonBasis;
}) {
  const { run, error, isBusy } = useAct();
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const read = readBasis(new FormData(event.currentTarget));
    void run('change-quote', { tag: view.record.tag, quoteId: quote.id, basedOn: quote.version, basis: read });
  };
  const field = (label: string, name: string, value: number | string) => (
    <TextField key={name} label={label} name={name} defaultValue={value} error={issueFor(error, name)} />
  );
  return (
    <details className="mt-1">
      <summary className="min-h-11 cursor-pointer content-center text-13 font-semibold">What it is reckoned by</summary>
      <form onSubmit={submit} className="grid gap-2 py-2 sm:grid-cols-3 lg:grid-cols-5">
        {field('Hours a year', 'hoursPerYear', basis.hoursPerYear)}
        {field(`Power, ${quote.currency} a kWh`, 'pricePerKwh', writeMoney(basis.pricePerKwhMinor))}
        {field('Interest, %', 'interestPct', basis.interestPct)}
        {field(`Standby hire a day, ${quote.currency}`, 'hire', writeMoney(basis.hireMinorPerDay))}
        {field(`New unit, ${quote.currency}`, 'newPrice', basis.newUnit ? writeMoney(basis.newUnit.priceMinor) : '')}
        {lives.map((way) => field(`${lifeNames[way]}, years`, `life-${way}`, basis.lifeYears[way]))}
        {field('New unit, days to come', 'newDays', basis.newUnit?.days ?? 30)}
        <Button type="submit" className="mt-[22px]" disabled={isBusy}>
          Reckon with these
        </Button>
      </form>
      <ErrorNote error={error} />
    </details>
  );
}
