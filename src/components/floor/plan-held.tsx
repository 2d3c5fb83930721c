'use client';

import dynamic from 'next/dynamic';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { Calibration } from '@/core/workload';
import { act, type ActError } from '../act/act';
import { ErrorNote } from '../ui/form';
import { Tags } from './tags';

// The chart's library is fetched only where it is looked at.
const HeldChart = dynamic(() => import('./held-chart').then((module) => module.HeldChart), {
  loading: () => <p className="h-[220px]">Drawing the line …</p>,
});

interface Props {
  readonly cameIn: Calibration;
  readonly answered: Calibration;
  readonly pumps: number;
  readonly left: number;
}

const moments = [
  ['cameIn', 'when the pump came in'],
  ['answered', 'when the customer answered'],
] as const;

/** In which direction ranges are wrong, in words. */
function leaning({ laterDays }: Calibration): string {
  if (laterDays === null) return '';
  const days = Math.abs(laterDays);
  if (days < 1) return 'The even-chance day is neither early nor late.';
  const unit = days === 1 ? 'day' : 'days';
  return laterDays > 0
    ? `Half of the pumps were ready ${days} ${unit} or more after their even-chance day: the ranges say too early.`
    : `Half of the pumps were ready ${days} ${unit} or more before their even-chance day: the ranges say too late.`;
}

/** How often the days that the plan says held, of pumps that went out since; and the way to hold more of them against it. */
export function PlanHeld({ plan }: { readonly plan: Props }) {
  const [moment, setMoment] = useState<'cameIn' | 'answered'>('cameIn');
  const own = plan[moment];
  const told = own.held.filter(({ of }) => of > 0);
  return (
    <section aria-label="How the plan held" className="border-t border-ink pt-2">
      <h2 className="font-bold">How the plan’s days held</h2>
      <p className="text-13 text-quiet">
        For each pump that went out, the plan of an earlier moment is drawn up again from what stood and was known then.
        Good ranges lie on the thin line: a day said for 90 of 100 holds 90 times.
      </p>
      {told.length > 0 && (
        <>
          <div role="radiogroup" aria-label="Said" className="flex flex-wrap gap-x-4">
            {moments.map(([key, words]) => (
              <label key={key} className="flex min-h-11 items-center gap-2 text-13">
                <input type="radio" name="moment" checked={moment === key} onChange={() => setMoment(key)} />
                {words}
              </label>
            ))}
          </div>
          <HeldChart points={told.map(({ pct, of, held }) => ({ pct, held: (100 * held) / of }))} />
          <p>{leaning(own)}</p>
          <ol>
            {told.map(({ pct, of, held, later }) => (
              <li key={pct}>
                <details>
                  <summary className="min-h-8 cursor-pointer content-center text-13">
                    Said for {pct} of 100: held {held} of {of}, which is {Math.round((100 * held) / of)} of 100
                  </summary>
                  {later.length > 0 && (
                    <span className="flex flex-wrap gap-x-2 text-13">
                      later: <Tags tags={later} />
                    </span>
                  )}
                </details>
              </li>
            ))}
          </ol>
        </>
      )}
      <HoldMore left={plan.left} pumps={plan.pumps} />
    </section>
  );
}

/** Goes on, three pumps at a time, until all are held against their plans or somebody stops it. */
function HoldMore({ left: first, pumps }: { readonly left: number; readonly pumps: number }) {
  const [error, setError] = useState<ActError | null>(null);
  const router = useRouter();
  const [left, setLeft] = useState(first);
  const [isOn, setIsOn] = useState(false);
  if (first === 0)
    return <p className="text-13 text-quiet">All {pumps} pumps that went out are held against their plans.</p>;
  const goOn = async () => {
    setIsOn(true);
    setError(null);
    for (let still = left; still > 0;) {
      const answer = await act('back-test', {});
      if (!answer.ok && 'error' in answer) setError(answer.error);
      if (!answer.ok || answer.data.left >= still) break;
      still = answer.data.left;
      setLeft(still);
    }
    setIsOn(false);
    router.refresh();
  };
  return (
    <div className="mt-2 flex flex-wrap items-center gap-3">
      <button
        type="button"
        className="min-h-11 rounded border border-ink px-3 font-semibold"
        disabled={isOn}
        onClick={() => void goOn()}
      >
        {isOn ? `${left} still to go …` : `Hold ${left} ${left === 1 ? 'pump' : 'pumps'} against their plans`}
      </button>
      <span className="text-13 text-quiet">
        {pumps} are. It takes about a second for each, and goes on where it stopped.
      </span>
      <ErrorNote error={error} />
    </div>
  );
}
