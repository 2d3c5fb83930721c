'use client';

import { useEffect, useState } from 'react';
import type { PlanTried, PumpShown } from '@/core/workload';
import { getData } from '../act/get-data';
import { useAct } from '../act/use-act';
import { Button, ErrorNote, issueFor, TextField } from '../ui/form';
import { dayWords } from './plan-words';
import { MovedList } from './try-bar';

/** How much a late day weighs of a pump that goes before the others, and of one in its turn. */
const [before, inTurn] = [10, 1];

/** A pump that is tried before the others, or in its turn again: the plan with it. */
export function useWeigh() {
  const [pump, setPump] = useState<PumpShown | null>(null);
  const [plan, setPlan] = useState<PlanTried | 'none' | null>(null);
  const weight = pump && pump.weight > inTurn ? inTurn : before;
  const tag = pump?.tag ?? null;
  useEffect(() => {
    if (tag === null) return;
    const abort = new AbortController();
    const change = JSON.stringify({ kind: 'weight', tag, weight });
    getData<PlanTried>(`/api/plan/try?change=${encodeURIComponent(change)}`, abort.signal).then(
      (tried) => setPlan(tried ?? 'none'),
      () => undefined,
    );
    return () => abort.abort();
  }, [tag, weight]);
  const back = () => {
    setPump(null);
    setPlan(null);
  };
  const weigh = (chosen: PumpShown) => {
    setPlan(null);
    setPump(chosen);
  };
  return { pump, plan: plan === 'none' ? null : plan, isNone: plan === 'none', weight, weigh, back };
}

/** What it costs the others: promises that break by it, and pumps that are late already and get later. */
function sayPrice(later: PlanTried['moved']): string {
  const broken = later.filter(({ from, promisedOn }) => from <= promisedOn).length;
  const worse = later.length - broken;
  const said = [
    ...(broken ? [`${broken} ${broken === 1 ? 'promise breaks' : 'promises break'}`] : []),
    ...(worse ? [`${worse} ${worse === 1 ? 'pump that is late gets' : 'pumps that are late get'} later`] : []),
  ];
  return said.length ? `For it ${said.join(', and ')}:` : 'For it no promise breaks, and nobody late gets later.';
}

/** What it costs the others when one goes first: every pump that moves, and the promises that break; kept with a reason. */
export function WeighBar({
  pump,
  weight,
  plan,
  isNone,
  onBack,
  onKept,
}: {
  readonly pump: PumpShown;
  readonly weight: number;
  readonly plan: PlanTried | null;
  /** It was asked for, and no plan came. */
  readonly isNone: boolean;
  readonly onBack: () => void;
  readonly onKept: () => void;
}) {
  const [reason, setReason] = useState('');
  const { run, error, isBusy } = useAct();
  const isFirst = weight > inTurn;
  const own = plan?.pumps.find(({ tag }) => tag === pump.tag);
  const later = plan?.moved.filter(({ isLate, tag, to, from }) => isLate && tag !== pump.tag && to > from) ?? [];
  const keep = async () => {
    if (await run('weigh-job', { tag: pump.tag, weight, reason })) onKept();
  };
  return (
    <section
      aria-label={`Before the others: ${pump.tag}`}
      className="sticky bottom-0 z-20 border-t-2 border-ink bg-sand px-6 py-3"
    >
      <div className="flex flex-wrap items-end gap-4">
        <p className="min-w-[240px]">
          <b>
            <span className="num">{pump.tag}</span> {isFirst ? 'before the others' : 'in its turn again'}
          </b>
          <span className="block text-13 text-quiet">
            {own
              ? `ready ${dayWords(own.plannedOn)} ${own.plannedOn === pump.plannedOn ? 'either way' : `instead of ${dayWords(pump.plannedOn)}`}, promised ${dayWords(pump.promisedOn)}`
              : isNone
                ? 'no plan could be drawn up with it just now: leave it, and try again'
                : 'Reckoning …'}
          </span>
        </p>
        <TextField
          label="Why"
          value={reason}
          error={issueFor(error, 'reason')}
          onChange={(event) => setReason(event.target.value)}
        />
        <Button verb="weigh-job" tone="main" disabled={isBusy || !plan || !reason.trim()} onClick={() => void keep()}>
          {isFirst ? 'Keep it: it goes first' : 'Keep it: in its turn'}
        </Button>
        <Button tone="quiet" onClick={onBack}>
          Leave it
        </Button>
      </div>
      {plan && (
        <div className="mt-2" role="status">
          <p className="text-13">{sayPrice(later)}</p>
          <MovedList moved={plan.moved} />
        </div>
      )}
      <ErrorNote error={error} />
    </section>
  );
}
