'use client';

import { present } from '@/core/present';
import { useRouter } from 'next/navigation';
import { useEffect } from 'react';

const tagPattern = /P-\d{4,7}$/i;
/** Milliseconds between the keys of a scanner; no hand is as fast over a whole tag. */
const scannerGap = 45;

function takeBack(field: HTMLInputElement | HTMLTextAreaElement, text: string): void {
  if (!field.value.endsWith(text)) return;
  const setter = present(present(Object.getOwnPropertyDescriptor(Object.getPrototypeOf(field), 'value')).set);
  setter.call(field, field.value.slice(0, -text.length));
  field.dispatchEvent(new Event('input', { bubbles: true }));
}

/**
 * A tag that is scanned anywhere, or typed where no field waits, opens its job. A scanner types into the field that
 * waits: what it typed there is taken back.
 */
export function Scan() {
  const router = useRouter();
  useEffect(() => {
    let typed = '';
    let last = 0;
    let slowest = 0;
    const onKey = (event: KeyboardEvent) => {
      const gap = event.timeStamp - last;
      last = event.timeStamp;
      const field = event.target as HTMLElement;
      const isField = field.matches?.('input, textarea, select') ?? false;
      if (event.key === 'Enter') {
        const tag = tagPattern.exec(typed)?.[0];
        const isScan = slowest < scannerGap && gap < scannerGap * 3;
        if (tag && (isScan || !isField) && !field.closest?.('search')) {
          event.preventDefault();
          event.stopPropagation();
          if (field instanceof HTMLInputElement || field instanceof HTMLTextAreaElement) takeBack(field, tag);
          router.push(`/jobs/${tag.toUpperCase()}`);
        }
        typed = '';
        return;
      }
      if (event.key.length !== 1) return;
      const isNew = gap > (isField ? scannerGap : 2000);
      slowest = isNew ? 0 : Math.max(slowest, gap);
      typed = isNew ? event.key : typed + event.key;
    };
    window.addEventListener('keydown', onKey, { capture: true });
    return () => window.removeEventListener('keydown', onKey, { capture: true });
  }, [router]);
  return null;
}
