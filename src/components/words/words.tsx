'use client';

import { createContext, use, useMemo, type ReactNode } from 'react';
import { english, speak, type Catalogue, type Words } from '@/words';

const Spoken = createContext<Words>(english);

/** The language in which what lies within is read: that of a catalogue, or English. */
export function InWords({
  catalogue,
  children,
}: {
  readonly catalogue: Catalogue | null | undefined;
  readonly children: ReactNode;
}) {
  return <Spoken value={useSpoken(catalogue)}>{children}</Spoken>;
}

/** A language by its catalogue, or English. */
export const useSpoken = (catalogue: Catalogue | null | undefined): Words =>
  useMemo(() => (catalogue ? speak(catalogue) : english), [catalogue]);

/** The language of where this stands. */
export const useWords = (): Words => use(Spoken);
