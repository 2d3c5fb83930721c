/** Tag of a job from its number. @example writeTag(417) // 'P-0417' */
export function writeTag(number: number): string {
  return `P-${String(number).padStart(4, '0')}`;
}

const padded = (number: number, digits: number) => String(number).padStart(digits, '0');
/** Number of a lot. @example writeLot(12) // 'L-0012' */
export const writeLot = (number: number) => `L-${padded(number, 4)}`;
/** Number of an order. @example writeOrderNumber(213) // 'PO-00213' */
export const writeOrderNumber = (number: number) => `PO-${padded(number, 5)}`;
/** Number of a report of a year. @example writeReportNumber(96, 2026) // 'R-2026-0096' */
export const writeReportNumber = (number: number, year: number) => `R-${year}-${padded(number, 4)}`;

/**
 * The tag that a person typed or a scanner read: `P-0417`, `p417`, `0417`; null when it is none.
 * @example parseTag('p417') // 'P-0417'
 */
export function parseTag(text: string): string | null {
  const found = /^p?[-\s]?0*(\d{1,7})$/i.exec(text.trim());
  return found ? writeTag(Number(found[1])) : null;
}

/** A pump as it is named: maker, model, and the size where the model does not say it. */
export function jobDetails(pump: { readonly maker: string; readonly model: string; readonly size: string }): string {
  return [pump.maker, pump.model, pump.model.includes(pump.size) ? '' : pump.size].filter(Boolean).join(' ');
}
