import type { FormOf } from '../family';

/** A row of a record as it was typed, each cell by its column. */
export type TypedRow = Readonly<Record<string, string>>;

/** What a row of a record is called: by its name, or by its number. */
export const rowName = ({ rows }: Pick<FormOf<'record'>, 'rows'>, index: number): string =>
  rows?.[index] ?? `row ${index + 1}`;
