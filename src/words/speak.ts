import { dateFormat, numberFormat } from './formats';
import { IntlMessageFormat } from 'intl-messageformat';
import { offerInEnglish, type Catalogue, type WordKey } from './catalogue';
import { localeOf, type Language } from './languages';
import { retellerOf } from './retell';

type Values = Readonly<Record<string, string | number>>;

/** A language as papers, letters and the customer's page speak it. */
export interface Words {
  readonly language: Language;
  /** A message with its fields filled in; in the ICU's message format. */
  readonly say: (key: WordKey, values?: Values) => string;
  /** A message as it stands, its fields open: a letter. */
  readonly text: (key: WordKey) => string;
  /** What families, rules and the record say in English; what is not known stays as it is. */
  readonly phrase: (english: string) => string;
  /** A name within a sentence: English writes it small. */
  readonly within: (name: string) => string;
  /** Money in minor units. */
  readonly money: (given: { readonly minor: number; readonly currency: string }) => string;
  readonly number: (value: number) => string;
  /**
   * A day as it is said, with its year where that is another than today's.
   * @param today ISO date; left out: the year goes without saying
   */
  readonly day: (isoDate: string, today?: string) => string;
  /** A moment on the clocks of a zone. */
  readonly moment: (iso: string, zone: string) => string;
}

const dayMonth = { day: 'numeric', month: 'long', timeZone: 'UTC' } as const;

/** Days, figures and money as a locale writes them. */
function figuresIn(locale: string): Pick<Words, 'money' | 'number' | 'day' | 'moment'> {
  const short = dateFormat(locale, dayMonth);
  const long = dateFormat(locale, { ...dayMonth, year: 'numeric' });
  const figures = numberFormat(locale, { maximumFractionDigits: 3, useGrouping: false });
  return {
    money: ({ minor, currency }) => numberFormat(locale, { style: 'currency', currency }).format(minor / 100),
    number: (value) => figures.format(value),
    day: (isoDate, today = isoDate) => {
      const format = isoDate.slice(0, 4) === today.slice(0, 4) ? short : long;
      return format.format(new Date(`${isoDate.slice(0, 10)}T00:00:00Z`));
    },
    moment: (iso, zone) =>
      dateFormat(locale, { dateStyle: 'medium', timeStyle: 'short', timeZone: zone }).format(new Date(iso)),
  };
}

/** Speaks a language by its catalogue; a message that the catalogue lacks is a fault of ours and throws. */
export function speak(catalogue: Catalogue): Words {
  const { language, messages } = catalogue;
  const locale = localeOf[language];
  const ready = new Map<WordKey, IntlMessageFormat>();
  const text = (key: WordKey): string => {
    const message = messages[key];
    if (message === undefined) throw new Error(`there is no message “${key}” in ${language}`);
    return message;
  };
  const say: Words['say'] = (key, values = {}) => {
    const format = ready.get(key) ?? new IntlMessageFormat(text(key), locale);
    ready.set(key, format);
    return String(format.format(values));
  };
  return {
    ...{ language, say, text, phrase: retellerOf(catalogue, say) },
    within: (name) => (language === 'en' ? name.toLowerCase() : name),
    ...figuresIn(locale),
  };
}

/** English as a browser has it. */
export const english: Words = /* @__PURE__ */ speak(offerInEnglish);
