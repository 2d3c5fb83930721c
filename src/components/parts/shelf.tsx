'use client';

import { Link } from '../ui/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { StockItem } from '@/core/purchasing';
import { formatMoney } from '@/core/units';
import { useAct } from '../act/use-act';
import { sayMoment } from '../job/view';
import { Button, ErrorNote, issueFor, TextField } from '../ui/form';
import { DeskFrame } from './desk-frame';
import { ListLink } from '../ui/list-link';

interface ItemShown extends StockItem {
  readonly reserved: number;
  readonly version: number;
}

interface MoveShown {
  readonly id: string;
  readonly kind: string;
  readonly change: number;
  readonly after: number;
  readonly reference: string;
  readonly reason: string;
  readonly personName: string;
  readonly at: string;
}

interface Props {
  readonly zone: string;
  readonly currency: string;
  readonly items: readonly ItemShown[];
  readonly moves: readonly MoveShown[];
  readonly picked: string;
  readonly pickedElastomer: string;
  readonly stockMinor: number;
  readonly onOrderMinor: number;
}

const blank = { number: '', elastomer: '', title: '', bin: '', quantity: 0, minimum: 0, unitCostMinor: 0 };
const whole = (text: string) => (/^\d+$/.test(text.trim()) ? Number(text) : Number.NaN);

/** A count of one bin: the figure is typed after counting, never filled in beforehand. */
function CountForm({
  item,
  onKept,
}: {
  readonly item: (StockItem & { version: number }) | null;
  readonly onKept: () => void;
}) {
  const known = item ?? { ...blank, version: 0 };
  const [typed, setTyped] = useState({ ...known, counted: '', minimum: String(known.minimum), reason: '' });
  const { run, error, isBusy } = useAct();
  const keep = async () => {
    const { number, elastomer, title, bin, reason } = typed;
    const done = await run('count-stock', {
      ...{ number, elastomer, title, bin, reason, unitCostMinor: known.unitCostMinor, basedOn: known.version },
      ...{ counted: whole(typed.counted), minimum: whole(typed.minimum) },
    });
    if (done) onKept();
  };
  const field = (key: keyof typeof typed & string, label: string, isNumber = false) => (
    <TextField
      label={label}
      value={String(typed[key])}
      inputMode={isNumber ? 'numeric' : undefined}
      error={issueFor(error, key)}
      onChange={(event) => setTyped({ ...typed, [key]: event.target.value })}
    />
  );
  return (
    <div className="border-l-4 border-lake bg-sheet px-3 py-2">
      <div className="grid gap-3 md:grid-cols-4">
        {!item && (
          <>
            {field('number', 'Number')}
            {field('elastomer', 'Elastomer, where it has one')}
            {field('title', 'What it is')}
          </>
        )}
        {field('bin', 'Bin')}
        {field('counted', 'Counted', true)}
        {field('minimum', 'Fewest that should lie there', true)}
        {field('reason', 'Why it is counted, or what is missing')}
      </div>
      <ErrorNote error={error} />
      <Button verb="count-stock" tone="main" className="mt-2" disabled={isBusy} onClick={() => void keep()}>
        Keep the count
      </Button>
    </div>
  );
}

function Moves({ moves, zone }: Pick<Props, 'moves' | 'zone'>) {
  return (
    <ul aria-label="How it came to this" className="border-l-4 border-line px-3 py-1">
      {moves.map(({ id, kind, change, after, reference, reason, personName, at }) => (
        <li key={id} className="row grid grid-cols-[130px_60px_1fr] gap-x-3 py-0.5 first:border-0">
          <span className="num text-13 text-quiet">{sayMoment(at, zone)}</span>
          <span className="num text-right">{change > 0 ? `+${change}` : change}</span>
          <span>
            {kind}
            {reference && <span className="num"> {reference}</span>}: {after} lie there. {reason}{' '}
            <span className="text-quiet">{personName}</span>
          </span>
        </li>
      ))}
    </ul>
  );
}

function ItemRow({
  item,
  isPicked,
  isCounting,
  onCount,
}: {
  readonly item: ItemShown;
  readonly isPicked: boolean;
  readonly isCounting: boolean;
  readonly onCount: () => void;
}) {
  const { number, elastomer, title, bin, quantity, reserved, minimum } = item;
  const free = quantity - reserved;
  const about = new URLSearchParams({ number, elastomer });
  return (
    <div className="grid min-h-12 grid-cols-[80px_1fr_auto] items-center gap-x-4 py-1 lg:grid-cols-[80px_2fr_1fr_110px_130px_110px_150px_90px]">
      <b className="num">{bin}</b>
      <span>{title}</span>
      <span className="num text-13 text-quiet">
        {number} {elastomer}
      </span>
      <span className="num text-right">{quantity} there</span>
      <span className="num text-right text-quiet">{reserved > 0 ? `${reserved} spoken for` : ''}</span>
      <span className={`num text-right ${free < minimum ? 'font-semibold text-jasper' : ''}`}>{free} free</span>
      <span className={free < minimum ? 'font-semibold text-jasper' : 'text-quiet'}>
        {minimum > 0 && (free < minimum ? `below ${minimum}: is in the plan` : `at least ${minimum}`)}
      </span>
      <span className="flex gap-3">
        {!isCounting && (
          <button
            type="button"
            className="min-h-11 underline underline-offset-4"
            onClick={onCount}
            aria-label={`Count ${number}`}
          >
            count
          </button>
        )}
        <Link
          href={isPicked ? '/parts/shelf' : `/parts/shelf?${about.toString()}`}
          className="min-h-11 content-center underline underline-offset-4"
          aria-label={`Trace of ${number}`}
        >
          {isPicked ? 'close' : 'trace'}
        </Link>
      </span>
    </div>
  );
}

/** What lies where, for whom it is spoken, and what it is worth. */
export function Shelf({ zone, currency, items, moves, picked, pickedElastomer, stockMinor, onOrderMinor }: Props) {
  const router = useRouter();
  const [counting, setCounting] = useState<string | null>(null);
  const keyOf = ({ number, elastomer }: StockItem) => `${number}|${elastomer}`;
  const done = () => {
    setCounting(null);
    router.refresh();
  };
  const money = (minor: number) => formatMoney({ minor, currency });
  return (
    <DeskFrame
      title="Shelf"
      aside={
        <>
          {money(stockMinor)} on the shelf, {money(onOrderMinor)} on order · <ListLink list="shelf" words="CSV" />
        </>
      }
    >
      {!items.length && <p className="text-quiet">Nothing was counted yet.</p>}
      <ul>
        {items.map((item) => {
          const isPicked = item.number === picked && item.elastomer === pickedElastomer;
          const isCounting = counting === keyOf(item);
          return (
            <li key={keyOf(item)} className="row first:border-0">
              <ItemRow
                item={item}
                isPicked={isPicked}
                isCounting={isCounting}
                onCount={() => setCounting(keyOf(item))}
              />
              {isCounting && <CountForm item={item} onKept={done} />}
              {isPicked && <Moves moves={moves} zone={zone} />}
            </li>
          );
        })}
      </ul>
      <details open={counting === 'new'} onToggle={(event) => event.currentTarget.open && setCounting('new')}>
        <summary className="min-h-11 cursor-pointer content-center font-semibold">Another number on the shelf</summary>
        {counting === 'new' && <CountForm item={null} onKept={done} />}
      </details>
    </DeskFrame>
  );
}
