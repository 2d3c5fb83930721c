/** The languages in which papers, letters and the customer's page can be read. */
export const languages = ['en', 'de'] as const;
export type Language = (typeof languages)[number];

/** Each language by its own name. */
export const languageNames: Readonly<Record<Language, string>> = { en: 'English', de: 'Deutsch' };

/** How days, sums of money and figures are written in each. */
export const localeOf: Readonly<Record<Language, string>> = { en: 'en-GB', de: 'de-DE' };
