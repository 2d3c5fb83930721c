'use client';

import { compareWays, defaultBasis, readyOfWays, type WayCompared, type WaysCompared } from '@/core/quoting';
import type { Family } from '@/core/family';
import type { ComparisonBasis, JobRecord, Quote } from '@/core/record';
import { remembered } from '@/core/remembered';
import { formatMoney } from '@/core/units';
import type { JobView } from '../job/view';
import { Working } from '../ui/working';
import { BasisForm } from './basis-form';

interface Props {
  readonly view: JobView;
  readonly quote: Quote;
  readonly isDraft: boolean;
}

/** The ways compared, by the figures of this quote or those of the shop. */
export const waysOf = ({ record, family, standing, today }: JobView, quote: Quote) =>
  reckonWays(record, family, standing.remaining, today, quote);

const reckonWays = remembered(
  (record: JobRecord, family: Family, remaining: JobView['standing']['remaining'], today: string, quote: Quote) => {
    const basis: ComparisonBasis = quote.basis ?? defaultBasis;
    const ready = readyOfWays({ remaining, family, quote, today });
    const daysOut = Object.fromEntries(Object.entries(ready).map(([way, { days }]) => [way, days]));
    return { basis, ready, compared: compareWays({ record, family, quote, basis, daysOut }) };
  },
);

const fills = {
  price: 'var(--slate)',
  hire: 'repeating-linear-gradient(90deg, var(--ink) 0 2px, transparent 2px 5px)',
  lost: 'repeating-linear-gradient(135deg, var(--jasper) 0 2px, transparent 2px 5px)',
} as const;

function Bar({ way, most }: { readonly way: WayCompared; readonly most: number }) {
  const share = (minor: number) => `${most > 0 ? Math.max(0, (100 * minor) / most) : 0}%`;
  return (
    <span className="flex h-4 w-full" aria-hidden>
      <span style={{ width: share(way.priceYearMinor), background: fills.price }} />
      <span style={{ width: share(way.hireYearMinor), background: fills.hire }} />
      <span style={{ width: share(way.lostYearMinor), background: fills.lost }} />
    </span>
  );
}

/** What a way costs a year, its parts on one scale. */
function CostAYear({
  compared,
  money,
}: {
  readonly compared: WaysCompared;
  readonly money: (minor: number) => string;
}) {
  const most = Math.max(...compared.ways.map(({ yearMinor }) => yearMinor));
  const key = [
    ['price', fills.price],
    ['standby hire', fills.hire],
    ['power lost in worn gaps', fills.lost],
  ] as const;
  return (
    <section aria-label="Cost a year">
      <p className="flex flex-wrap items-center gap-x-3 text-13">
        <b className="text-15">Cost a year</b> <Working of="cost a year" steps={compared.working} />
        {key.map(([words, background]) => (
          <span key={words} className="inline-flex items-center gap-1 text-quiet">
            <span className="inline-block h-3 w-4 border border-line" style={{ background }} /> {words}
          </span>
        ))}
      </p>
      <table className="mt-1 w-full text-13">
        <tbody>
          {compared.ways.map((way) => (
            <tr key={way.way}>
              <th
                scope="row"
                className={`w-[150px] text-left ${way.way === compared.least ? 'font-bold' : 'font-normal'}`}
              >
                {way.name}
              </th>
              <td>
                <Bar way={way} most={most} />
              </td>
              <td className="num w-[96px] pl-2 text-right">{money(Math.round(way.yearMinor))}</td>
              <td className="w-[48px] pl-2">{way.way === compared.least && <b>least</b>}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

/** A band to the price at which the answer turns, and a tick for today’s. */
function TurningStrip({ priceMinor, turnsAtMinor }: { readonly priceMinor: number; readonly turnsAtMinor: number }) {
  const most = Math.max(priceMinor, turnsAtMinor) * 1.12;
  const at = (minor: number) => `${(100 * minor) / most}%`;
  return (
    <span className="relative mt-1 block h-4 w-full border-b border-line" aria-hidden>
      <span className="absolute inset-y-0.5 left-0 bg-slate" style={{ width: at(turnsAtMinor) }} />
      <span className="absolute inset-y-0 w-0.5 bg-jasper" style={{ left: at(priceMinor) }} />
    </span>
  );
}

function Turns({ compared, money }: { readonly compared: WaysCompared; readonly money: (minor: number) => string }) {
  return (
    <section aria-label="Where the answer turns" className="text-13">
      <b className="text-15">Where the answer turns</b>
      {compared.turns.map((turn) => (
        <p key={turn.way} className="mt-1">
          {turn.turnsAtMinor === null ? (
            <>
              {turn.name}: at no price does it cost as little a year as {turn.against.toLowerCase()}; now{' '}
              <b className="num">{money(turn.priceMinor)}</b>
            </>
          ) : (
            <>
              {turn.name}: the least {turn.isLeast ? 'to' : 'only below'}{' '}
              <b className="num">{money(turn.turnsAtMinor)}</b>
              {turn.isLeast && `, then ${turn.against.toLowerCase()}`}; now{' '}
              <b className="num">{money(turn.priceMinor)}</b>
              <TurningStrip priceMinor={turn.priceMinor} turnsAtMinor={turn.turnsAtMinor} />
            </>
          )}
        </p>
      ))}
    </section>
  );
}

/** What the measured gaps let back, and what that takes of the power: the worst first. */
function WornGaps({ gaps }: Pick<WaysCompared, 'gaps'>) {
  const worn = gaps.filter(({ extraM3h }) => extraM3h > 0).toSorted((one, other) => other.kwhYear - one.kwhYear);
  if (!worn.length) return null;
  const sum = (of: (gap: (typeof worn)[number]) => number) => worn.reduce((all, gap) => all + of(gap), 0);
  return (
    <p className="mt-1 text-13">
      <b>Lost in worn gaps:</b> {sum(({ powerPct }) => powerPct).toFixed(1)} % of the power,{' '}
      {Math.round(sum(({ kwhYear }) => kwhYear))} kWh a year.{' '}
      {worn
        .slice(0, 3)
        .map(
          ({ title, meanUm, designUm, extraM3h }) =>
            `${title} ${Math.round(meanUm)} µm, designed ${designUm.min} to ${designUm.max}: ${extraM3h.toFixed(1)} m³/h more back`,
        )
        .join('; ')}
      {worn.length > 3 && `; and ${worn.length - 3} more`}
    </p>
  );
}

/** The options against closing it up as it is and against a new unit, with the working, and what they are reckoned by. */
export function WaysPanel({ view, quote, isDraft }: Props) {
  const { basis, compared } = waysOf(view, quote);
  const money = (minor: number) => formatMoney({ minor, currency: quote.currency });
  return (
    <div className="mt-3 border-t border-ink pt-2">
      <div className="grid gap-x-8 gap-y-3 lg:grid-cols-[3fr_2fr]">
        <CostAYear compared={compared} money={money} />
        <Turns compared={compared} money={money} />
      </div>
      <p className="mt-1 text-13 text-quiet">
        Over the life at {basis.interestPct} % · {basis.hoursPerYear} h a year · {money(basis.pricePerKwhMinor)}/kWh ·
        standby {money(basis.hireMinorPerDay)} a day until ready
        {!basis.newUnit && ' · nobody has asked for the price of a new unit'}
      </p>
      <WornGaps gaps={compared.gaps} />
      {isDraft && <BasisForm key={quote.version} view={view} quote={quote} basis={basis} />}
    </div>
  );
}
