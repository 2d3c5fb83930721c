import { english, type Words } from '../../words';
import type { JobRecord } from '../record';
import { fillLetter, lettersWords, type OwnLetters } from './fill-letter';
import type { LetterKind, LetterWords } from './letter-table';

/** The shop as it signs its letters, with its own words where it has such. */
export interface Sender {
  readonly name: string;
  readonly telephone: string;
  readonly letters: OwnLetters;
  /** The language that it writes in where it has no words of its own; English where that is left out. */
  readonly words?: Words;
}

/**
 * A letter about a job to its customer, in the shop's own words where it has such.
 * @param values what the fields of this letter say, beside those that every letter has
 */
export function letterTo(
  { name, telephone, letters, words = english }: Sender,
  { tag, pump, contact, customer }: Pick<JobRecord, 'pump' | 'tag' | 'contact' | 'customer'>,
  kind: LetterKind,
  values: Readonly<Record<string, string>>,
): LetterWords {
  return fillLetter(lettersWords(kind, letters, words), {
    ...{ contact: contact?.name ?? customer.name, tag, shop: name, telephone },
    pump: words.say('letter.pump', { pump: `${pump.maker} ${pump.model}`, serial: pump.serial, tag }),
    ...values,
  });
}
