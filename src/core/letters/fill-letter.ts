import { english, type Words } from '../../words';
import { letterTable, type LetterKind, type LetterWords } from './letter-table';

const fieldPattern = /\{([a-z]+)\}/g;
const fieldsIn = (text: string) => [...text.matchAll(fieldPattern)].map(([, name = '']) => name);

/** A line whose fields all say nothing is left out; one without a field stays. */
function fillLine(line: string, values: Readonly<Record<string, string>>): string | null {
  const names = fieldsIn(line);
  if (names.length && names.every((name) => !values[name]?.trim())) return null;
  return line.replace(fieldPattern, (_whole, name: string) => values[name]?.trim() ?? '').trimEnd();
}

const fillText = (text: string, values: Readonly<Record<string, string>>) =>
  text
    .split('\n')
    .flatMap((line) => fillLine(line, values) ?? [])
    .join('\n')
    .replaceAll(/\n{3,}/g, '\n\n')
    .trim();

/**
 * A letter with its fields filled in. A line in which every field says nothing is left out, no two empty lines stand
 * together, and the subject begins with a capital.
 * @example fillLetter({ subject: 'Pump {tag}', body: 'Dear {contact},\nby {carrier}.\n{shop}' }, { tag: 'P-1', contact: 'Fern', carrier: '', shop: 'Us' }) // { subject: 'Pump P-1', body: 'Dear Fern,\nUs' }
 */
export function fillLetter(words: LetterWords, values: Readonly<Record<string, string>>): LetterWords {
  const subject = fillText(words.subject, values).replaceAll('\n', ' ');
  return { subject: subject.charAt(0).toUpperCase() + subject.slice(1), body: fillText(words.body, values) };
}

export type OwnLetters = Readonly<Partial<Record<LetterKind, LetterWords>>>;

/** The words of a letter: the shop's own, or the usual ones. */
export const lettersWords = (kind: LetterKind, own: OwnLetters, words: Words = english): LetterWords =>
  own[kind] ?? usualLetter(kind, words);

/** The words that a letter has in a language where a shop has none of its own. */
export const usualLetter = (kind: LetterKind, { text }: Words): LetterWords => ({
  subject: text(`letter.${kind}.subject`),
  body: text(`letter.${kind}.body`),
});

export interface LetterFault {
  readonly at: keyof LetterWords;
  readonly message: string;
}

/** What is wrong with the shop's own words of a letter: a field that there is not, or one that it cannot be without. */
export function letterFaults(kind: LetterKind, words: LetterWords): readonly LetterFault[] {
  const { fields, must } = letterTable[kind];
  const unknown = (at: keyof LetterWords) =>
    [...new Set(fieldsIn(words[at]))]
      .filter((name) => !(name in fields))
      .map((name) => ({ at, message: `there is no field {${name}} in this letter` }));
  const missing = must
    .filter((name) => !fieldsIn(words.body).includes(name))
    .map((name) => ({ at: 'body' as const, message: `{${name}} must stand in it: ${fields[name] ?? ''}` }));
  const empty = (['subject', 'body'] as const)
    .filter((at) => !words[at].trim())
    .map((at) => ({ at, message: 'must not be empty' }));
  return [...empty, ...unknown('subject'), ...unknown('body'), ...missing];
}
