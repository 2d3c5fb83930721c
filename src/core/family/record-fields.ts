import type { FormOf } from './format';

type Columns = FormOf<'record'>['columns'];
type Field = number | string | Fields;
interface Fields {
  [name: string]: Field;
}

/**
 * What one row of a record gives the sum that judges it: each column's cell at its place in the sum's input, and
 * nothing for a cell that says its column's `none`.
 * @param row read cells by column: numbers, or words where the column has choices
 */
export function fieldsOf(columns: Columns, row: Readonly<Record<string, number | string>>): Readonly<Fields> {
  const given: Fields = {};
  for (const { id, field = id, none } of columns) {
    const cell = row[id];
    if (cell === undefined || (none !== undefined && cell === none)) continue;
    const path = field.split('.');
    let at = given;
    for (const name of path.slice(0, -1)) {
      const inner = at[name];
      at = typeof inner === 'object' ? inner : (at[name] = {});
    }
    at[path.at(-1) ?? id] = cell;
  }
  return given;
}

/** Where the rows of a record do not go together: too far apart, or a figure that rises where it must fall. */
export type Uneven = { readonly column: Columns[number] } & (
  | { readonly kind: 'apart'; readonly by: number; readonly agree: number }
  | { readonly kind: 'rises'; readonly row: number; readonly value: number; readonly before: number }
);

const edge = 1e-9;

function unevenIn(column: Columns[number], figures: readonly number[]): Uneven | null {
  const { agree, falls } = column;
  const by = Number((Math.max(...figures) - Math.min(...figures)).toFixed(9));
  if (agree !== undefined && by > agree + edge) return { column, kind: 'apart', by, agree };
  const row = falls ? figures.findIndex((figure, i) => figure > (figures[i - 1] ?? Infinity) + edge) : -1;
  const [value, before] = [figures[row], figures[row - 1]];
  return value === undefined || before === undefined ? null : { column, kind: 'rises', row, value, before };
}

/** The first column whose rows do not go together; null where they do. */
export function unevenOf(columns: Columns, rows: readonly Readonly<Record<string, number | string>>[]): Uneven | null {
  for (const column of columns) {
    const figures = rows.flatMap((row) => {
      const cell = row[column.id];
      return typeof cell === 'number' ? [cell] : [];
    });
    const found = figures.length > 1 ? unevenIn(column, figures) : null;
    if (found) return found;
  }
  return null;
}
