'use client';

import { useRouter } from 'next/navigation';
import { useState, useTransition } from 'react';
import { act, keep, type ActError } from './act';

/** Runs verbs from a sheet: remembers the error, shows that it is busy, and refreshes the page after a change. */
export function useAct() {
  const router = useRouter();
  const [error, setError] = useState<ActError | null>(null);
  const [isSending, setSending] = useState(false);
  const [isRefreshing, startRefresh] = useTransition();
  const run = async <Data = Record<string, unknown>>(
    verb: string,
    input: unknown,
    { label }: { readonly label?: string } = {},
  ): Promise<Data | null> => {
    setSending(true);
    setError(null);
    const answer = label ? await keep<Data>(verb, input, label) : await act<Data>(verb, input);
    setSending(false);
    if (answer.ok) {
      startRefresh(() => router.refresh());
      return answer.data;
    }
    if ('error' in answer) setError(answer.error);
    return null;
  };
  /** As `run` for a bench entry, telling also when it waits on this device. */
  const attempt = async (verb: string, input: unknown, label: string): Promise<'kept' | 'waiting' | 'refused'> => {
    setSending(true);
    setError(null);
    const answer = await keep(verb, input, label);
    setSending(false);
    if (answer.ok) startRefresh(() => router.refresh());
    else if ('error' in answer) setError(answer.error);
    return answer.ok ? 'kept' : 'error' in answer ? 'refused' : 'waiting';
  };
  return { run, attempt, error, setError, isBusy: isSending || isRefreshing, isSending };
}
