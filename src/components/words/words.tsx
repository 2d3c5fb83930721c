'use client';

import { createContext, use, useMemo, type ReactNode } from 'react';
import { Phrase } from './phrase';
import { english, speak, type Catalogue, type Language, type Words } from '@/words';

const Spoken = createContext<Words>(english);

/** The language in which what lies within is read: that of a catalogue, or English. */
export function InWords({
  catalogue,
  children,
}: {
  readonly catalogue: Catalogue | null | undefined;
  readonly children: ReactNode;
}) {
  const words = useSpoken(catalogue);
  return (
    <Spoken value={words}>
      <Phrase value={words.phrase}>{children}</Phrase>
    </Spoken>
  );
}

/** A language by its catalogue, or English. */
export const useSpoken = (catalogue: Catalogue | null | undefined): Words =>
  useMemo(() => (catalogue ? speak(catalogue) : english), [catalogue]);

/** The language of where this stands. */
export const useWords = (): Words => use(Spoken);

interface OfJob {
  readonly catalogue?: Catalogue | null;
  readonly shop: { readonly language: Language };
}

/** The words of a language that a job's page brought along; null for English, and for one that it did not bring. */
export const catalogueIn = ({ catalogue }: Pick<OfJob, 'catalogue'>, language: Language): Catalogue | null =>
  catalogue?.language === language ? catalogue : null;

/** The words of the shop's own letters. */
export const ownCatalogue = (view: OfJob): Catalogue | null => catalogueIn(view, view.shop.language);
