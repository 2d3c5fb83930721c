'use client';

import { useEffect } from 'react';
import type { FieldValues, UseFormReturn } from 'react-hook-form';
import { leaveDraft, storedDraft } from './use-draft';

/** The values of a draft as it was stored; null for one that cannot be read. */
export function readDraft<Values>(text: string): Values | null {
  try {
    return JSON.parse(text) as Values;
  } catch {
    return null;
  }
}

/**
 * Keeps what is typed into a form on this device until it is sent; a reload finds it again.
 * @param read the values of a draft as it was stored; null for one that says nothing
 * @returns forgets the draft
 */
export function useFormDraft<Values extends FieldValues, Read>(
  key: string,
  form: UseFormReturn<Values, unknown, Read>,
  read: (text: string) => Values | null,
): () => void {
  useEffect(() => {
    // Read from the device itself: the page was made without it. From then on the form is ahead of what is stored.
    const text = storedDraft(key);
    const kept = text === null ? null : read(text);
    if (kept) form.reset(kept);
    return form.subscribe({
      formState: { values: true },
      callback: ({ values }) => leaveDraft(key, JSON.stringify(values)),
    });
  }, [form, key, read]);
  return () => leaveDraft(key, null);
}
