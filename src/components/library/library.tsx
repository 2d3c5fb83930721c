import { drawSection, type Family } from '@/core/family';
import { formatMoney, type LengthDisplay } from '@/core/units';
import { sayDate, type InstrumentShown } from '../job/view';
import { Section } from '../signs/section';
import { AddInstrument } from './add-instrument';
import { AddPerson } from './add-person';
import { ChooseUnits } from './choose-units';

interface Props {
  readonly shop: { readonly name: string; readonly place: string; readonly zone: string; readonly currency: string; readonly settings: { readonly labourMinorPerHour: number; readonly machiningMinorPerHour: number; readonly testMinor: number; readonly freightMinor: number; readonly partsMarkupPct: number; readonly taxPct: number; readonly warrantyMonths: number; readonly quoteValidDays: number; readonly lengthDisplay: LengthDisplay } } | null;
  readonly people: readonly { readonly id: string; readonly name: string; readonly role: string; readonly hasPin: boolean }[];
  readonly instruments: readonly InstrumentShown[];
  readonly families: readonly Family[];
  readonly isOwner: boolean;
  readonly canAddInstrument: boolean;
}

/** What the shop works by: constructions, instruments, people, rates. */
export function Library({ shop, people, instruments, families, isOwner, canAddInstrument }: Props) {
  const money = (minor: number) => formatMoney({ minor, currency: shop?.currency ?? 'EUR' });
  return (
    <div className="space-y-8 p-6">
      <h1 className="text-24 font-bold">
        Library <small className="text-15 font-normal text-quiet">{shop && `${shop.name}, ${shop.place}, clock of ${shop.zone}`}</small>
      </h1>
      {families.map((family) => (
        <section key={family.id} aria-label={family.title} className="grid gap-6 lg:grid-cols-[560px_1fr]">
          <div>
            <h2 className="font-bold">
              <span className="num">{family.id}</span> {family.title} <small className="font-normal text-quiet">version {family.version}</small>
            </h2>
            <Section drawing={drawSection(family)} pins={{}} title={`Section of ${family.title}`} />
          </div>
          <div className="grid content-start gap-x-8 sm:grid-cols-2">
            <div>
              <h3 className="mt-2 font-bold">Points and their limits</h3>
              <ul className="text-13">
                {family.points.map((point) => (
                  <li key={point.id} className="row grid grid-cols-[26px_1fr] py-0.5 first:border-0">
                    <b className="num">{point.number}</b>
                    <span>
                      {point.title} <span className="text-quiet">{point.source}</span>
                    </span>
                  </li>
                ))}
              </ul>
            </div>
            <div>
              <h3 className="mt-2 font-bold">What usually fails</h3>
              <ul className="text-13">
                {family.damage.map((damage) => (
                  <li key={damage.seen} className="row py-0.5 first:border-0">
                    {damage.seen}: <span className="text-quiet">{damage.points_to}</span>
                  </li>
                ))}
              </ul>
              <h3 className="mt-4 font-bold">Kits</h3>
              <ul className="text-13">
                {family.kits.map((kit) => (
                  <li key={kit.id}>
                    {kit.title}, {money(kit.price_minor)}, {kit.lead_days} days: {kit.gives.length} parts
                  </li>
                ))}
              </ul>
            </div>
          </div>
        </section>
      ))}
      <div className="grid gap-8 border-t border-ink pt-4 md:grid-cols-3">
        <section aria-label="Instruments">
          <h2 className="font-bold">Instruments</h2>
          <ul>
            {instruments.map((one) => (
              <li key={one.code} className="row flex gap-3 py-1 first:border-0">
                <b className="num w-14">{one.code}</b>
                <span className="flex-1">
                  {one.kind}, ±{one.uncertaintyUm} µm
                </span>
                <span className="text-13 text-quiet">due {sayDate(one.dueOn)}</span>
              </li>
            ))}
          </ul>
          {canAddInstrument && <AddInstrument />}
        </section>
        <section aria-label="People">
          <h2 className="font-bold">People</h2>
          <ul>
            {people.map((person) => (
              <li key={person.id} className="row flex gap-3 py-1 first:border-0">
                <span className="flex-1">{person.name}</span>
                <span className="text-13 text-quiet">
                  {person.role}
                  {person.hasPin ? ', PIN' : ''}
                </span>
              </li>
            ))}
          </ul>
          {isOwner && <AddPerson />}
        </section>
        {shop && (
          <section aria-label="Rates">
            <h2 className="font-bold">Rates</h2>
            <dl className="grid grid-cols-[1fr_auto] gap-y-1">
              {[
                ['Labour, an hour', money(shop.settings.labourMinorPerHour)],
                ['Machining, an hour', money(shop.settings.machiningMinorPerHour)],
                ['Test on the stand', money(shop.settings.testMinor)],
                ['Return freight', money(shop.settings.freightMinor)],
                ['Mark-up on parts', `${shop.settings.partsMarkupPct} %`],
                ['Tax', `${shop.settings.taxPct} %`],
                ['Warranty', `${shop.settings.warrantyMonths} months`],
                ['Quotes stand', `${shop.settings.quoteValidDays} days`],
              ].map(([words, value]) => (
                <div key={words} className="contents">
                  <dt>{words}</dt>
                  <dd className="num text-right">{value}</dd>
                </div>
              ))}
              {!isOwner && (
                <div className="contents">
                  <dt>Lengths in</dt>
                  <dd className="text-right">{shop.settings.lengthDisplay === 'inch' ? 'inches' : 'millimetres'}</dd>
                </div>
              )}
            </dl>
            {isOwner && <ChooseUnits current={shop.settings.lengthDisplay} />}
          </section>
        )}
      </div>
    </div>
  );
}
