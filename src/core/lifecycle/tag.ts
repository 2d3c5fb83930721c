/** Tag of a job from its number. @example writeTag(417) // 'P-0417' */
export function writeTag(number: number): string {
  return `P-${String(number).padStart(4, '0')}`;
}

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
