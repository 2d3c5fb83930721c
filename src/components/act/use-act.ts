'use client';

import { useRouter } from 'next/navigation';
import { useState, useTransition } from 'react';
import type { InputOf, ResultOf, Verb } from '@/contract';
import { act, type ActError } from './act';
import { tagOf, tellChanged, type Arrived } from './changes';
import { keep, type Kept } from './waiting';

/** Runs verbs from a sheet: remembers the error, shows that it is busy, and refreshes the page after a change. */
export function useAct() {
  const router = useRouter();
  const [error, setError] = useState<ActError | null>(null);
  const [isSending, setSending] = useState(false);
  const [isRefreshing, startRefresh] = useTransition();
  /** Shows what changed: the watched job's rows, or the page anew where nobody watches a job. */
  const refresh = (input: object, changed?: Arrived) =>
    startRefresh(async () => {
      const tag = tagOf(input);
      if (!tag || !(await tellChanged(tag, changed))) router.refresh();
    });

  /** Remembers a refusal; where somebody else changed it, what stands there now is shown beside what was typed. */
  const takeError = (refusal: ActError, input: object) => {
    setError(refusal);
    if (refusal.code === 'changed-meanwhile') refresh(input);
  };

  /** Sends a verb; gives its answer, or null when it was refused or (with `kept`) waits on this device. */
  const run = async <V extends Verb>(verb: V, input: InputOf<V>, kept?: Kept): Promise<ResultOf<V> | null> => {
    setSending(true);
    setError(null);
    const answer = kept ? await keep(verb, input, kept) : await act(verb, input);
    setSending(false);
    if (answer.ok) {
      refresh(input, answer.changed);
      return answer.data;
    }
    if ('error' in answer) takeError(answer.error, input);
    return null;
  };

  /** As `run` for a bench entry, telling also when it waits on this device. */
  const attempt = async <V extends Verb>(
    verb: V,
    input: InputOf<V>,
    kept: Kept,
  ): Promise<'kept' | 'waiting' | 'refused'> => {
    setSending(true);
    setError(null);
    const answer = await keep(verb, input, kept);
    setSending(false);
    if (answer.ok) refresh(input, answer.changed);
    // What stands there comes with the refusal; a board that moved on would take the choice away.
    else if ('error' in answer) setError(answer.error);
    return answer.ok ? 'kept' : 'error' in answer ? 'refused' : 'waiting';
  };
  return { run, attempt, error, setError, isBusy: isSending || isRefreshing, isSending };
}
