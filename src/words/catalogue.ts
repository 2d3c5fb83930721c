import type { Language } from './languages';
import offer from './en/offer.json';
import type papers from './en/papers.json';
import recorded from './en/recorded.json';

/** The name of a message; every language has all of them. */
export type WordKey = keyof typeof offer | keyof typeof papers | keyof typeof recorded;
export type Messages = Readonly<Partial<Record<WordKey, string>>>;

/** The words of a language: messages by name, and how it calls what the record and the families say in English. */
export interface Catalogue {
  readonly language: Language;
  readonly messages: Messages;
  readonly phrases: Readonly<Record<string, string>>;
}

/** What a browser has of English: the words of an offer, and the sentences of the record. */
export const offerInEnglish: Catalogue = { language: 'en', messages: { ...offer, ...recorded }, phrases: {} };

/** Sentences that the record keeps in English, with the fields that they were made with. */
export const recordedInEnglish = recorded;
