'use client';

import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { lineTotalMinor, totalQuote } from '@/core/quoting';
import { currentQuote, lineKinds, type Quote, type QuoteLine } from '@/core/record';
import { formatMoney, parseQuantity } from '@/core/units';
import { useAct } from '../act/use-act';
import { sayDate, sayMoment, type JobView, type SheetProps } from '../job/view';
import { Button, ErrorNote, SelectField, TextField } from '../ui/form';
import { faultsOf } from '../ui/form-faults';
import { resolverOf, type ReadForm } from '../ui/form-resolver';
import { useAskedPlace } from '../ui/use-asked-place';
import { useOthersWork } from '../ui/whose';
import { readMoney, writeMoney } from './money';

interface Amounts {
  readonly quantity: string;
  readonly price: string;
}

/** Quantity and price as typed; what cannot be read is said at its own field. */
function readAmounts<Rest extends object>({
  quantity,
  price,
  ...rest
}: Amounts & Rest): ReadForm<Omit<Amounts & Rest, keyof Amounts> & { quantity: number; unitPriceMinor: number }> {
  const amount = parseQuantity({ text: quantity, dimension: 'number', assume: '' });
  const money = readMoney(price);
  const issues = {
    ...(!amount.ok && { quantity: amount.sentence }),
    ...('sentence' in money && { price: money.sentence }),
  };
  if (!amount.ok || 'sentence' in money) return { ok: false, issues };
  return { ok: true, read: { ...rest, quantity: amount.quantity.value.toNumber(), unitPriceMinor: money.minor } };
}

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
  const totals = totalQuote(quote.lines, quote);
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

interface LineProps {
  readonly view: JobView;
  readonly quote: Quote;
  readonly line: QuoteLine;
  readonly isDraft: boolean;
}
interface LineText extends Amounts {
  readonly description: string;
}
interface LineRead {
  readonly description: string;
  readonly quantity: number;
  readonly unitPriceMinor: number;
}

function LineRow({ view, quote, line, isDraft }: LineProps) {
  const { record } = view;
  const { run, error, isBusy } = useAct();
  const form = useForm<LineText, unknown, LineRead>({
    defaultValues: {
      description: line.description,
      quantity: String(line.quantity),
      price: writeMoney(line.unitPriceMinor),
    },
    resolver: resolverOf(readAmounts<{ description: string }>),
  });
  const { errors, isDirty } = form.formState;
  const isStruck = line.struckReason !== null;
  const isOpen = isDraft && !isStruck;
  const findings = record.findings.filter((finding) => line.findingIds.includes(finding.id));
  const save = form.handleSubmit((read) =>
    run('change-line', { tag: record.tag, lineId: line.id, basedOn: quote.version, ...read }),
  );
  const field = (name: keyof LineText, label: string, className: string) => (
    <input
      aria-label={`${label} ${line.description}`}
      aria-invalid={Boolean(errors[name])}
      className={`field min-h-11 ${className}`}
      {...form.register(name)}
      onKeyDown={(event) => event.key === 'Enter' && void save()}
    />
  );
  const unread = errors.description?.message ?? errors.quantity?.message ?? errors.price?.message;
  return (
    <tr className={`row align-top ${isStruck ? 'text-quiet' : ''}`}>
      <td className="py-2 pr-3">
        {isOpen ? (
          field('description', 'Words of the line', 'font-semibold')
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
        {unread && (
          <p role="alert" className="pl-3 text-13 font-semibold text-jasper">
            {unread} What you typed is still there.
          </p>
        )}
        <ErrorNote error={error} />
        {isOpen && isDirty && (
          <Button tone="main" className="mt-1" disabled={isBusy} onClick={save}>
            Keep the change
          </Button>
        )}
      </td>
      <td className="py-2 text-right">
        <span className="inline-flex items-center justify-end gap-2">
          {isOpen ? (
            field('quantity', 'Quantity of', 'num max-w-[90px] text-right')
          ) : (
            <span className="num">{line.quantity}</span>
          )}
          <span className="w-6 text-left">{line.unit}</span>
        </span>
      </td>
      <td className="num py-2 pl-2 text-right">
        {isOpen ? field('price', 'Price of', 'num max-w-[130px] text-right') : writeMoney(line.unitPriceMinor)}
      </td>
      <td className="num pt-5 text-right">{formatMoney({ minor: lineTotalMinor(line), currency: quote.currency })}</td>
      <td className="py-2 pl-4">{isDraft && <Strike view={view} quote={quote} line={line} />}</td>
    </tr>
  );
}

/** Takes a line out of the offer with its reason, or puts it back. */
function Strike({ view, quote, line }: Omit<LineProps, 'isDraft'>) {
  const { run, error, isBusy } = useAct();
  const [striking, setStriking] = useState<string | null>(null);
  const strike = (reason: string | null) =>
    run('strike-line', { tag: view.record.tag, lineId: line.id, basedOn: quote.version, reason });
  if (line.struckReason !== null)
    return (
      <Button disabled={isBusy} onClick={() => strike(null)}>
        Put back
      </Button>
    );
  if (striking === null)
    return (
      <Button tone="quiet" onClick={() => setStriking('')}>
        Strike
      </Button>
    );
  return (
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
      <ErrorNote error={error} />
    </div>
  );
}

interface OwnLine {
  readonly kind: QuoteLine['kind'];
  readonly description: string;
  readonly plain: string;
  readonly unit: string;
}

function AddLine({ view, quote }: { readonly view: JobView; readonly quote: Quote }) {
  const { run, error, isBusy } = useAct();
  const form = useForm<OwnLine & Amounts, unknown, OwnLine & LineRead>({
    defaultValues: { kind: lineKinds[0], description: '', plain: '', quantity: '1', unit: 'pc', price: '' },
    resolver: resolverOf(readAmounts<OwnLine>),
  });
  const faultOf = faultsOf(form.formState.errors, error);
  const field = (name: keyof (OwnLine & Amounts)) => ({ error: faultOf(name), ...form.register(name) });
  const send = async (read: OwnLine & LineRead) => {
    if (await run('add-line', { tag: view.record.tag, basedOn: quote.version, ...read })) form.reset();
  };
  return (
    <details className="mt-4">
      <summary className="min-h-11 cursor-pointer content-center font-semibold">A line of your own</summary>
      <form
        onSubmit={form.handleSubmit(send)}
        className="grid items-start gap-3 py-2 md:grid-cols-[140px_1.2fr_1.2fr_90px_80px_120px_auto]"
      >
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
        <Button type="submit" className="mt-[22px]" disabled={isBusy}>
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
