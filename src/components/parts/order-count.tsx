'use client';

import { Link } from '../ui/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { ResultOf } from '@/contract';
import type { PieceToCount } from '@/core/purchasing';
import type { PhotoId } from '@/core/record';
import { useAct } from '../act/use-act';
import { useDraft } from '../act/use-draft';
import { useDraftState } from '../act/use-draft-state';
import { PictureTaker } from '../job/picture-taker';
import { Button, ErrorNote, issueFor } from '../ui/form';
import { OrderPicture } from './order-picture';
import { PieceFault } from './piece-fault';
import { ScanBag } from './scan-bag';

interface Typed {
  readonly counted: string;
  readonly wrong: string;
  readonly what: string;
  readonly foundNumber: string;
  readonly foundElastomer: string;
  readonly foundVariant: string;
  readonly lot: string;
  readonly accept: boolean;
  /** The picture of what is wrong. */
  readonly photoId: PhotoId | null;
}
type Written = Exclude<keyof Typed, 'accept' | 'photoId'>;
const untyped: Typed = {
  counted: '',
  wrong: '',
  what: '',
  foundNumber: '',
  foundElastomer: '',
  foundVariant: '',
  lot: '',
  accept: false,
  photoId: null,
};
const whole = (text: string) => (text.trim() ? Number(text) : 0);
const keyOf = ({ number, elastomer }: PieceToCount) => `${number}|${elastomer}`;

/** To which job, and for which of its parts, pieces of a number were sent. */
export interface SentTo {
  readonly number: string;
  readonly elastomer: string;
  readonly tag: string;
  readonly partRef: string;
}

interface PieceProps {
  readonly order: string;
  readonly piece: PieceToCount;
  readonly name: string;
  /** Whose record takes a picture of it; nothing where it is for the shelf. */
  readonly sentTo: SentTo | undefined;
  readonly typed: Typed;
  readonly fault: string | undefined;
  readonly onChange: (change: Partial<Typed>) => void;
}

/** One number of a parcel, kits piece by piece: its box is empty until somebody has counted. */
function PieceCheck({ order, piece, name, sentTo, typed, fault, onChange }: PieceProps) {
  const { number, elastomer, variant, listed } = piece;
  const field = (key: Written, label: string, placeholder: string, className = '') => (
    <input
      aria-label={`${label}: ${number}`}
      placeholder={placeholder}
      className={`field ${className}`}
      inputMode={key === 'counted' || key === 'wrong' ? 'numeric' : undefined}
      value={typed[key]}
      onChange={(event) => onChange({ [key]: event.target.value })}
    />
  );
  const isOff = typed.counted !== '' && whole(typed.counted) + whole(typed.wrong) !== listed;
  return (
    <li className="row py-1 first:border-0">
      <div className="grid grid-cols-[1.6fr_84px_84px_1fr_.7fr_.9fr_.7fr_auto] items-center gap-2">
        <span>
          {name} <span className="num text-13 text-quiet">{number}</span> {elastomer && <b>{elastomer}</b>}{' '}
          {variant && <b>{variant}</b>}
          <span className={`block text-13 ${isOff ? 'font-semibold text-jasper' : 'text-quiet'}`}>
            the parcel’s list says {listed}
          </span>
        </span>
        {field('counted', 'Counted', 'count', 'num text-right')}
        {field('wrong', 'Wrong or damaged', 'wrong', 'num text-right')}
        {field('foundNumber', 'Number on it', 'number on it', 'num')}
        {elastomer ? field('foundElastomer', 'Elastomer of it', `${elastomer}?`) : <span />}
        {variant ? field('foundVariant', 'Variant of it', `${variant}?`) : <span />}
        {field('lot', 'Lot', 'lot', 'num')}
        <ScanBag
          {...{ order, number, elastomer, name: number }}
          onRead={(bag) =>
            onChange({
              ...{ foundNumber: bag.number, foundElastomer: bag.elastomer, foundVariant: bag.variant, lot: bag.lot },
            })
          }
        />
      </div>
      {whole(typed.wrong) > 0 && (
        <div className="mt-1 grid grid-cols-[1.4fr_1fr] items-start gap-3">
          {field('what', 'What is wrong', 'what is wrong: other rubber, another size, cut, rust')}
          {!sentTo && <OrderPicture order={order} piece={number} caption={`${name}, as it came`} />}
          {sentTo && (
            <PictureTaker
              tag={sentTo.tag}
              about={`part:${sentTo.partRef}`}
              partRef={sentTo.partRef}
              caption={`${name}, as it came with ${number}`}
              onTaken={(photoId) => onChange({ photoId })}
            />
          )}
        </div>
      )}
      <PieceFault
        fault={fault}
        isOther={typed.foundNumber !== ''}
        isAccepted={typed.accept}
        onAccept={(accept) => onChange({ accept })}
      />
    </li>
  );
}

/** For whom it was counted, and the letters that wait to be sent about what was wrong or missing. */
function CountKept({
  counted: { jobs, shelf, wrongForShelf, claims },
}: {
  readonly counted: ResultOf<'receive-order'>;
}) {
  return (
    <p role="status" className="border-l-4 border-moss bg-sheet px-3 py-2">
      Counted{jobs.length > 0 && ` for ${jobs.join(', ')}`}
      {shelf > 0 && `${jobs.length > 0 ? ', and' : ':'} ${shelf} on the shelf`}.
      {wrongForShelf.length > 0 && <> Wrong, and no job’s: write to the supplier below about it.</>}
      {claims.map(({ tag, number }) => (
        <Link key={number} href={`/jobs/${tag}?at=parts`} className="ml-3 font-semibold underline">
          Send claim {number}
        </Link>
      ))}
    </p>
  );
}

/** Counts a parcel for all jobs that it is for; what is over goes on the shelf. */
export function OrderCount({
  number,
  pieces,
  names,
  sentTo,
}: {
  readonly number: string;
  readonly pieces: readonly PieceToCount[];
  /** What the order calls each number. */
  readonly names: Readonly<Record<string, string>>;
  readonly sentTo: readonly SentTo[];
}) {
  const key = `order.${number}.${pieces.map((piece) => `${keyOf(piece)} ${piece.listed}`).join('_')}`;
  const [typed, change, forget] = useDraftState<Readonly<Record<string, Typed>>>(key, {});
  const [bin, setBin] = useDraft(`${key}.bin`);
  const { run, error, isBusy } = useAct();
  const router = useRouter();
  const [counted, setCounted] = useState<ResultOf<'receive-order'> | null>(null);
  const of = (piece: PieceToCount) => typed[keyOf(piece)] ?? untyped;
  const open = pieces.filter((piece) => of(piece).counted.trim() === '');
  const keep = async () => {
    const counts = pieces.map((piece) => {
      const { counted, wrong, ...seen } = of(piece);
      const { number: own, elastomer } = piece;
      return { number: own, elastomer, ...seen, counted: whole(counted), wrong: whole(wrong) };
    });
    const done = await run('receive-order', { number, counts, bin, note: '' });
    if (!done) return;
    setCounted(done);
    forget();
    router.refresh();
  };
  if (!pieces.length) return counted && <CountKept counted={counted} />;
  return (
    <section aria-label="Parcel to count" className="border-l-4 border-lake bg-sheet px-3 py-2">
      <h2 className="font-bold">Count the parcel: every piece, its number, its rubber, cuts and rust</h2>
      <div className="overflow-x-auto">
        <ul aria-label="Pieces of the order’s parcel" className="min-w-[880px]">
          {pieces.map((piece, i) => (
            <PieceCheck
              key={keyOf(piece)}
              order={number}
              piece={piece}
              sentTo={sentTo.find((one) => one.number === piece.number && one.elastomer === piece.elastomer)}
              name={names[piece.number] ?? piece.number}
              typed={of(piece)}
              fault={issueFor(error, `counts.${i}`)}
              onChange={(part) => change({ ...typed, [keyOf(piece)]: { ...of(piece), ...part } })}
            />
          ))}
        </ul>
      </div>
      <ErrorNote error={error} />
      <div className="mt-2 flex flex-wrap items-center gap-4">
        <label className="flex items-center gap-2">
          <span className="text-13 text-quiet">bin for what no job needs</span>
          <input className="field num w-28" value={bin} onChange={(event) => setBin(event.target.value)} />
        </label>
        <Button verb="receive-order" tone="main" disabled={isBusy || open.length > 0} onClick={() => void keep()}>
          Counted so
        </Button>
        {open.length > 0 && (
          <span className="text-13 text-quiet">
            {open.length} {open.length === 1 ? 'number is' : 'numbers are'} not counted yet; none came: type 0
          </span>
        )}
      </div>
    </section>
  );
}
