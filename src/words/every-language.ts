import { offerInEnglish, type Catalogue, type Messages } from './catalogue';
import deFamilies from './de/families.json';
import deOffer from './de/offer.json';
import dePapers from './de/papers.json';
import deRecorded from './de/recorded.json';
import deTerms from './de/terms.json';
import enPapers from './en/papers.json';
import type { Language } from './languages';
import { speak, type Words } from './speak';

type Phrases = Catalogue['phrases'];

/** What a browser may take along of each language, and the rest of it: the words of papers, and what families say. */
const parts: Readonly<Record<Language, { offer: Catalogue; papers: Messages; families: Phrases }>> = {
  en: { offer: offerInEnglish, papers: enPapers, families: {} },
  de: {
    offer: { language: 'de', messages: { ...deOffer, ...deRecorded }, phrases: deTerms },
    papers: dePapers,
    families: deFamilies,
  },
};

/** Every language with all of its words. A browser never loads this: its page brings what it needs. */
const catalogueOf = (language: Language): Catalogue => {
  const { offer, papers, families } = parts[language];
  return { language, messages: { ...offer.messages, ...papers }, phrases: { ...families, ...offer.phrases } };
};

const spoken = new Map<Language, Words>();

/** A language with all of its words. */
export function wordsOf(language: Language): Words {
  const words = spoken.get(language) ?? speak(catalogueOf(language));
  spoken.set(language, words);
  return words;
}

/** What a page takes along of a language: the words of an offer and what this family says; null for English. */
export function catalogueFor(language: Language, said: readonly string[]): Catalogue | null {
  if (language === 'en') return null;
  const { offer, families } = parts[language];
  const known: ReadonlyMap<string, string> = new Map(Object.entries(families));
  const needed = said.flatMap((text) => {
    const own = known.get(text);
    return own === undefined ? [] : [[text, own] as const];
  });
  return { ...offer, phrases: { ...Object.fromEntries(needed), ...offer.phrases } };
}
