/** A text as the database compares it: neither case nor accents count. */
export const compared = (text: string): string =>
  text
    .normalize('NFKD')
    .replace(/\p{M}+/gu, '')
    .toLowerCase()
    .replaceAll('ß', 'ss');

/** The words of a text as they are compared, each once: letters and digits, two or more. */
export const wordsIn = (text: string): readonly string[] => [
  ...new Set(
    compared(text)
      .split(/[^\p{L}\p{N}]+/u)
      .filter((word) => word.length > 1),
  ),
];
