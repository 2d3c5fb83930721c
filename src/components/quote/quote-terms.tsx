'use client';

import type { FormEvent } from 'react';
import { distinctOptions } from '@/core/quoting';
import { optionLevels, optionNames, type OptionLevel, type Quote, type Recipient } from '@/core/record';
import { useAct } from '../act/use-act';
import type { JobView } from '../job/view';
import { Button, ErrorNote, issueFor, SelectField, TextArea, TextField } from '../ui/form';
import { textOf } from '../ui/form-data';
import { SidePanel } from '../ui/side-panel';
import { readMoney, writeMoney } from './money';

/** “Corin Ashby <corin@farm.example>”, one a line. */
const readRecipients = (text: string): readonly Recipient[] =>
  text
    .split('\n')
    .map((line) => line.trim())
    .filter(Boolean)
    .map((line) => {
      const [, name = '', email = ''] = /^(.*?)<?\s*([^\s<>]+@[^\s<>]+)>?$/.exec(line) ?? [null, line, line];
      return { name: name.trim() || email, email };
    });

function readTerms(data: FormData, { options }: Quote) {
  const rate = textOf(data, 'rate').trim();
  const minor = rate ? readMoney(rate) : null;
  const offered = optionLevels.filter((level) => data.get(`offer-${level}`) === 'on');
  return {
    note: textOf(data, 'note'),
    recipients: [...readRecipients(textOf(data, 'recipients'))],
    labourMinorPerHour: minor === null ? null : 'minor' in minor ? minor.minor : Number.NaN,
    discountPct: Number(textOf(data, 'discountPct').replace(',', '.') || '0'),
    taxPct: Number(textOf(data, 'taxPct')),
    validUntil: textOf(data, 'validUntil'),
    ...(options.length && { options: offered, advised: textOf(data, 'advised') as OptionLevel }),
  };
}

/** The tax of this quote: one of the shop’s rates, or the one that it was drawn up with. */
function TaxChoice({ taxes, current }: { readonly taxes: JobView['shop']['taxes']; readonly current: number }) {
  const known = taxes.some(({ pct }) => pct === current) ? taxes : [...taxes, { name: 'as drawn up', pct: current }];
  return (
    <SelectField label="Tax" name="taxPct" defaultValue={current}>
      {known.map(({ name, pct }) => (
        <option key={`${name} ${pct}`} value={pct}>
          {name}, {pct} %
        </option>
      ))}
    </SelectField>
  );
}

function TermsForm({ view, quote }: { readonly view: JobView; readonly quote: Quote }) {
  const { run, error, isBusy } = useAct();
  const differing = distinctOptions(quote.lines);
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const terms = readTerms(new FormData(event.currentTarget), quote);
    void run('change-quote', { tag: view.record.tag, quoteId: quote.id, basedOn: quote.version, ...terms });
  };
  return (
    <form onSubmit={submit} className="space-y-3">
      <TextArea label="Covering note, before the offer" name="note" defaultValue={quote.note} rows={4} />
      <TextArea
        label="Also to, one a line: name <address>"
        name="recipients"
        defaultValue={quote.recipients.map(({ name, email }) => `${name} <${email}>`).join('\n')}
        error={issueFor(error, 'email')}
      />
      <TextField
        label={`Labour rate for this quote alone, ${quote.currency} an hour`}
        hint="empty: the shop’s"
        name="rate"
        defaultValue={quote.labourMinorPerHour === null ? '' : writeMoney(quote.labourMinorPerHour)}
        error={issueFor(error, 'labourMinorPerHour')}
      />
      <TextField
        label="Discount on the whole, %"
        name="discountPct"
        defaultValue={quote.discountPct}
        error={issueFor(error, 'discountPct')}
      />
      <TaxChoice taxes={view.shop.taxes} current={quote.taxPct} />
      <TextField
        label="Valid until"
        name="validUntil"
        type="date"
        defaultValue={quote.validUntil}
        error={issueFor(error, 'validUntil')}
      />
      {quote.options.length > 0 && (
        <>
          <fieldset>
            <legend className="text-13 text-quiet">Offered side by side</legend>
            {differing.map((level) => (
              <label key={level} className="flex min-h-11 items-center gap-2">
                <input
                  type="checkbox"
                  name={`offer-${level}`}
                  className="size-5 accent-(--ink)"
                  defaultChecked={quote.options.includes(level)}
                />
                {optionNames[level]}
              </label>
            ))}
          </fieldset>
          <SelectField label="We advise" name="advised" defaultValue={quote.advised}>
            {differing.map((level) => (
              <option key={level} value={level}>
                {optionNames[level]}
              </option>
            ))}
          </SelectField>
        </>
      )}
      <ErrorNote error={error} />
      <Button verb="change-quote" type="submit" tone="main" disabled={isBusy}>
        Keep this
      </Button>
    </form>
  );
}

/** What stands once for a draft: note, further recipients, rate, discount, validity, options. */
export function QuoteTerms({ view, quote }: { readonly view: JobView; readonly quote: Quote }) {
  return (
    <SidePanel label="Note, rate, discount" title="What stands once for this quote">
      <TermsForm key={quote.version} view={view} quote={quote} />
    </SidePanel>
  );
}
