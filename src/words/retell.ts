import { recordedInEnglish, type Catalogue, type WordKey } from './catalogue';

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

type Say = (key: WordKey, values: Readonly<Record<string, string>>) => string;

/**
 * Tells in another language what was written in English by families, by rules, or by hand: word for word where it is
 * known, else by the template that it was made of, else piece by piece. What a person wrote stays as it was written.
 */
export function retellerOf({ language, phrases }: Catalogue, say: Say): (english: string) => string {
  if (language === 'en') return (english) => english;
  const told = new Map<string, string | null>();
  const named = Object.entries(phrases)
    .filter(([english]) => english.includes('{'))
    .map(([english, own]) => ({ own, ...templateOf(english) }));

  const small = new Map(Object.entries(phrases).map(([english, own]) => [english.toLowerCase(), own]));
  const wordForWord = (text: string): string | null => {
    const exact = phrases[text] ?? phrases[`${text}.`]?.replace(/\.$/, '');
    if (exact !== undefined) return exact;
    const own = small.get(text.toLowerCase());
    return own === undefined ? null : startsLarge(text) ? raised(own) : own;
  };
  const inFigures = (text: string): string | null => {
    if (!figure.test(text)) return null;
    const [number = '', ...unit] = text.split(' ');
    return [number.replace('.', ','), ...unit.map((one) => phrases[one] ?? one)].join(' ');
  };
  const valuesOf = ({ pattern, fields }: Template, text: string): Readonly<Record<string, string>> | null => {
    const match = pattern.exec(text);
    // A field ends with its sentence; only what a person gave as a reason goes on.
    if (!match || fields.some((name, i) => name !== 'why' && sentenceEnd.test(match[i + 1] ?? ''))) return null;
    return Object.fromEntries(fields.map((name, i) => [name, tell(match[i + 1] ?? '') ?? match[i + 1] ?? '']));
  };
  const byTemplate = (text: string): string | null => {
    for (const { own, ...template } of named) {
      const values = valuesOf(template, text);
      if (values) return own.replaceAll(field, (_whole, name: string) => values[name] ?? '');
    }
    for (const { key, ...template } of recordedTemplates) {
      const values = valuesOf(template, text);
      if (!values || (key.startsWith('limit.') && !isOfFigures(template, text))) continue;
      // What was asked of a method is told piece by piece.
      if (key.startsWith('cleaning.') && text.includes(';')) continue;
      return say(key, values);
    }
    return null;
  };
  /** “from 4.2 to 5 mm” is a limit; “heated to a fixed temperature” is none. */
  const isOfFigures = ({ pattern }: Template, text: string) =>
    (pattern.exec(text) ?? []).slice(1).every((value) => figure.test(value));
  /** A cell of a record: its title, and a figure or a word. */
  const byTwo = (text: string): string | null => {
    const words = text.split(' ');
    for (let i = words.length - 1; i > 0; i--) {
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
      if (i > 0 && own.includes(null)) continue;
      if (own.every((one) => one === null)) continue;
      return own.map((one, k) => one ?? pieces[k]).join(joints[i]);
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
