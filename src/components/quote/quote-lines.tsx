'use client';

import { useId, useState, type ComponentProps } from 'react';
import {
  isFitting,
  isHandMade,
  lineTotalMinor,
  marginOf,
  offeredLines,
  optionsOf,
  standsIn,
  totalQuote,
} from '@/core/quoting';
import { sayDay } from '@/core/lifecycle';
import { optionNames, type OptionLevel, type Quote, type QuoteLine } from '@/core/record';
import { formatMoney } from '@/core/units';
import type { JobView } from '../job/view';
import { LineEditor } from './line-editor';
import { drawForLines, LineReason, LineSection, partOfLine, SectionOfLines, useStates } from './line-sign';
import { writeMoney } from './money';
import { useRows } from '../ui/later';
import { useKeys } from '../ui/use-keys';
import { waysOf } from './ways-panel';

interface Props {
  readonly view: JobView;
  readonly quote: Quote;
  readonly isDraft: boolean;
  readonly showsMargin: boolean;
}
type Option = OptionLevel | null;

/** “9 Dec”: as wide as a column of prices. */
const shortDay = (iso: string) => sayDay(iso).replace(/^(\d+ \w{3}).*/, '$1');
const nameOf = (option: Option) => (option ? optionNames[option] : 'Together');

/** Name, price, day and life of each option; the advised one is a white channel with an outline. */
function OptionHeads({ view, quote }: Pick<Props, 'view' | 'quote'>) {
  const { basis, ready } = waysOf(view, quote);
  return optionsOf(quote).map((option) => {
    const totals = totalQuote(offeredLines(quote, option), quote);
    const way = option ?? quote.advised;
    const day = ready[way];
    return (
      <th
        key={option ?? 'all'}
        scope="col"
        className={`px-2 text-right align-bottom font-normal ${channel(quote, option)} ${isAdvised(quote, option) ? 'rounded-t-xl border-t-2' : ''}`}
      >
        <b className="block text-13">{nameOf(option)}</b>
        <b className="num block text-18">{formatMoney({ minor: totals.netMinor, currency: quote.currency })}</b>
        {quote.kind === 'quote' && (
          <small className="block text-13 text-quiet">
            {day && shortDay(day.likely)} · {basis.lifeYears[way]} y
          </small>
        )}
      </th>
    );
  });
}

const isAdvised = (quote: Quote, option: Option) => option !== null && option === quote.advised;
/** The advised option’s column is outlined from its head to its foot. */
const channel = (quote: Quote, option: Option) => (isAdvised(quote, option) ? 'bg-sheet border-x-2 border-ink' : '');

function PriceCell({
  line,
  option,
  quote,
}: {
  readonly line: QuoteLine;
  readonly option: Option;
  readonly quote: Quote;
}) {
  const stands = standsIn(line, option) && line.struckReason === null;
  return (
    <td className={`num w-[104px] px-2 text-right align-middle ${channel(quote, option)}`}>
      {stands ? (
        writeMoney(lineTotalMinor(line))
      ) : (
        <span className="font-sans text-13 text-quiet">
          {line.struckReason === null ? line.instead || 'left' : 'struck'}
        </span>
      )}
    </td>
  );
}

interface RowProps extends Props {
  readonly line: QuoteLine;
  readonly isPicked: boolean;
  readonly isOpen: boolean;
  readonly onPick: () => void;
  readonly onOpen: (isOpen: boolean) => void;
  readonly states: ReturnType<typeof useStates>;
  /** The section that all lines show. */
  readonly section: Pick<ComponentProps<typeof LineSection>, 'drawing' | 'base'>;
}

function LineRow({ view, quote, line, section, isDraft, isPicked, isOpen, onPick, onOpen, states }: RowProps) {
  const refs = partOfLine(line, view.family);
  const findings = view.record.findings.filter(({ id }) => line.findingIds.includes(id));
  const press = () => (isPicked && isDraft ? onOpen(true) : onPick());
  const columns = optionsOf(quote).length + 3;
  const isStruck = line.struckReason !== null;
  return (
    <>
      <tr id={`line-${line.id}`} className={`row ${isPicked ? 'bg-sheet shadow-[inset_4px_0_0_var(--jasper)]' : ''}`}>
        <td className="w-[104px] py-1 pl-2">{refs.length > 0 && <LineSection {...section} refs={refs} />}</td>
        <td className="py-1 pl-2">
          <button type="button" onClick={press} aria-pressed={isPicked} className="block min-h-12 w-full text-left">
            <b className={isStruck ? 'line-through' : ''}>{line.description}</b>
            {line.critical && <span className="ml-2 text-13 text-jasper">critical</span>}
            {line.byHand && !isHandMade(line) && <span className="ml-2 text-13 text-quiet">by hand, kept</span>}
            <span className={`text-13 text-quiet ${isPicked ? 'block' : 'line-clamp-2'}`}>
              {isStruck
                ? `Struck: ${line.struckReason}`
                : findings.length && !isFitting(line)
                  ? `out of: ${findings.map(({ words }) => words).join('; ')}`
                  : line.plain}
            </span>
            {line.proposalMoved && line.proposed && (
              <b className="block text-13 text-ochre">
                finding changed: keep {writeMoney(line.unitPriceMinor)} or take{' '}
                {writeMoney(line.proposed.unitPriceMinor)}
              </b>
            )}
          </button>
        </td>
        <td className="w-[140px] py-1 pl-2 align-middle">
          <LineReason view={view} line={line} states={states} />
        </td>
        {optionsOf(quote).map((option) => (
          <PriceCell key={option ?? 'all'} line={line} option={option} quote={quote} />
        ))}
      </tr>
      {isOpen && isDraft && (
        <tr>
          <td colSpan={columns}>
            <LineEditor
              key={`${line.id}${quote.version}`}
              view={view}
              quote={quote}
              line={line}
              onClose={() => onOpen(false)}
            />
          </td>
        </tr>
      )}
    </>
  );
}

/** What is left after wages, parts and outside work: for the shop alone, on no paper and no page of a customer. */
function MarginRow({ quote }: { readonly quote: Quote }) {
  const margins = optionsOf(quote).map((option) => marginOf(offeredLines(quote, option), quote));
  const unknown = Math.max(...margins.map((margin) => margin.unknown));
  return (
    <tr className="bg-sand outline-1 outline-dashed outline-ink">
      <td colSpan={3} className="px-2 py-1 text-13">
        <b>Shop only</b> margin after wages, parts and outside work; never printed or sent <kbd>m</kbd>
        {unknown > 0 && (
          <span className="text-quiet">
            {' '}
            · {unknown} {unknown === 1 ? 'line' : 'lines'} without a known cost
          </span>
        )}
      </td>
      {margins.map((margin, i) => (
        <td key={i} className="num px-2 text-right">
          {margin.pct === null ? '—' : `${margin.pct.toFixed(1)} %`}
        </td>
      ))}
    </tr>
  );
}

function DiscountRow({ quote }: { readonly quote: Quote }) {
  if (!quote.discountPct) return null;
  return (
    <tr className="row">
      <td colSpan={3} className="px-2 py-1 text-right text-13">
        Less {quote.discountPct} % on the whole
      </td>
      {optionsOf(quote).map((option) => (
        <td key={option ?? 'all'} className={`num px-2 text-right ${channel(quote, option)}`}>
          {writeMoney(-totalQuote(offeredLines(quote, option), quote).discountMinor)}
        </td>
      ))}
    </tr>
  );
}

/** Lines that a first screen shows. */
const rowsAtFirst = 8;

/**
 * The lines of a quote, each a finding with its remedy: where it sits, why, and its price in each option or a word for
 * what happens without it. A press picks a line, a second one opens it; arrow keys and Enter do the same.
 */
export function QuoteLines(props: Props) {
  const { view, quote, isDraft, showsMargin } = props;
  const states = useStates(view);
  const base = useId();
  const drawing = drawForLines(view.family);
  const rows = useRows(quote.lines, rowsAtFirst);
  const [picked, setPicked] = useState<string | null>(null);
  const [open, setOpen] = useState<string | null>(null);
  const at = quote.lines.findIndex(({ id }) => id === picked);
  const step = (by: number) => {
    const line = quote.lines[Math.min(quote.lines.length - 1, Math.max(0, at + by))];
    if (line) setPicked(line.id);
  };
  // Several supplements may stand on one page: they are picked by hand.
  useKeys(
    quote.kind === 'quote'
      ? {
          ArrowDown: { says: 'next line', act: () => step(1) },
          ArrowUp: { says: 'line before', act: () => step(-1) },
          Escape: { says: 'close the line', act: () => setOpen(null) },
          ...(picked && isDraft && { Enter: { says: 'open the line', act: () => setOpen(picked) } }),
        }
      : {},
  );
  return (
    <div className="overflow-x-auto">
      <SectionOfLines id={base} drawing={drawing} />
      <table className="w-full min-w-[640px]">
        <thead>
          <tr>
            <td colSpan={3} className="align-bottom text-13 text-quiet">
              {isDraft ? 'A press picks a line, a second one opens it.' : ''}
            </td>
            <OptionHeads view={view} quote={quote} />
          </tr>
        </thead>
        <tbody>
          {rows.map((line) => (
            <LineRow
              key={line.id}
              {...props}
              line={line}
              states={states}
              section={{ drawing, base }}
              isPicked={picked === line.id}
              isOpen={open === line.id}
              onPick={() => setPicked(line.id)}
              onOpen={(isOpen) => setOpen(isOpen ? line.id : null)}
            />
          ))}
          <DiscountRow quote={quote} />
          {showsMargin && <MarginRow quote={quote} />}
        </tbody>
      </table>
    </div>
  );
}
