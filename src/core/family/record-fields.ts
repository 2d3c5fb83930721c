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
