'use client';

import { useForm } from 'react-hook-form';
import type { InputOf } from '@/contract';
import { defaultBasis } from '@/core/quoting';
import { optionNames, paperSizes, type ComparisonBasis, type PaperSize } from '@/core/record';
import { languageNames, languages, type Language } from '@/words';
import { useAct } from '../act/use-act';
import { readMoney, writeMoney } from '../quote/money';
import { Button, ErrorNote, issueFor, SelectField, TextArea, TextField } from '../ui/form';
import { resolverOf, type ReadForm } from '../ui/form-resolver';
import { SidePanel } from '../ui/side-panel';

export interface SettingsShown {
  readonly labourMinorPerHour: number;
  readonly machiningMinorPerHour: number;
  readonly testMinor: number;
  readonly freightMinor: number;
  readonly partsMarkupPct: number;
  readonly taxPct: number;
  readonly taxes: readonly { readonly name: string; readonly pct: number }[];
  readonly warrantyMonths: number;
  readonly quoteValidDays: number;
  readonly wageMinorPerHour: number | null;
  readonly reminderAfterDays: number;
  readonly telephone: string;
  readonly address: string;
  readonly paperSize: PaperSize;
  readonly language: Language;
  readonly basis: ComparisonBasis | null;
}

const monies = {
  labourMinorPerHour: 'Labour, an hour',
  machiningMinorPerHour: 'Machining, an hour',
  wageMinorPerHour: 'What an hour costs us',
  testMinor: 'Test on the stand',
  freightMinor: 'Return freight',
  pricePerKwhMinor: 'A kilowatt-hour',
  hireMinorPerDay: 'Hire of a pump, a day',
} as const;
const figures = {
  partsMarkupPct: 'Mark-up on parts, %',
  taxPct: 'Tax, %',
  warrantyMonths: 'Warranty, months',
  quoteValidDays: 'Quotes stand, days',
  reminderAfterDays: 'Reminder after, days',
  hoursPerYear: 'Hours a year',
  interestPct: 'Interest, %',
} as const;
const lives = {
  minimum: optionNames.minimum,
  recommended: optionNames.recommended,
  'as new': optionNames['as new'],
  'as it is': 'Closed up as it is',
  'new unit': 'New unit',
} as const;
type Text = Readonly<
  Record<
    | keyof typeof monies
    | keyof typeof figures
    | `life ${keyof typeof lives}`
    | 'telephone'
    | 'address'
    | 'paperSize'
    | 'language'
    | 'taxes',
    string
  >
>;
type Sent = InputOf<'change-settings'>;

const basisNames = new Set<string>(['pricePerKwhMinor', 'hireMinorPerDay', 'hoursPerYear', 'interestPct']);
const shopNames = <Names extends object>(names: Names) => Object.keys(names).filter((name) => !basisNames.has(name));

function textOf(shown: SettingsShown): Text {
  const basis = shown.basis ?? defaultBasis;
  const values: Readonly<Record<string, unknown>> = { ...shown, ...basis };
  const money = (name: string) => (values[name] === null ? '' : writeMoney(Number(values[name])));
  return {
    ...Object.fromEntries(Object.keys(monies).map((name) => [name, money(name)])),
    ...Object.fromEntries(Object.keys(figures).map((name) => [name, String(values[name])])),
    ...Object.fromEntries(
      (Object.keys(lives) as (keyof typeof lives)[]).map((way) => [`life ${way}`, String(basis.lifeYears[way])]),
    ),
    ...{ telephone: shown.telephone, address: shown.address, paperSize: shown.paperSize },
    language: shown.language,
    taxes: shown.taxes.map(({ name, pct }) => `${name}, ${pct}`).join('\n'),
  } as Text;
}

function readForm(newUnit: ComparisonBasis['newUnit']) {
  return (text: Text): ReadForm<Sent> => {
    const issues: Record<string, string> = {};
    const money = (name: keyof typeof monies) => {
      const read = readMoney(text[name].trim() || '0');
      if ('minor' in read) return read.minor;
      issues[name] = read.sentence;
      return 0;
    };
    const figure = (name: keyof Text) => {
      const read = Number(text[name].replace(',', '.'));
      if (!text[name].trim() || Number.isNaN(read)) issues[name] = 'type a number';
      return read;
    };
    const taxes = text.taxes
      .split('\n')
      .map((line) => line.trim())
      .filter(Boolean)
      .map((line) => {
        const [, name = '', pct = ''] = /^(.+?)[\s,;:]+(\d+(?:[.,]\d+)?)\s*%?$/.exec(line) ?? [];
        if (!name) issues.taxes = `“${line}”: a name and a percentage, such as “reduced, 10”`;
        return { name, pct: Number(pct.replace(',', '.')) };
      });
    const named = (names: readonly string[], read: (name: never) => number) =>
      Object.fromEntries(names.map((name) => [name, read(name as never)]));
    const lifeYears = Object.fromEntries(
      (Object.keys(lives) as (keyof typeof lives)[]).map((way) => [way, figure(`life ${way}`)]),
    ) as ComparisonBasis['lifeYears'];
    const read: Sent = {
      ...named(shopNames(monies), money),
      ...(text.wageMinorPerHour.trim() ? {} : { wageMinorPerHour: null }),
      ...named(shopNames(figures), figure),
      ...{ telephone: text.telephone, address: text.address, taxes },
      paperSize: text.paperSize === 'Letter' ? 'Letter' : 'A4',
      language: languages.find((one) => one === text.language) ?? 'en',
      basis: {
        ...{ hoursPerYear: figure('hoursPerYear'), pricePerKwhMinor: money('pricePerKwhMinor') },
        ...{ interestPct: figure('interestPct'), hireMinorPerDay: money('hireMinorPerDay'), lifeYears, newUnit },
      },
    };
    return Object.keys(issues).length ? { ok: false, issues } : { ok: true, read };
  };
}

function SettingsForm({ settings }: { readonly settings: SettingsShown }) {
  const { run, error, isBusy } = useAct();
  const form = useForm<Text, unknown, Sent>({
    defaultValues: textOf(settings),
    resolver: resolverOf(readForm(settings.basis?.newUnit ?? null)),
  });
  const field = (label: string, name: keyof Text) => (
    <TextField
      key={name}
      label={label}
      className={name === 'telephone' ? '' : 'num'}
      error={form.formState.errors[name]?.message ?? issueFor(error, name.replace('life ', ''))}
      {...form.register(name)}
    />
  );
  const fields = (names: Readonly<Record<string, string>>, isBasis: boolean) =>
    Object.entries(names)
      .filter(([name]) => basisNames.has(name) === isBasis)
      .map(([name, label]) => field(label, name as keyof Text));
  return (
    <form onSubmit={form.handleSubmit((read) => run('change-settings', read))} className="space-y-4">
      <p className="text-13 text-quiet">New quotes are drawn up by these; what was sent stays as it was sent.</p>
      <div className="grid grid-cols-2 gap-3">
        {fields(monies, false)}
        {fields(figures, false)}
        <div className="col-span-2">
          <TextArea
            label="Other taxes that a quote can have, one a line: name, percentage"
            error={form.formState.errors.taxes?.message ?? issueFor(error, 'taxes')}
            {...form.register('taxes')}
          />
        </div>
      </div>
      <h3 className="font-bold">The head of our papers</h3>
      <div className="grid grid-cols-2 gap-3">
        {field('Telephone', 'telephone')}
        <SelectField label="Sheet" {...form.register('paperSize')}>
          {paperSizes.map((size) => (
            <option key={size}>{size}</option>
          ))}
        </SelectField>
        <SelectField label="Language of papers, letters and the customer’s page" {...form.register('language')}>
          {languages.map((language) => (
            <option key={language} value={language}>
              {languageNames[language]}
            </option>
          ))}
        </SelectField>
        <div className="col-span-2">
          <TextArea
            label="Address, below our name"
            rows={3}
            error={issueFor(error, 'address')}
            {...form.register('address')}
          />
        </div>
      </div>
      <h3 className="font-bold">What ways of going on are compared by</h3>
      <div className="grid grid-cols-2 gap-3">
        {fields(figures, true)}
        {fields(monies, true)}
        {Object.entries(lives).map(([way, label]) => field(`${label} lasts, years`, `life ${way}` as keyof Text))}
      </div>
      <ErrorNote error={error} />
      <Button type="submit" tone="main" disabled={isBusy}>
        Keep the settings
      </Button>
    </form>
  );
}

interface ShopSign {
  readonly name: string;
  readonly place: string;
  readonly currency: string;
}

/** What the shop is called, where it is, and what it reckons in. */
function ShopForm({ shop: { name, place, currency } }: { readonly shop: ShopSign }) {
  const { run, error, isBusy } = useAct();
  const form = useForm<ShopSign>({ defaultValues: { name, place, currency } });
  return (
    <form
      onSubmit={form.handleSubmit((sign) => run('change-shop', sign))}
      className="mb-6 space-y-3 border-b border-line pb-4"
    >
      <div className="grid grid-cols-2 gap-3">
        <TextField label="Name of the shop" error={issueFor(error, 'name')} {...form.register('name')} />
        <TextField label="Place" error={issueFor(error, 'place')} {...form.register('place')} />
        <TextField
          label="Currency"
          hint="only while nothing was quoted or ordered"
          className="num"
          error={issueFor(error, 'currency')}
          {...form.register('currency')}
        />
      </div>
      {error && !error.issues.length && <ErrorNote error={error} />}
      <Button type="submit" verb="change-shop" disabled={isBusy}>
        Keep name, place and currency
      </Button>
    </form>
  );
}

/** Rates, days and what repairs are held against: the owner’s to change. */
export function ChangeSettings({ shop }: { readonly shop: ShopSign & { readonly settings: SettingsShown } }) {
  return (
    <div className="mt-3">
      <SidePanel label="Change rates and days" title="What the shop reckons by">
        <ShopForm key={`${shop.name} ${shop.place} ${shop.currency}`} shop={shop} />
        <SettingsForm key={JSON.stringify(shop.settings)} settings={shop.settings} />
      </SidePanel>
    </div>
  );
}
