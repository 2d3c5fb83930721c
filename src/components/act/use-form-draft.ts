'use client';

import { useEffect } from 'react';
import type { FieldValues, UseFormReturn } from 'react-hook-form';
import { useDraft } from './use-draft';

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
  const [text, setText] = useDraft(key);
  useEffect(() => {
    const kept = text ? read(text) : null;
    if (kept) form.reset(kept);
    return form.subscribe({
      formState: { values: true },
      callback: ({ values }) => setText(JSON.stringify(values)),
    });
    // Read once: from then on the form is ahead of what is stored.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [form]);
  return () => setText(null);
}
