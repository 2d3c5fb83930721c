'use client';

import { useState } from 'react';
import { useForm, useWatch } from 'react-hook-form';
import { offeredLines, lineTotalMinor, totalQuote } from '@/core/quoting';
import { optionNames, recordedWays, type OptionLevel, type Quote } from '@/core/record';
import { formatMoney } from '@/core/units';
import { useAct } from '../act/use-act';
import type { JobView } from '../job/view';
import { Button, ErrorNote, SelectField, TextField } from '../ui/form';
import { faultsOf } from '../ui/form-faults';

interface AnswerText {
  readonly way: (typeof recordedWays)[number];
  readonly name: string;
  readonly reference: string;
  readonly reason: string;
  readonly option: OptionLevel | '';
  /** Ids of the lines that are approved. */
  readonly approved: readonly string[];
}
interface Props {
  readonly view: JobView;
  readonly quote: Quote;
  /** Puts an earlier answer right instead of recording a first one. */
  readonly isCorrection?: boolean;
}

function useAnswer({ view, quote, isCorrection }: Props) {
  const { run, error, isBusy } = useAct();
  const form = useForm<AnswerText>({
    defaultValues: {
      ...{ way: 'telephone', name: view.record.contact?.name ?? '', reference: '', reason: '' },
      option: quote.options.length ? quote.advised : '',
      approved: quote.lines.map((line) => line.id),
    },
  });
  const [way, approved, chosen] = useWatch({ control: form.control, name: ['way', 'approved', 'option'] });
  const option = chosen || null;
  const offered = offeredLines(quote, option);
  const stays = (line: Quote['lines'][number]) => !line.declinable || approved.includes(line.id);
  // A supplement that is declined as a whole leaves its damage in.
  const critical = offered.filter((line) => line.critical && (quote.kind === 'supplement' || !stays(line)));
  const send = (declineAll: boolean, criticalConfirmed: boolean) => {
    const { name, reference, reason } = form.getValues();
    const declinedLines = declineAll ? [] : offered.filter((line) => !stays(line)).map((line) => line.id);
    const said = { tag: view.record.tag, way, name, reference, declinedLines, declineAll, option, criticalConfirmed };
    return isCorrection
      ? run('correct-approval', { ...said, reason })
      : run('record-approval', { ...said, quoteId: quote.id });
  };
  return { form, error, isBusy, way, offered, stays, critical, send };
}

/** An answer that came by telephone or order: who said what, which option, which lines. */
export function RecordAnswer({ view, quote, isCorrection = false }: Props) {
  const { form, error, isBusy, way, offered, stays, critical, send } = useAnswer({ view, quote, isCorrection });
  const [wasTold, setTold] = useState(false);
  const money = (minor: number) => formatMoney({ minor, currency: quote.currency });
  const faultOf = faultsOf(form.formState.errors, error);
  const verb = isCorrection ? 'correct-approval' : 'record-approval';
  return (
    <section aria-label={isCorrection ? 'Put the answer right' : 'Record an answer'} className="space-y-2">
      <h2 className="font-bold">{isCorrection ? 'Put the answer right' : 'Record an answer that came otherwise'}</h2>
      <div className="grid gap-3 sm:grid-cols-3">
        <SelectField label="It came by" {...form.register('way')}>
          {recordedWays.map((one) => (
            <option key={one}>{one}</option>
          ))}
        </SelectField>
        <TextField label="Who said so" error={faultOf('name')} {...form.register('name')} />
        <TextField
          label={way === 'telephone' ? 'When, and what was said' : 'Order number'}
          error={faultOf('reference')}
          {...form.register('reference')}
        />
      </div>
      {isCorrection && <TextField label="Why it is put right" error={faultOf('reason')} {...form.register('reason')} />}
      {quote.options.length > 0 && (
        <SelectField label="Chosen" error={faultOf('option')} {...form.register('option')}>
          {quote.options.map((level) => (
            <option key={level} value={level}>
              {optionNames[level]}, {money(totalQuote(offeredLines(quote, level), quote).netMinor)} without tax
            </option>
          ))}
        </SelectField>
      )}
      <ul>
        {offered.map((line) => (
          <li key={line.id} className="row first:border-0">
            <label className="flex min-h-11 items-center gap-3">
              {line.declinable ? (
                <input
                  type="checkbox"
                  className="size-6 accent-(--ink)"
                  value={line.id}
                  {...form.register('approved')}
                />
              ) : (
                <input type="checkbox" className="size-6 accent-(--ink)" disabled checked readOnly />
              )}
              <span className="flex-1">
                {line.description}
                {line.critical && <span className="ml-2 text-13 text-jasper">critical</span>}
              </span>
              <span className="num">{money(lineTotalMinor(line))}</span>
            </label>
          </li>
        ))}
      </ul>
      {critical.length > 0 && (
        <label className="flex items-start gap-3 border-l-4 border-jasper bg-sheet px-3 py-2">
          <input
            type="checkbox"
            className="mt-1 size-6 accent-(--ink)"
            checked={wasTold}
            onChange={(event) => setTold(event.target.checked)}
          />
          <span>
            {quote.kind === 'supplement' && 'Where it is declined: '}I have said that without{' '}
            {critical.map(({ description }) => description).join(', ')} the pump may fail in service and the repair has
            no warranty, and it is to be left out all the same.
          </span>
        </label>
      )}
      <ErrorNote error={error} />
      <div className="flex flex-wrap items-center gap-3">
        <Button
          verb={verb}
          tone="main"
          data-next={!isCorrection || undefined}
          disabled={isBusy}
          onClick={() => send(false, wasTold)}
        >
          Approved: {money(totalQuote(offered.filter(stays), quote).grossMinor)} with tax
        </Button>
        <Button verb={verb} disabled={isBusy} onClick={() => send(true, wasTold)}>
          {quote.kind === 'quote' ? 'Declined: goes back as it is' : 'Declined: stays as it is'}
        </Button>
      </div>
    </section>
  );
}
