import { recordedInEnglish, type Catalogue, type WordKey } from './catalogue';
import { localeOf } from './languages';

interface Template {
  readonly pattern: RegExp;
  readonly fields: readonly string[];
}

const field = /\{([\w-]+)\}/g;
const escaped = (text: string) => text.replaceAll(/[.*+?^${}()|[\]\\]/g, String.raw`\$&`);

/** What a text looks like that was made of a template, with the names of its fields in their order. */
function templateOf(text: string): Template {
  const fields = [...text.matchAll(field)].map(([, name = '']) => name);
  const pattern = text
    .split(field)
    .map((part, i) => (i % 2 ? '(.+?)' : escaped(part)))
    .join('');
  return { pattern: new RegExp(`^${pattern}$`, 's'), fields };
}

const recordedTemplates = Object.entries(recordedInEnglish).map(([key, text]) => ({
  key: key as WordKey,
  ...templateOf(text),
}));

const sentenceEnd = /[.!?]\s+\p{Lu}/u;
const figure = /^[−+-]?\d+(\.\d+)?( \S+)?$/;
const startsLarge = (text: string) => text.charAt(0) !== text.charAt(0).toLowerCase();
const raised = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

/** Between sentences first, then what separates the parts of one. */
const separators = [/(?<=[.!?])\s+(?=\p{Lu})/u, /; /, /: /, /, /];
const joints = [' ', '; ', ': ', ', '];

/** Texts whose telling is remembered at most: people type ever new ones. */
const mostTold = 5000;

/** The longest text of two words side by side, in words. */
const mostOfTwo = 12;

type Values = Readonly<Record<string, string>>;
type Say = (key: WordKey, values: Values) => string;

/**
 * What a field of a kind of sentence may hold, where that is not any text to the end of its sentence: “from 4.2 to 5 mm”
 * is a limit and “heated to a fixed temperature” is none, and what was asked of a method is told piece by piece.
 */
function fits(key: string, value: string): boolean {
  if (key.startsWith('limit.')) return figure.test(value);
  return !key.startsWith('cleaning.') || !value.includes(';');
}

/** The fields of a text that was made of a template, as they stand; null where it was not. */
function fieldsIn(text: string, { key, pattern, fields }: Template & { readonly key: string }): Values | null {
  const match = pattern.exec(text);
  const values = fields.map((name, i) => [name, match?.[i + 1] ?? ''] as const);
  // A field ends with its sentence; only what a person gave as a reason goes on.
  const isWhole = values.every(([name, value]) => (name === 'why' || !sentenceEnd.test(value)) && fits(key, value));
  return match && isWhole ? Object.fromEntries(values) : null;
}

/** What is known word for word: as it is written, with its full stop or without, large or small. */
function dictionaryOf(phrases: Catalogue['phrases']): (text: string) => string | null {
  const exact = new Map(Object.entries(phrases));
  const small = new Map(Object.entries(phrases).map(([english, own]) => [english.toLowerCase(), own]));
  return (text) => {
    const own = exact.get(text) ?? exact.get(`${text}.`)?.replace(/\.$/, '');
    if (own !== undefined) return own;
    const other = small.get(text.toLowerCase());
    return other === undefined ? null : startsLarge(text) ? raised(other) : other;
  };
}

/**
 * Tells in another language what was written in English by families, by rules, or by hand: word for word where it is
 * known, else by the template that it was made of, else piece by piece. What is not known stays as it was written.
 */
export function retellerOf({ language, phrases }: Catalogue, say: Say): (english: string) => string {
  if (language === 'en') return (english) => english;
  const told = new Map<string, string | null>();
  const wordForWord = dictionaryOf(phrases);
  const comma = (1.5).toLocaleString(localeOf[language]).charAt(1);
  const templates = [
    ...Object.entries(phrases)
      .filter(([english]) => english.includes('{'))
      .map(([english, own]) => ({
        ...{ key: '', ...templateOf(english) },
        fill: (values: Values) => own.replaceAll(field, (_whole, name: string) => values[name] ?? ''),
      })),
    ...recordedTemplates.map((one) => ({ ...one, fill: (values: Values) => say(one.key, values) })),
  ];

  const inFigures = (text: string): string | null => {
    if (!figure.test(text)) return null;
    const [number = '', ...unit] = text.split(' ');
    return [number.replace('.', comma), ...unit.map((one) => wordForWord(one) ?? one)].join(' ');
  };
  const byTemplate = (text: string): string | null => {
    for (const template of templates) {
      const values = fieldsIn(text, template);
      if (values)
        return template.fill(
          Object.fromEntries(Object.entries(values).map(([name, value]) => [name, tell(value) ?? value])),
        );
    }
    return null;
  };
  /** A cell of a record: its title, and a figure or a word. */
  const byTwo = (text: string): string | null => {
    const words = text.split(' ', mostOfTwo + 1);
    for (let i = words.length > mostOfTwo ? 0 : words.length - 1; i > 0; i--) {
      const head = wordForWord(words.slice(0, i).join(' '));
      const tail = words.slice(i).join(' ');
      const rest = head && (inFigures(tail) ?? wordForWord(tail));
      if (rest) return `${head} ${rest}`;
    }
    return null;
  };
  /** Sentence by sentence, each for itself; the parts of one only where all of them are known. */
  const byPieces = (text: string): string | null => {
    for (const [i, separator] of separators.entries()) {
      const pieces = text.split(separator);
      if (pieces.length < 2) continue;
      const own = pieces.map((piece) => tell(piece));
      const isTold = i === 0 ? own.some((one) => one !== null) : !own.includes(null);
      if (isTold) return own.map((one, k) => one ?? pieces[k]).join(joints[i]);
    }
    return null;
  };
  function tell(text: string): string | null {
    const known = told.get(text);
    if (known !== undefined) return known;
    const own = wordForWord(text) ?? inFigures(text) ?? byTemplate(text) ?? byTwo(text) ?? byPieces(text);
    if (told.size >= mostTold) told.clear();
    told.set(text, own);
    return own;
  }
  return (english) => tell(english) ?? english;
}
