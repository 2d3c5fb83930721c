import type { LotTerms } from './job-record';

/** What the units of a lot share, in the words of its sheet. */
export const sharedWords = {
  sharesPromise: 'one promise',
  sharesQuote: 'quoted together',
  sharesDelivery: 'delivered together',
} as const;

/**
 * The terms of a lot in a line.
 * @example sayLotTerms({ deliveryNote: 'DN-88', sharesPromise: true, sharesQuote: false, sharesDelivery: true }) // 'one promise, delivered together, note DN-88'
 * @example sayLotTerms({ deliveryNote: '', sharesPromise: false, sharesQuote: false, sharesDelivery: false }) // 'each by itself'
 */
export function sayLotTerms(terms: LotTerms): string {
  const shared = (Object.keys(sharedWords) as (keyof typeof sharedWords)[])
    .filter((term) => terms[term])
    .map((term) => sharedWords[term]);
  const words = shared.length ? shared : ['each by itself'];
  return [...words, ...(terms.deliveryNote ? [`note ${terms.deliveryNote}`] : [])].join(', ');
}
