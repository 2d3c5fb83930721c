'use client';

import { Link } from '../ui/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { openOf, standingOf, unsentOf, type PieceToCount, type ShopOrder, type ShopOrderLine } from '@/core/purchasing';
import { formatMoney } from '@/core/units';
import { useAct } from '../act/use-act';
import { sayMoment, sayShortDate } from '../job/view';
import { Button, ErrorNote, issueFor, TextField } from '../ui/form';
import { PhotoRow } from '../job/picture-taker';
import { DeskFrame } from './desk-frame';
import { OrderCount, type SentTo } from './order-count';
import { RaiseLine, WriteAbout } from './order-asks';

interface Props {
  readonly zone: string;
  readonly today: string;
  readonly order: ShopOrder;
  readonly dueOn: string | null;
  readonly goodsMinor: number;
  readonly freightMinor: number;
  readonly totalMinor: number;
  readonly jobs: readonly string[];
  readonly toCount: readonly PieceToCount[];
  readonly sentTo: readonly SentTo[];
  readonly photos: readonly { readonly id: string; readonly piece: string; readonly caption: string }[];
  readonly supplier: { readonly name: string; readonly email: string; readonly telephone: string } | null;
}

function sayPieces({ pieces }: ShopOrderLine): string {
  const sum = (of: (piece: ShopOrderLine['pieces'][number]) => number) => pieces.reduce((all, one) => all + of(one), 0);
  const open = sum(openOf);
  const struck = sum(({ struck: own }) => own);
  const said = open ? `${open} to come` : 'all here';
  return struck ? `${open ? said : 'nothing to come'}, ${struck} struck off` : said;
}

function Price({ line, currency }: { readonly line: ShopOrderLine; readonly currency: string }) {
  const { priceMinor, saidPriceMinor } = line;
  const quantity = standingOf(line);
  const money = (minor: number) => formatMoney({ minor: minor * quantity, currency });
  if (saidPriceMinor !== null && priceMinor !== null && saidPriceMinor !== priceMinor)
    return (
      <span className="num text-right font-semibold text-jasper">
        {money(saidPriceMinor)}
        <span className="block text-13">{money(priceMinor)} on the order</span>
      </span>
    );
  const price = saidPriceMinor ?? priceMinor;
  return <span className="num text-right">{price === null ? 'not said' : money(price)}</span>;
}

function StrikeOff({ number, line }: { readonly number: string; readonly line: ShopOrderLine }) {
  const [words, setWords] = useState('');
  const { run, error, isBusy } = useAct();
  const router = useRouter();
  const strike = async () => {
    if (await run('cancel-order-line', { number, position: line.position, words })) router.refresh();
  };
  return (
    <details>
      <summary className="min-h-11 cursor-pointer content-center text-13 underline underline-offset-4">
        strike off
      </summary>
      <div className="flex flex-wrap items-end gap-2">
        <TextField
          label={`Why ${line.title} is struck off`}
          value={words}
          error={issueFor(error, 'words')}
          onChange={(event) => setWords(event.target.value)}
        />
        <Button verb="cancel-order-line" disabled={isBusy} onClick={() => void strike()}>
          Ask to strike it off
        </Button>
      </div>
      <ErrorNote error={error} />
    </details>
  );
}

function Expedite({
  number,
  dueOn,
  today,
}: {
  readonly number: string;
  readonly dueOn: string;
  readonly today: string;
}) {
  const [wantedOn, setWantedOn] = useState('');
  const [words, setWords] = useState('');
  const [answer, setAnswer] = useState('');
  const { run, error, isBusy } = useAct();
  const router = useRouter();
  const ask = async () => {
    const done = await run('expedite-order', { number, wantedOn, words });
    if (!done) return;
    setAnswer(`${sayShortDate(done.dueOn, today)}. ${done.words}`);
    router.refresh();
  };
  return (
    <details>
      <summary className="min-h-11 cursor-pointer content-center font-semibold">
        Ask for it sooner than {sayShortDate(dueOn, today)}
      </summary>
      <div className="flex flex-wrap items-end gap-3">
        <TextField
          label="Wanted on"
          type="date"
          value={wantedOn}
          error={issueFor(error, 'wantedOn')}
          onChange={(event) => setWantedOn(event.target.value)}
        />
        <TextField
          label="What you tell them"
          value={words}
          error={issueFor(error, 'words')}
          onChange={(event) => setWords(event.target.value)}
        />
        <Button verb="expedite-order" disabled={isBusy} onClick={() => void ask()}>
          Ask the supplier
        </Button>
      </div>
      {answer && <p role="status">{answer}</p>}
      <ErrorNote error={error} />
    </details>
  );
}

function Parcel({ number }: { readonly number: string }) {
  const { run, error, isBusy } = useAct();
  const router = useRouter();
  const take = async () => {
    if (await run('take-order-parcel', { number })) router.refresh();
  };
  return (
    <div>
      <Button verb="take-order-parcel" tone="main" disabled={isBusy} onClick={() => void take()}>
        A parcel of it has come
      </Button>
      <ErrorNote error={error} />
    </div>
  );
}

/** Who it is from, for whom, what it comes to, and its papers. */
function OrderHead({ order, jobs, supplier, dueOn, today, ...sums }: Props) {
  const money = (minor: number) => formatMoney({ minor, currency: order.currency });
  const isOpen = order.state === 'placed' || order.state === 'acknowledged';
  return (
    <div className="flex flex-wrap gap-x-6 gap-y-1">
      <span>
        placed {sayShortDate(order.placedOn, today)} by {order.personName}
      </span>
      <span>{order.reference ? `their ${order.reference}` : 'not acknowledged yet'}</span>
      {dueOn && isOpen && (
        <span className={dueOn < today ? 'font-semibold text-jasper' : 'font-semibold'}>
          due {sayShortDate(dueOn, today)}
        </span>
      )}
      <span>
        goods <span className="num">{money(sums.goodsMinor)}</span>, freight{' '}
        <span className="num">{money(sums.freightMinor)}</span>, together{' '}
        <b className="num">{money(sums.totalMinor)}</b>
      </span>
      <span>
        for{' '}
        {jobs.map((tag) => (
          <Link key={tag} href={`/jobs/${tag}?at=parts`} className="num mr-2 underline underline-offset-4">
            {tag}
          </Link>
        ))}
        {!jobs.length && 'the shelf'}
      </span>
      {supplier && (
        <span className="text-quiet">
          {supplier.email} {supplier.telephone && `· ${supplier.telephone}`}
        </span>
      )}
      <a href={`/files/order/${order.number}`} className="underline underline-offset-4">
        PDF
      </a>
      <a href={`/files/order/${order.number}/ubl`} download className="underline underline-offset-4">
        UBL 2.1 XML
      </a>
    </div>
  );
}

/** One order: what stands on it, what of its parcel is to be counted, and what was said about it. */
export function OrderPage(props: Props) {
  const { order, dueOn, toCount, zone, today } = props;
  const { number, lines, history, currency } = order;
  const isOpen = order.state === 'placed' || order.state === 'acknowledged';
  const isOnItsWay = lines.some(({ pieces }) => pieces.some((piece) => unsentOf(piece) > 0));
  const names = Object.fromEntries(
    lines.flatMap(({ title, pieces, kind }) =>
      pieces.map((piece) => [piece.number, kind === 'kit' ? `of ${title}:` : title]),
    ),
  );
  return (
    <DeskFrame title={`${number}, ${order.supplier}`}>
      <OrderHead {...props} />
      <OrderCount number={number} pieces={toCount} names={names} sentTo={props.sentTo} />
      <section aria-label="Lines of the order">
        <h2 className="font-bold">What is on it</h2>
        <ul>
          {lines.map((line) => (
            <li
              key={line.position}
              className="row grid min-h-12 grid-cols-[44px_1fr_auto] items-center gap-x-4 py-1 first:border-0 lg:grid-cols-[44px_2fr_1fr_1.2fr_1.4fr_130px]"
            >
              <span className="num text-right">{standingOf(line)} ×</span>
              <span>
                {line.title} <span className="num text-13 text-quiet">{line.code}</span>
                {line.pieces.some(({ elastomer }) => elastomer) && (
                  <span className="text-13">
                    {' '}
                    {[...new Set(line.pieces.map(({ elastomer }) => elastomer))].join(' ')}
                  </span>
                )}
              </span>
              <span>{sayPieces(line)}</span>
              <span>
                {line.dueOn ? sayShortDate(line.dueOn, today) : 'no day yet'}
                {line.firstDueOn && line.dueOn !== line.firstDueOn && (
                  <span className="block text-13 text-quiet">first said {sayShortDate(line.firstDueOn, today)}</span>
                )}
              </span>
              {isOpen && line.pieces.some((piece) => unsentOf(piece) > 0) ? (
                <span>
                  <StrikeOff number={number} line={line} />
                  {order.reference && <RaiseLine number={number} line={line} />}
                </span>
              ) : (
                <span />
              )}
              <Price line={line} currency={currency} />
            </li>
          ))}
        </ul>
      </section>
      {isOpen && order.reference && isOnItsWay && <Parcel number={number} />}
      {isOpen && dueOn && isOnItsWay && <Expedite number={number} dueOn={dueOn} today={today} />}
      {props.supplier?.email && <WriteAbout order={order} email={props.supplier.email} />}
      {props.photos.length > 0 && (
        <section aria-label="Pictures of what came">
          <h2 className="mb-2 font-bold">Pictures of what came</h2>
          <PhotoRow photos={props.photos.map(({ id, piece, caption }) => ({ id, caption: caption || piece }))} />
        </section>
      )}
      {history.length > 0 && (
        <section aria-label="What was said">
          <h2 className="font-bold">What was said about it</h2>
          <ul>
            {history.map(({ at, by, words }) => (
              <li key={`${at} ${by} ${words}`} className="row py-0.5 first:border-0">
                <span className="text-quiet">
                  {by}, {sayMoment(at, zone)}:
                </span>{' '}
                {words}
              </li>
            ))}
          </ul>
        </section>
      )}
    </DeskFrame>
  );
}
