'use client';

import { useEffect, useState } from 'react';
import type { PromiseShown } from '@/core/workload';
import { getData } from '../act/get-data';
import { dayWords } from '../plan/plan-words';
import { Button } from '../ui/form';

/** So long, in ms, a construction stays chosen before its day is asked for: a plate that is being read changes it. */
const settlesIn = 500;

/** The day that the plan lets be promised for a pump that is here now, kept four times of five; one press takes it. */
export function PromiseProposal({
  familyId,
  size,
  today,
  onTake,
}: {
  readonly familyId: string;
  readonly size: string;
  readonly today: string;
  readonly onTake: (day: string) => void;
}) {
  const [answered, setAnswered] = useState<{ readonly of: string; readonly shown: PromiseShown | null } | null>(null);
  const query = new URLSearchParams({ familyId, size, comesOn: today }).toString();
  useEffect(() => {
    if (!familyId) return;
    const abort = new AbortController();
    const ask = () =>
      void getData<PromiseShown>(`/api/plan/promise?${query}`, abort.signal).then(
        (shown) => setAnswered({ of: query, shown }),
        () => undefined,
      );
    const timer = setTimeout(ask, settlesIn);
    return () => {
      clearTimeout(timer);
      abort.abort();
    };
  }, [familyId, query]);
  const dates = (answered?.of === query && answered.shown?.answer?.dates) || [];
  const [even, usual, sure] = [50, 80, 95].map((pct) => dates.find((one) => one.pct === pct)?.date);
  if (!usual || !even || !sure) return null;
  return (
    <div className="border-l-4 border-lake bg-sheet px-3 py-2">
      <p>
        The plan of today says <b>{dayWords(usual)}</b>, kept four times of five.
      </p>
      <p className="text-13 text-quiet">
        An even chance: {dayWords(even)}; nineteen of twenty: {dayWords(sure)}. In its turn, nobody is made later.
      </p>
      <Button className="mt-1" onClick={() => onTake(usual)}>
        Promise {dayWords(usual)}
      </Button>
    </div>
  );
}
