import { formatMoney } from '@/core/units';
import { Tags } from './tags';

interface Props {
  readonly currency: string;
  readonly inWork: readonly { readonly tag: string; readonly minor: number }[];
  readonly costs: readonly {
    readonly tag: string;
    readonly quotedMinor: number;
    readonly trueMinor: number;
  }[];
}

/** What is approved and not out yet; and of the newest that went out, what they cost against what was quoted. */
export function MoneySection({ money: { currency, inWork, costs } }: { readonly money: Props }) {
  const say = (minor: number) => formatMoney({ minor, currency });
  const sum = (field: 'quotedMinor' | 'trueMinor') => costs.reduce((all, one) => all + one[field], 0);
  const [quoted, came] = [sum('quotedMinor'), sum('trueMinor')];
  const worst = costs.toSorted((a, b) => b.trueMinor - b.quotedMinor - (a.trueMinor - a.quotedMinor)).slice(0, 8);
  return (
    <section aria-label="Money" className="border-t border-ink pt-2">
      <h2 className="flex flex-wrap items-baseline gap-x-3 font-bold">
        Money in work
        <b className="num text-24">{say(inWork.reduce((all, { minor }) => all + minor, 0))}</b>
        <small className="font-normal text-quiet">of {inWork.length} pumps</small>
      </h2>
      <p className="text-13 text-quiet">What customers approved, without tax, of pumps that are not released yet.</p>
      <details>
        <summary className="min-h-11 cursor-pointer content-center text-13 font-semibold">Its jobs</summary>
        <Tags tags={inWork.map(({ tag }) => tag)} />
      </details>
      {costs.length > 0 && (
        <>
          <h3 className="font-bold">
            Quoted against true: {say(quoted)} quoted, {say(came)} came
          </h3>
          <p className="text-13 text-quiet">
            What the {costs.length} pumps that went out last were quoted to cost the shop, in hands, parts and work
            outside, against what they came to; the ones that cost most more than quoted:
          </p>
          <ol>
            {worst.map(({ tag, quotedMinor, trueMinor }) => (
              <li key={tag} className="row grid grid-cols-[5rem_1fr_8rem] gap-x-3 py-1 text-13 first:border-0">
                <Tags tags={[tag]} />
                <span className="num">
                  {say(quotedMinor)} quoted, {say(trueMinor)} came
                </span>
                <span className="num text-right">
                  {trueMinor > quotedMinor ? '+' : '−'} {say(Math.abs(trueMinor - quotedMinor))}
                </span>
              </li>
            ))}
          </ol>
        </>
      )}
    </section>
  );
}
