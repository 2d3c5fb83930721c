'use client';

import { useState, type FormEvent } from 'react';
import { lineTotalMinor, totalQuote } from '@/core/quoting';
import { currentQuote, lineKinds, type Quote, type QuoteLine } from '@/core/record';
import { formatMoney, parseQuantity } from '@/core/units';
import type { ActError } from '../act/act';
import { useAct } from '../act/use-act';
import { sayDate, sayMoment, type JobView, type SheetProps } from '../job/view';
import { Button, ErrorNote, SelectField, TextField } from '../ui/form';
import { oneOf, textOf } from '../ui/form-data';
import { useAskedPlace } from '../ui/use-asked-place';
import { useOthersWork } from '../ui/whose';
import { readMoney, writeMoney } from './money';

const refused = (what: string): ActError => ({
  code: 'bad-input',
  what,
  kept: 'What you typed is still there.',
  todo: 'Correct it.',
  issues: [],
});

/** Lines grown out of the dispositions, to be changed, struck or added to; totals, and what the customer will see. */
export function QuoteSheet({ view, isHere }: SheetProps) {
  const { record } = view;
  useAskedPlace();
  const quote = currentQuote(record);
  const { run, error, isBusy } = useAct();
  const others = useOthersWork('change-line');
  const drawUp = () => run('draw-up-quote', { tag: record.tag });
  if (!quote)
    return (
      <div className="mx-auto max-w-[720px] p-6" id="lines">
        <h2 className="text-18 font-bold">No quote yet</h2>
        <p className="my-2">
          {record.findings.filter((finding) => finding.disposition).length} dispositions become its lines: parts (as a
          kit where that is cheaper), work on them, teardown, rebuild, test and freight.
        </p>
        <ErrorNote error={error} />
        {isHere && (
          <Button verb="draw-up-quote" tone="main" data-next disabled={isBusy} onClick={drawUp}>
            Draw up the quote
          </Button>
        )}
      </div>
    );
  const isDraft = isHere && quote.state === 'draft' && !others;
  return (
    <div className="p-6" id="lines">
      <div className="mb-2 flex flex-wrap items-center gap-4">
        <h2 className="text-18 font-bold">
          Quote, revision {quote.revision}{' '}
          <small className="text-15 font-normal text-quiet">
            {quote.state}
            {quote.sentAt && `, sent ${sayMoment(quote.sentAt, view.zone)}`} · valid until {sayDate(quote.validUntil)}
          </small>
        </h2>
        <a
          className="ml-auto font-semibold underline"
          href={`/files/quote/${record.tag}/${quote.revision}`}
          target="_blank"
        >
          PDF
        </a>
        {isHere && (
          <Button verb="draw-up-quote" disabled={isBusy} onClick={drawUp}>
            Draw up anew
          </Button>
        )}
      </div>
      <ErrorNote error={error} />
      <Lines view={view} quote={quote} isDraft={isDraft} />
      {isDraft && <AddLine view={view} quote={quote} />}
      {isDraft && <Send view={view} />}
    </div>
  );
}

function Lines({ view, quote, isDraft }: { readonly view: JobView; readonly quote: Quote; readonly isDraft: boolean }) {
  const totals = totalQuote(quote.lines, quote.taxPct);
  const money = (minor: number) => formatMoney({ minor, currency: quote.currency });
  return (
    <div className="overflow-x-auto">
      <table className="w-full min-w-[820px]">
        <thead>
          <tr className="border-b border-ink text-left text-13 text-quiet">
            <th className="py-1 font-normal">Line, and the words that the customer reads</th>
            <th className="w-[120px] text-right font-normal">Quantity</th>
            <th className="w-[150px] text-right font-normal">Price each</th>
            <th className="w-[130px] text-right font-normal">Together</th>
            <th className="w-[150px] pl-4 font-normal">Strike</th>
          </tr>
        </thead>
        <tbody>
          {quote.lines.map((line) => (
            <LineRow key={`${line.id}${quote.version}`} view={view} quote={quote} line={line} isDraft={isDraft} />
          ))}
        </tbody>
        <tfoot className="border-t border-ink">
          {[
            ['Sum of the lines', totals.netMinor],
            [`Tax ${quote.taxPct} %`, totals.taxMinor],
            ['Together', totals.grossMinor],
          ].map(([words, minor]) => (
            <tr key={String(words)} className="last:text-18 last:font-bold">
              <th scope="row" colSpan={3} className="pt-1 text-right font-[inherit]">
                {words}
              </th>
              <td className="num pt-1 text-right">{money(Number(minor))}</td>
              <td />
            </tr>
          ))}
        </tfoot>
      </table>
    </div>
  );
}

function LineRow({
  view,
  quote,
  line,
  isDraft,
}: {
  readonly view: JobView;
  readonly quote: Quote;
  readonly line: QuoteLine;
  readonly isDraft: boolean;
}) {
  const { record } = view;
  const { run, error, setError, isBusy } = useAct();
  const [description, setDescription] = useState(line.description);
  const [quantity, setQuantity] = useState(String(line.quantity));
  const [price, setPrice] = useState(writeMoney(line.unitPriceMinor));
  const [striking, setStriking] = useState<string | null>(null);
  const isStruck = line.struckReason !== null;
  const findings = record.findings.filter((finding) => line.findingIds.includes(finding.id));
  const isChanged =
    description !== line.description || quantity !== String(line.quantity) || price !== writeMoney(line.unitPriceMinor);
  const save = async () => {
    const amount = parseQuantity({ text: quantity, dimension: 'number', assume: '' });
    const money = readMoney(price);
    if (!amount.ok) return setError(refused(amount.sentence));
    if ('sentence' in money) return setError(refused(money.sentence));
    await run('change-line', {
      tag: record.tag,
      lineId: line.id,
      basedOn: quote.version,
      description,
      quantity: amount.quantity.value.toNumber(),
      unitPriceMinor: money.minor,
    });
  };
  const strike = (reason: string | null) =>
    run('strike-line', { tag: record.tag, lineId: line.id, basedOn: quote.version, reason });
  const onEnter = (event: React.KeyboardEvent) => event.key === 'Enter' && void save();
  return (
    <tr className={`row align-top ${isStruck ? 'text-quiet' : ''}`}>
      <td className="py-2 pr-3">
        {isDraft && !isStruck ? (
          <input
            aria-label={`Words of the line ${line.description}`}
            className="field min-h-11 font-semibold"
            value={description}
            onChange={(event) => setDescription(event.target.value)}
            onKeyDown={onEnter}
          />
        ) : (
          <b className={isStruck ? 'line-through' : ''}>{line.description}</b>
        )}
        <span className="block pl-3 text-13">{line.plain}</span>
        {findings.length > 0 && (
          <span className="block pl-3 text-13 text-quiet">
            out of: {findings.map((finding) => finding.words).join('; ')}
          </span>
        )}
        {isStruck && <span className="block text-13">Struck: {line.struckReason}</span>}
        {!line.declinable && !isStruck && (
          <span className="block pl-3 text-13 text-quiet">belongs to every repair, cannot be declined alone</span>
        )}
        <ErrorNote error={error} />
        {isDraft && isChanged && (
          <Button tone="main" className="mt-1" disabled={isBusy} onClick={save}>
            Keep the change
          </Button>
        )}
      </td>
      <td className="num py-2 text-right">
        {isDraft && !isStruck ? (
          <input
            aria-label={`Quantity of ${line.description}`}
            className="field num min-h-11 max-w-[90px] text-right"
            value={quantity}
            onChange={(event) => setQuantity(event.target.value)}
            onKeyDown={onEnter}
          />
        ) : (
          line.quantity
        )}{' '}
        {line.unit}
      </td>
      <td className="num py-2 pl-2 text-right">
        {isDraft && !isStruck ? (
          <input
            aria-label={`Price of ${line.description}`}
            className="field num min-h-11 max-w-[130px] text-right"
            value={price}
            onChange={(event) => setPrice(event.target.value)}
            onKeyDown={onEnter}
          />
        ) : (
          writeMoney(line.unitPriceMinor)
        )}
      </td>
      <td className="num py-4 text-right">{formatMoney({ minor: lineTotalMinor(line), currency: quote.currency })}</td>
      <td className="py-2 pl-4">
        {isDraft && isStruck && (
          <Button disabled={isBusy} onClick={() => strike(null)}>
            Put back
          </Button>
        )}
        {isDraft && !isStruck && striking === null && (
          <Button tone="quiet" onClick={() => setStriking('')}>
            Strike
          </Button>
        )}
        {isDraft && !isStruck && striking !== null && (
          <div className="space-y-1">
            <input
              aria-label={`Why ${line.description} is struck`}
              placeholder="why"
              className="field min-h-11"
              value={striking}
              onChange={(event) => setStriking(event.target.value)}
            />
            <Button disabled={isBusy} onClick={() => strike(striking)}>
              Strike it
            </Button>
          </div>
        )}
      </td>
    </tr>
  );
}

function AddLine({ view, quote }: { readonly view: JobView; readonly quote: Quote }) {
  const { run, error, setError, isBusy } = useAct();
  const submit = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = event.currentTarget;
    const data = new FormData(form);
    const amount = parseQuantity({ text: String(data.get('quantity')), dimension: 'number', assume: '' });
    const money = readMoney(String(data.get('price')));
    if (!amount.ok) return setError(refused(amount.sentence));
    if ('sentence' in money) return setError(refused(money.sentence));
    if (
      await run('add-line', {
        tag: view.record.tag,
        basedOn: quote.version,
        kind: oneOf(lineKinds, textOf(data, 'kind')),
        description: textOf(data, 'description'),
        plain: textOf(data, 'plain'),
        quantity: amount.quantity.value.toNumber(),
        unit: textOf(data, 'unit'),
        unitPriceMinor: money.minor,
      })
    )
      form.reset();
  };
  return (
    <details className="mt-4">
      <summary className="min-h-11 cursor-pointer content-center font-semibold">A line of your own</summary>
      <form onSubmit={submit} className="grid gap-3 py-2 md:grid-cols-[140px_1.2fr_1.2fr_90px_80px_120px_auto]">
        <SelectField label="Kind" name="kind">
          {lineKinds.map((kind) => (
            <option key={kind}>{kind}</option>
          ))}
        </SelectField>
        <TextField label="Words" name="description" required />
        <TextField label="In plain words" name="plain" />
        <TextField label="Quantity" name="quantity" defaultValue="1" required />
        <TextField label="Unit" name="unit" defaultValue="pc" required />
        <TextField label={`Price, ${quote.currency}`} name="price" required />
        <Button type="submit" className="self-end" disabled={isBusy}>
          Add
        </Button>
      </form>
      <ErrorNote error={error} />
    </details>
  );
}

function Send({ view }: { readonly view: JobView }) {
  const { record, gate } = view;
  const { run, error, isBusy } = useAct();
  return (
    <section aria-label="Send" className="mt-4 border-t border-ink pt-3">
      <ErrorNote error={error} />
      <div className="flex flex-wrap items-center gap-4">
        <p className="flex-1">
          {record.contact ? (
            <>
              It goes to <b>{record.contact.name}</b>, {record.contact.email}, as a PDF with a link where each line can
              be approved or declined.
            </>
          ) : (
            'The customer has no contact to send it to.'
          )}
        </p>
        <Button
          verb="send-quote"
          tone="main"
          data-next
          className="min-w-[220px]"
          disabled={isBusy || gate.missing.length > 0}
          onClick={() => run('send-quote', { tag: record.tag })}
        >
          Send the quote
        </Button>
      </div>
    </section>
  );
}
