import type { OptionLevel } from './enumerations';

/** Each option by its name, as the shop reads it; a test holds them to the words that customers read. */
export const optionNames: Readonly<Record<OptionLevel, string>> = {
  minimum: 'Minimum to run',
  recommended: 'Recommended',
  'as new': 'As new',
};
