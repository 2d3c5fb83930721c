'use client';

import { useState } from 'react';
import type { JobCost } from '@/core/purchasing';
import { formatMoney } from '@/core/units';
import { getData } from '../act/get-data';
import type { JobView } from '../job/view';

interface CostsShown {
  readonly currency: string;
  readonly costs: readonly JobCost[];
}

/** How far a true cost is from the quoted one, in words. */
function sayDifference({ quotedMinor, trueMinor }: JobCost, money: (minor: number) => string): string {
  if (quotedMinor === null) return 'not quoted';
  if (trueMinor === null) return 'nothing yet';
  const over = trueMinor - quotedMinor;
  return over === 0 ? 'as quoted' : over > 0 ? `${money(over)} more` : `${money(-over)} less`;
}

/** What the job costs the shop, quoted beside true; read when it is opened. */
export function JobCosts({ view }: { readonly view: JobView }) {
  const [shown, setShown] = useState<CostsShown | null>(null);
  const [isRefused, setRefused] = useState(false);
  const read = async () => {
    const answer = await getData<CostsShown>(`/api/costs/${view.record.tag}`);
    if (answer) setShown(answer);
    setRefused(!answer);
  };
  const money = (minor: number) => formatMoney({ minor, currency: shown?.currency ?? 'EUR' });
  return (
    <details onToggle={(event) => event.currentTarget.open && void read()}>
      <summary className="min-h-11 cursor-pointer content-center font-semibold">
        What it costs us: quoted beside true
      </summary>
      {isRefused && <p className="text-quiet">What a job costs is for the coordinator and the parts desk.</p>}
      {shown?.costs.length === 0 && <p className="text-quiet">Nothing was quoted or bought yet.</p>}
      {shown && shown.costs.length > 0 && (
        <p className="grid grid-cols-[1fr_110px_110px_1.6fr] gap-x-4 text-13 text-quiet">
          <span />
          <span className="text-right">quoted</span>
          <span className="text-right">true</span>
        </p>
      )}
      <ul>
        {shown?.costs.map((cost) => (
          <li key={cost.what} className="row grid grid-cols-[1fr_110px_110px_1.6fr] gap-x-4 py-1 first:border-0">
            <span>{cost.what}</span>
            <span className="num text-right">{cost.quotedMinor === null ? '' : money(cost.quotedMinor)}</span>
            <span className="num text-right font-bold">{cost.trueMinor === null ? '' : money(cost.trueMinor)}</span>
            <span className={(cost.trueMinor ?? 0) > (cost.quotedMinor ?? Infinity) ? 'font-semibold text-jasper' : ''}>
              {sayDifference(cost, money)}
              {cost.note && <span className="text-quiet">; {cost.note}</span>}
            </span>
          </li>
        ))}
      </ul>
    </details>
  );
}
