import { stringify } from 'csv-stringify/sync';

/**
 * Rows as CSV that no spreadsheet reads as formulas: what begins like one gets an apostrophe in front, which
 * `withoutApostrophe` takes away when a file comes back.
 */
export function writeCsv(rows: readonly (readonly unknown[] | object)[], columns: readonly string[] | object): string {
  const cast = { boolean: (value: boolean) => (value ? 'yes' : 'no') };
  return stringify([...rows], { header: true, columns: columns as string[], escape_formulas: true, cast });
}

/** A cell as it was before it was written so that it is no formula. */
export const withoutApostrophe = (cell: string): string => (/^'[=+\-@\t\r]/.test(cell) ? cell.slice(1) : cell);
