'use client';

import { useState } from 'react';
import { elastomerOf } from '@/core/family';
import { sheetsOf, type OrderLine, type PhotoId, type PurchaseOrder, type SheetOf } from '@/core/record';
import { claimLetter, hasWrongPieces } from '@/core/supply';
import { useAct } from '../act/use-act';
import { useDraftState } from '../act/use-draft-state';
import { PictureTaker } from '../job/picture-taker';
import { sayDate, sayMoment, type JobView } from '../job/view';
import { ownCatalogue, useSpoken } from '../words/words';
import { Button, ErrorNote, issueFor, TextArea } from '../ui/form';
import { PieceFault } from './piece-fault';
import { ScanBag } from './scan-bag';

interface Typed {
  readonly counted: string;
  readonly wrong: string;
  readonly what: string;
  readonly number: string;
  readonly elastomer: string;
  readonly variant: string;
  readonly lot: string;
  readonly accept: boolean;
  /** The picture of what is wrong. */
  readonly photoId: PhotoId | null;
}
const untyped: Typed = {
  ...{
    counted: '',
    wrong: '',
    what: '',
    number: '',
    elastomer: '',
    variant: '',
    lot: '',
    accept: false,
    photoId: null,
  },
};
const whole = (text: string) => (text.trim() ? Number(text) : 0);

/** One line of a parcel: its count box is empty at first, for somebody counts. */
function LineCheck({
  view,
  order,
  line,
  typed,
  fault,
  onChange,
}: {
  readonly view: JobView;
  readonly order: string;
  readonly line: OrderLine;
  readonly typed: Typed;
  readonly fault: string | undefined;
  readonly onChange: (change: Partial<Typed>) => void;
}) {
  const part = view.family.parts.find(({ ref }) => ref === line.partRef);
  const name = part?.name ?? line.partRef;
  const wanted = part && elastomerOf(part, view.record.intake.elastomer);
  const listed = line.sent - line.received;
  const typing = (field: Exclude<keyof Typed, 'accept' | 'photoId'>) => ({
    value: typed[field],
    onChange: (event: { readonly target: { readonly value: string } }) => onChange({ [field]: event.target.value }),
  });
  const isOff = typed.counted !== '' && whole(typed.counted) + whole(typed.wrong) !== listed;
  return (
    <li className="row py-1 first:border-0">
      <div className="grid grid-cols-[1.5fr_84px_84px_1fr_.7fr_.7fr_.7fr_auto] items-center gap-2">
        <span>
          {name} <span className="num text-13 text-quiet">{line.number}</span>
          <span className={`block text-13 ${isOff ? 'font-semibold text-jasper' : 'text-quiet'}`}>
            the parcel’s list says {listed}
          </span>
        </span>
        <input
          aria-label={`Counted: ${name}`}
          placeholder="count"
          inputMode="numeric"
          className="field num text-right"
          {...typing('counted')}
        />
        <input
          aria-label={`Wrong or damaged: ${name}`}
          placeholder="wrong"
          inputMode="numeric"
          className="field num text-right"
          {...typing('wrong')}
        />
        <input
          aria-label={`Number on ${name}`}
          placeholder="number on it"
          className="field num"
          {...typing('number')}
        />
        {wanted ? (
          <input
            aria-label={`Elastomer of ${name}`}
            placeholder={`${wanted}?`}
            className="field"
            {...typing('elastomer')}
          />
        ) : (
          <span />
        )}
        <input aria-label={`Variant of ${name}`} placeholder="variant" className="field" {...typing('variant')} />
        <input aria-label={`Lot of ${name}`} placeholder="lot" className="field num" {...typing('lot')} />
        <ScanBag
          {...{ order, number: line.number, name }}
          onRead={({ number, elastomer, variant, lot }) => onChange({ number, elastomer, variant, lot })}
        />
      </div>
      {whole(typed.wrong) > 0 && (
        <div className="mt-1 grid grid-cols-[1.4fr_1fr] items-start gap-3">
          <input
            aria-label={`What is wrong with ${name}`}
            placeholder="what is wrong: cut by a knife, another size or variant, dented, rust"
            className="field"
            {...typing('what')}
          />
          <PictureTaker
            tag={view.record.tag}
            about={`part:${line.partRef}`}
            partRef={line.partRef}
            caption={`${name}, as it came with ${line.number}`}
            onTaken={(photoId) => onChange({ photoId })}
          />
        </div>
      )}
      <PieceFault
        fault={fault}
        isOther={typed.number !== ''}
        isAccepted={typed.accept}
        onAccept={(accept) => onChange({ accept })}
      />
    </li>
  );
}

/** The receiving check of what has arrived: count, number, elastomer, lot, damage, line by line. */
function ReceivingCheck({
  view,
  order,
  arrived,
}: {
  readonly view: JobView;
  readonly order: PurchaseOrder;
  readonly arrived: readonly OrderLine[];
}) {
  const { tag } = view.record;
  const key = `${tag}.parcel.${order.number}.${arrived.map(({ sent }) => sent).join('-')}`;
  const [typed, change, forget] = useDraftState<Readonly<Record<string, Typed>>>(key, {});
  const [note, setNote] = useState('');
  const { run, error, isBusy } = useAct();
  const of = (id: string) => typed[id] ?? untyped;
  const open = arrived.filter(({ id }) => of(id).counted.trim() === '');
  const check = async () => {
    const counts = arrived.map(({ id }) => {
      const { counted, wrong, ...seen } = of(id);
      return { lineId: id, ...seen, counted: whole(counted), wrong: whole(wrong) };
    });
    if (await run('receive-parts', { tag, orderNumber: order.number, counts, note })) {
      forget();
      setNote('');
    }
  };
  return (
    <div className="mt-2 border-l-4 border-lake bg-sheet px-3 py-2">
      <p className="mb-1 font-semibold">Receiving check: count every piece; look at number, elastomer and cuts</p>
      <ul aria-label="Pieces of the parcel">
        {arrived.map((line) => (
          <LineCheck
            key={line.id}
            view={view}
            order={order.number}
            line={line}
            typed={of(line.id)}
            fault={issueFor(error, `counts.${line.id}`)}
            onChange={(part) => change({ [line.id]: { ...of(line.id), ...part } })}
          />
        ))}
      </ul>
      <input
        aria-label="Note on the delivery"
        placeholder="note on the delivery"
        className="field mt-2"
        value={note}
        onChange={(event) => setNote(event.target.value)}
      />
      <Button
        verb="receive-parts"
        tone="main"
        className="mt-2 w-full"
        disabled={isBusy || open.length > 0}
        onClick={() => void check()}
      >
        {open.length ? `${open.length} of ${arrived.length} not counted yet` : 'Counted so'}
      </Button>
      <ErrorNote error={error} />
    </div>
  );
}

/** What came wrong or short, and the letter to the supplier about it. */
function ClaimSection({ view, sheet }: { readonly view: JobView; readonly sheet: SheetOf<'claim'> }) {
  const { record, shop } = view;
  const { body, key } = sheet;
  const spoken = useSpoken(ownCatalogue(view));
  const [words, setWords] = useState(
    () => claimLetter({ record, number: key, claim: body, sender: { ...shop, words: spoken } }).body,
  );
  const canGoBack = hasWrongPieces(body);
  const [goesBack, setGoesBack] = useState(canGoBack);
  const { run, error, isBusy } = useAct();
  return (
    <section aria-label={`Claim ${key}`} className="mt-2 space-y-2 border-l-4 border-ochre pl-3">
      <h3 className="font-bold">
        <span className="num">{key}</span>{' '}
        <small className="font-normal text-quiet">
          {body.lines.map(({ count, number, what }) => `${count} × ${number}: ${what}`).join('; ')}
        </small>
      </h3>
      {body.sent ? (
        <p>
          Written to {body.sent.to} by {body.sent.personName}, {sayMoment(body.sent.at, view.zone)}
          {body.sent.goesBack && '; the wrong pieces go back'}
        </p>
      ) : (
        <>
          <TextArea label="To the supplier" rows={7} value={words} onChange={(event) => setWords(event.target.value)} />
          <div className="flex items-center gap-4">
            {canGoBack && (
              <label className="flex min-h-11 items-center gap-2">
                <input
                  type="checkbox"
                  className="size-6 accent-(--ink)"
                  checked={goesBack}
                  onChange={(event) => setGoesBack(event.target.checked)}
                />
                the wrong pieces go back with it
              </label>
            )}
            <Button
              verb="send-claim"
              tone="main"
              disabled={isBusy}
              onClick={() =>
                void run('send-claim', { tag: record.tag, number: key, basedOn: sheet.version, words, goesBack })
              }
            >
              Send it
            </Button>
          </div>
        </>
      )}
      <ErrorNote error={error} />
    </section>
  );
}

/** One order to a supplier: what of it has come, the receiving check of a parcel, and what is claimed. */
export function OrderSection({
  view,
  order,
  canReceive,
}: {
  readonly view: JobView;
  readonly order: PurchaseOrder;
  readonly canReceive: boolean;
}) {
  const { record } = view;
  const { run, error, isBusy } = useAct();
  const [said, setSaid] = useState('');
  const arrived = order.lines.filter((line) => line.sent > line.received);
  const isWhole = order.lines.every((line) => line.received >= line.quantity);
  const onlyShort = !arrived.length && !isWhole;
  const claims = sheetsOf(record, 'claim').filter(({ body }) => body.orderNumber === order.number);
  const take = async () => {
    const answer = await run('take-parcel', { tag: record.tag, orderNumber: order.number });
    if (answer)
      setSaid(
        !answer.lines.length && answer.restOn
          ? `Nothing came; the supplier now says ${sayDate(answer.restOn)}.`
          : answer.restOn
            ? `The parcel is short against the order; the supplier sends the rest on ${sayDate(answer.restOn)}.`
            : 'The parcel’s list is complete.',
      );
  };
  return (
    <section aria-label={`Order ${order.number}`} className="border-t border-line pt-3">
      <div className="flex flex-wrap items-center gap-4">
        <h2 className="font-bold">
          <span className="num">{order.number}</span> to {order.supplier}
        </h2>
        <p className="flex-1 text-13 text-quiet">
          ordered by {order.personName}, {sayMoment(order.at, view.zone)} · acknowledged as {order.acknowledgement}
          {!isWhole && order.dueOn && (
            <>
              , due <b className="text-ink">{sayDate(order.dueOn)}</b>
            </>
          )}
          {isWhole && ', all here'}
        </p>
        {canReceive && onlyShort && order.acknowledgement && (
          <Button verb="take-parcel" disabled={isBusy} onClick={() => void take()}>
            The parcel due {order.dueOn ? sayDate(order.dueOn) : ''} is here
          </Button>
        )}
      </div>
      <p role="status" className="text-13">
        {said}
      </p>
      {canReceive && arrived.length > 0 && <ReceivingCheck view={view} order={order} arrived={arrived} />}
      {claims.map((sheet) => (
        <ClaimSection key={sheet.key} view={view} sheet={sheet} />
      ))}
      <ErrorNote error={error} />
    </section>
  );
}
