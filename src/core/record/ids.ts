import type { $brand } from 'zod';

type Branded<Name extends string> = string & $brand<Name>;

/** The tag that hangs from a pump, such as P-0417. */
export type Tag = Branded<'Tag'>;
export type JobId = Branded<'JobId'>;
export type PersonId = Branded<'PersonId'>;
export type PhotoId = Branded<'PhotoId'>;
export type FindingId = Branded<'FindingId'>;
export type QuoteId = Branded<'QuoteId'>;
export type QuoteLineId = Branded<'QuoteLineId'>;
export type OrderId = Branded<'OrderId'>;
export type OrderLineId = Branded<'OrderLineId'>;
export type ReportId = Branded<'ReportId'>;
/** A place of measurement: plane and angle joined by a colon, such as A:90. */
export type Place = Branded<'Place'>;

/** Every id that the application makes; a function that makes one is told which it shall be. */
export type MadeId = JobId | PersonId | PhotoId | FindingId | QuoteId | QuoteLineId | OrderId | OrderLineId | ReportId;

/**
 * Says that a text is an id or tag of this kind. For where one comes in: parsing, reading a row, a test.
 * @example asId('P-0417') // 'P-0417'
 */
export function asId<Id extends MadeId | Tag | Place>(text: string): Id {
  return text as Id;
}

/**
 * By which two serial numbers are compared: letters and digits alone, in capitals; spaces, hyphens, dots and strokes do
 * not count. Accents do: they tell letters apart.
 * @example serialKey('qb-22 871/a') // 'QB22871A'
 */
export function serialKey(serial: string): string {
  return serial
    .normalize('NFC')
    .replace(/[^\p{L}\p{N}]/gu, '')
    .toUpperCase();
}
