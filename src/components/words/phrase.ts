'use client';

import { createContext, use } from 'react';

/**
 * How a set phrase of ours, such as what is wrong with a field, is told where this stands: as it is in the shop, in the
 * customer's language on their page. Apart from the words themselves, which most pages have no need of.
 */
export const Phrase = createContext<(english: string) => string>((english) => english);
export const usePhrase = () => use(Phrase);
