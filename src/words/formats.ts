const dates = new Map<string, Intl.DateTimeFormat>();
const numbers = new Map<string, Intl.NumberFormat>();

/** Makes a format once for each language and its options: making one costs as much as two hundred uses of it. */
function once<Format, Options>(known: Map<string, Format>, make: (locale: string, options: Options) => Format) {
  return (locale: string, options: Options): Format => {
    const key = JSON.stringify([locale, options]);
    const before = known.get(key);
    if (before) return before;
    const format = make(locale, options);
    known.set(key, format);
    return format;
  };
}

/**
 * How a language writes a moment. Throws RangeError for a zone that there is not.
 */
export const dateFormat = once(
  dates,
  (locale, options: Intl.DateTimeFormatOptions) => new Intl.DateTimeFormat(locale, options),
);

/**
 * How a language writes a number. Throws RangeError for a currency that is none.
 */
export const numberFormat = once(
  numbers,
  (locale, options: Intl.NumberFormatOptions) => new Intl.NumberFormat(locale, options),
);
