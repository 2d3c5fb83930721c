import { english } from '../../words';
import type { OptionLevel } from './enumerations';

/** Each option by its name, as the shop reads it. */
export const optionNames: Readonly<Record<OptionLevel, string>> = {
  minimum: english.say('option.minimum'),
  recommended: english.say('option.recommended'),
  'as new': english.say('option.as new'),
};
