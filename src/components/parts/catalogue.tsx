'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { catalogueKinds, type CatalogueKind } from '@/core/change/inputs';
import type { CatalogueNumber, CatalogueOffer, CatalogueSupplier, Reliability } from '@/core/purchasing';
import { formatMoney } from '@/core/units';
import { useAct } from '../act/use-act';
import { sayDate } from '../job/view';
import { Button, ErrorNote } from '../ui/form';
import { DeskFrame } from './desk-frame';
import { SupplierForm } from './supplier-form';

interface SupplierShown extends CatalogueSupplier {
  readonly version: number;
  readonly offers: number;
  readonly reliability: Reliability;
}

interface Props {
  readonly currency: string;
  readonly suppliers: readonly SupplierShown[];
  readonly text: string;
  readonly counts: { readonly offers: number; readonly numbers: number };
  readonly found: number;
  readonly offers: readonly CatalogueOffer[];
  readonly numbers: readonly CatalogueNumber[];
}

/** How a supplier kept the days that it named first. */
function sayReliability({ ended, onTime, worstDays }: Reliability): string {
  if (!ended) return 'no order has ended yet';
  const worst = worstDays ? `, ${worstDays} days late at worst` : '';
  return `${onTime} of ${ended} complete by the first day named${worst}`;
}

function SupplierRow({ supplier, currency }: { readonly supplier: SupplierShown; readonly currency: string }) {
  const [isOpen, setOpen] = useState(false);
  const money = (minor: number) => formatMoney({ minor, currency: supplier.currency });
  return (
    <li className="row py-1 first:border-0">
      <div className="grid min-h-11 grid-cols-[1.3fr_1fr] items-center gap-x-4 lg:grid-cols-[1.2fr_1.4fr_1.6fr_1.5fr_90px]">
        <span>
          <b>{supplier.name}</b>
          {supplier.isUsual && <span className="block text-13 text-quiet">asked for what nobody offers</span>}
          {!supplier.isActive && <span className="block text-13 font-semibold">nothing is bought from them</span>}
        </span>
        <span className="text-13">
          {supplier.contact}
          <span className="block text-quiet">
            {supplier.email} {supplier.telephone}
          </span>
        </span>
        <span>
          freight <span className="num">{money(supplier.freightMinor)}</span>
          {supplier.minimumMinor > 0 && (
            <>
              , at least <span className="num">{money(supplier.minimumMinor)}</span>
            </>
          )}
          <span className="block text-13 text-quiet">
            {supplier.cutOff ? `leaves the same day until ${supplier.cutOff}` : 'any hour'}
            {supplier.currency !== currency && `; 1 ${supplier.currency} is ${supplier.rate} ${currency}`}
          </span>
        </span>
        <span className="text-13">
          {supplier.offers} offers
          <span className="block text-quiet">{sayReliability(supplier.reliability)}</span>
        </span>
        <button
          type="button"
          className="min-h-11 text-left underline underline-offset-4"
          aria-label={`Change ${supplier.name}`}
          onClick={() => setOpen(!isOpen)}
        >
          {isOpen ? 'close' : 'change'}
        </button>
      </div>
      {isOpen && <SupplierForm key={supplier.version} supplier={supplier} currency={currency} />}
    </li>
  );
}

/** Takes a CSV file in: all of it or nothing, with each fault by its line. */
function TakeIn() {
  const { run, error, isBusy } = useAct();
  const router = useRouter();
  const [said, setSaid] = useState('');
  const take = async (kind: CatalogueKind, file: File | undefined) => {
    if (!file) return;
    setSaid('');
    const done = await run('import-catalogue', { kind, text: await file.text() });
    if (!done) return;
    setSaid(`${file.name}: ${done.added} new, ${done.changed} written anew.`);
    router.refresh();
  };
  return (
    <section aria-label="Files">
      <h2 className="font-bold">In and out as CSV</h2>
      <ul>
        {catalogueKinds.map((kind) => (
          <li key={kind} className="row flex flex-wrap items-center gap-x-6 py-1 first:border-0">
            <b className="w-24">{kind}</b>
            <a
              href={`/files/catalogue/${kind}`}
              download
              className="min-h-11 content-center underline underline-offset-4"
            >
              give {kind}.csv out
            </a>
            <label className="min-h-11 cursor-pointer content-center underline underline-offset-4">
              take {kind}.csv in
              <input
                type="file"
                accept=".csv,text/csv"
                className="sr-only"
                disabled={isBusy}
                onChange={(event) => {
                  void take(kind, event.target.files?.[0]);
                  event.target.value = '';
                }}
              />
            </label>
            <a
              href={`/files/schema/catalogue/${kind}`}
              className="min-h-11 content-center text-quiet underline underline-offset-4"
            >
              what its columns are
            </a>
          </li>
        ))}
      </ul>
      {said && (
        <p role="status" className="border-l-4 border-moss bg-sheet px-3 py-1">
          {said}
        </p>
      )}
      <ErrorNote error={error} />
    </section>
  );
}

function OfferRow({
  offer,
  supplier,
}: {
  readonly offer: CatalogueOffer;
  readonly supplier: SupplierShown | undefined;
}) {
  const { code, kind, title, priceMinor, leadDays, least, validUntil, pieces } = offer;
  return (
    <li className="row grid min-h-11 grid-cols-[1fr_2fr_auto] items-center gap-x-4 py-0.5 first:border-0 lg:grid-cols-[1.2fr_2fr_1.4fr_90px_1.2fr_110px]">
      <span>{supplier?.name}</span>
      <span>
        {title} <span className="num text-13 text-quiet">{code}</span>
      </span>
      <span className="text-13 text-quiet">
        {kind === 'kit' ? 'kit: ' : ''}
        {pieces.map(({ number, elastomer, quantity }) => `${quantity} × ${number} ${elastomer}`.trim()).join(', ')}
      </span>
      <span>{leadDays} days</span>
      <span className="text-13 text-quiet">
        {least > 1 && `at least ${least} `}
        {validUntil && `price until ${sayDate(validUntil)}`}
      </span>
      <span className="num text-right">
        {formatMoney({ minor: priceMinor, currency: supplier?.currency ?? 'EUR' })}
      </span>
    </li>
  );
}

/** Whom the shop buys from, what they offer, and which numbers stand for each other. */
export function Catalogue({ currency, suppliers, text, counts, found, offers, numbers }: Props) {
  const [isAdding, setAdding] = useState(false);
  return (
    <DeskFrame title="Catalogue" aside={`${counts.offers} offers, ${counts.numbers} numbers`}>
      <section aria-label="Suppliers">
        <h2 className="font-bold">Suppliers</h2>
        {!suppliers.length && (
          <p className="text-quiet">Nobody yet: without a supplier nothing can be ordered. Write the first one down.</p>
        )}
        <ul>
          {suppliers.map((supplier) => (
            <SupplierRow key={supplier.id} supplier={supplier} currency={currency} />
          ))}
        </ul>
        {isAdding ? (
          <SupplierForm key={suppliers.length} supplier={null} currency={currency} />
        ) : (
          <Button verb="save-supplier" onClick={() => setAdding(true)}>
            Another supplier
          </Button>
        )}
      </section>
      <section aria-label="Offers">
        <h2 className="font-bold">Offers and numbers</h2>
        <form method="get" className="flex flex-wrap items-end gap-4">
          <label className="min-w-80">
            <span className="mb-1 block text-13 text-quiet">A number, a code, or words of a title</span>
            <input name="text" defaultValue={text} className="field" />
          </label>
          <button type="submit" className="pebbly min-h-12 border border-ink bg-sheet px-4 font-semibold">
            Find
          </button>
        </form>
        {text && (
          <p className="mt-2 text-quiet">
            {found} {found === 1 ? 'offer has' : 'offers have'} “{text}”
            {found > offers.length && `; the first ${offers.length} are here`}
          </p>
        )}
        <ul>
          {offers.map((offer) => (
            <OfferRow key={offer.id} offer={offer} supplier={suppliers.find(({ id }) => id === offer.supplierId)} />
          ))}
        </ul>
        <ul className="mt-2">
          {numbers.map(({ number, title, elastomer, interchangeGroup, supersededBy }) => (
            <li key={number} className="row flex flex-wrap gap-x-3 py-0.5 first:border-0">
              <b className="num">{number}</b>
              <span>
                {title} {elastomer}
              </span>
              {supersededBy && (
                <span>
                  <span className="num">{supersededBy}</span> took its place
                </span>
              )}
              {interchangeGroup && <span className="text-quiet">interchanges within “{interchangeGroup}”</span>}
            </li>
          ))}
        </ul>
      </section>
      <TakeIn />
    </DeskFrame>
  );
}
