import { present } from '@/core/present';
import * as z from 'zod';
import type { Sum } from '@/core/sums';
import { parseQuantity, type Dimension } from '@/core/units';

/** The part of a JSON Schema that the fields are made of. */
interface Schema {
  readonly type?: string;
  readonly const?: unknown;
  readonly enum?: readonly unknown[];
  readonly properties?: Readonly<Record<string, Schema>>;
  readonly required?: readonly string[];
  readonly items?: Schema;
  readonly oneOf?: readonly Schema[];
  readonly anyOf?: readonly Schema[];
}

interface RowsField {
  readonly kind: 'rows';
  readonly path: string;
  readonly columns: readonly Column[];
  readonly isNeeded: boolean;
}

interface Column {
  readonly name: string;
  readonly isText: boolean;
  /** Rows within this cell: commas between them, spaces between their columns; text columns come first. */
  readonly rows?: readonly Column[];
}

export type SumField =
  | { readonly kind: 'number' | 'text'; readonly path: string; readonly isNeeded: boolean }
  | {
      readonly kind: 'choice';
      readonly path: string;
      readonly choices: readonly (string | number)[];
      readonly isNeeded: boolean;
    }
  | { readonly kind: 'tick'; readonly path: string; readonly isNeeded: boolean }
  /** Data in several storeys, as JSON: what lines and columns cannot hold. */
  | { readonly kind: 'data'; readonly path: string; readonly isNeeded: boolean }
  /** Numbers with spaces between. */
  | { readonly kind: 'list'; readonly path: string; readonly isNeeded: boolean }
  /** One row a line, the columns with spaces or commas between; text columns come first. */
  | RowsField;

interface UnitOfField {
  readonly shown: string;
  readonly dimension: Dimension;
  readonly assume: string;
  /** What one base unit of the dimension is in the field's unit. */
  readonly perBase: number;
}

/** Units by the end of a field's name, longest first. */
const endings: readonly (readonly [ending: string, unit: UnitOfField])[] = [
  ['_mm_s', { shown: 'mm/s', dimension: 'number', assume: '', perBase: 1 }],
  ['_m3h', { shown: 'm³/h', dimension: 'flow', assume: 'm³/h', perBase: 1 }],
  ['_kg_m3', { shown: 'kg/m³', dimension: 'number', assume: '', perBase: 1 }],
  ['_mm2_s', { shown: 'mm²/s', dimension: 'number', assume: '', perBase: 1 }],
  ['_mm2', { shown: 'mm²', dimension: 'number', assume: '', perBase: 1 }],
  ['_mm_per_m', { shown: 'mm/m', dimension: 'number', assume: '', perBase: 1 }],
  ['_mm', { shown: 'mm', dimension: 'length', assume: 'mm', perBase: 1 }],
  ['_um', { shown: 'µm', dimension: 'length', assume: 'µm', perBase: 1000 }],
  ['_kpa_abs', { shown: 'kPa absolute', dimension: 'pressure', assume: 'kPa', perBase: 1 }],
  ['_kpa', { shown: 'kPa', dimension: 'pressure', assume: 'kPa', perBase: 1 }],
  ['_nm', { shown: 'N·m', dimension: 'torque', assume: 'N·m', perBase: 1 }],
  ['_kn', { shown: 'kN', dimension: 'force', assume: 'kN', perBase: 0.001 }],
  ['_kw', { shown: 'kW', dimension: 'power', assume: 'kW', perBase: 1 }],
  ['_rpm', { shown: '1/min', dimension: 'speed', assume: 'rpm', perBase: 1 }],
  ['_deg', { shown: '°', dimension: 'angle', assume: '°', perBase: 1 }],
  ['_c', { shown: '°C', dimension: 'temperature', assume: '°C', perBase: 1 }],
  ['_pct', { shown: '%', dimension: 'number', assume: '', perBase: 1 }],
  ['_gmm', { shown: 'g·mm', dimension: 'number', assume: '', perBase: 1 }],
  ['_kg', { shown: 'kg', dimension: 'mass', assume: 'kg', perBase: 0.001 }],
  ['_g', { shown: 'g', dimension: 'mass', assume: 'g', perBase: 1 }],
  ['_k', { shown: 'K', dimension: 'number', assume: '', perBase: 1 }],
  ['_m', { shown: 'm', dimension: 'length', assume: 'm', perBase: 0.001 }],
  ['_min', { shown: 'min', dimension: 'time', assume: 'min', perBase: 1 / 60 }],
  ['_mohm', { shown: 'MΩ', dimension: 'number', assume: '', perBase: 1 }],
  ['_ohm', { shown: 'Ω', dimension: 'number', assume: '', perBase: 1 }],
  ['_mpa', { shown: 'MPa', dimension: 'number', assume: '', perBase: 1 }],
  ['_gpa', { shown: 'GPa', dimension: 'number', assume: '', perBase: 1 }],
  ['_l', { shown: 'L', dimension: 'number', assume: '', perBase: 1 }],
  ['_cm3', { shown: 'cm³', dimension: 'number', assume: '', perBase: 1 }],
  ['_ml_min', { shown: 'mL/min', dimension: 'number', assume: '', perBase: 1 }],
].toSorted((one, other) => String(other[0]).length - String(one[0]).length) as never;
const plain: UnitOfField = { shown: '', dimension: 'number', assume: '', perBase: 1 };
const abbreviations: Readonly<Record<string, string>> = {
  e: 'modulus of elasticity',
  nu: "Poisson's ratio",
  min: 'least',
  max: 'most',
  pct: '%',
  a: 'distance a',
  b: 'distance b',
  tir: 'total indicator reading',
  id: 'name',
  qty: 'pieces',
  met: 'met',
};

/** Unit of a field by the end of its name. */
export function unitOf(path: string): UnitOfField {
  const names = path.split('.');
  for (const name of names.toReversed()) {
    const found = endings.find(([ending]) => name.endsWith(ending) && name !== ending.slice(1));
    if (found) return found[1];
  }
  return plain;
}

/** How a field is named to a person: words and unit. @example labelOf('new_mm.min') // 'New, least, mm' */
export function labelOf(path: string): string {
  const words = path.split('.').map((name) => {
    const ending = endings.find(([one]) => name.endsWith(one) && name !== one.slice(1))?.[0] ?? '';
    const bare = ending ? name.slice(0, -ending.length) : name;
    return abbreviations[bare] ?? bare.replaceAll('_', ' ');
  });
  const { shown } = unitOf(path);
  const label = [...words, shown].filter(Boolean).join(', ');
  return label.charAt(0).toUpperCase() + label.slice(1);
}

function fieldOf(path: string, schema: Schema, isNeeded: boolean): readonly SumField[] {
  const alternatives = schema.anyOf ?? schema.oneOf;
  if (alternatives?.every((one) => one.const !== undefined))
    return [{ kind: 'choice', path, choices: alternatives.map((one) => one.const as string | number), isNeeded }];
  if (alternatives) return fieldOf(path, alternatives.find((one) => one.enum) ?? present(alternatives[0]), isNeeded);
  if (schema.const !== undefined) return [{ kind: 'choice', path, choices: [schema.const as string], isNeeded }];
  if (schema.enum) return [{ kind: 'choice', path, choices: schema.enum as readonly string[], isNeeded }];
  if (schema.type === 'boolean') return [{ kind: 'tick', path, isNeeded }];
  if (schema.type === 'string') return [{ kind: 'text', path, isNeeded }];
  if (schema.type === 'object')
    return Object.entries(schema.properties ?? {}).flatMap(([name, one]) =>
      fieldOf(path ? `${path}.${name}` : name, one, isNeeded && (schema.required ?? []).includes(name)),
    );
  if (schema.type === 'array') return [arrayField(path, schema.items ?? {}, isNeeded)];
  return [{ kind: 'number', path, isNeeded }];
}

/** Whether rows hold more than figures, texts and rows of those. */
function isDeep({ properties = {} }: Schema, storey = 0): boolean {
  return Object.values(properties).some(({ type, items }) => {
    if (type === 'boolean' || type === 'object') return true;
    if (type !== 'array') return false;
    return items?.type !== 'object' || storey > 0 || isDeep(items, storey + 1);
  });
}

function arrayField(path: string, items: Schema, isNeeded: boolean): SumField {
  if (items.type === 'object' && isDeep(items)) return { kind: 'data', path, isNeeded };
  if (items.type !== 'object') return { kind: 'list', path, isNeeded };
  return { kind: 'rows', path, columns: columnsOf(items), isNeeded };
}

function columnsOf(items: Schema): readonly Column[] {
  return Object.entries(items.properties ?? {}).map(([name, one]) => ({
    name,
    isText: one.type === 'string',
    ...(one.type === 'array' && one.items?.type === 'object' && { rows: columnsOf(one.items) }),
  }));
}

/** The fields of a sum, made from its own schema; of a sum with ways, those of the way chosen. */
export function fieldsOf(sum: Sum, way = 0): readonly SumField[] {
  const schema = z.toJSONSchema(sum.input, { io: 'input', unrepresentable: 'any' }) as Schema;
  return fieldOf('', schema.oneOf?.[way] ?? schema, true);
}

/** Names of the ways of a sum that has more than one. */
export function waysOf(sum: Sum): readonly string[] {
  const schema = z.toJSONSchema(sum.input, { io: 'input', unrepresentable: 'any' }) as Schema;
  return (
    schema.oneOf?.map((one) =>
      String(Object.values(one.properties ?? {}).find((property) => property.const !== undefined)?.const ?? ''),
    ) ?? []
  );
}

export type FieldTexts = Readonly<Record<string, string>>;

function readNumber(text: string, path: string, issues: Record<string, string>): number | undefined {
  const unit = unitOf(path);
  const parsed = parseQuantity({ text, dimension: unit.dimension, assume: unit.assume });
  if (parsed.ok) return Number((parsed.quantity.value.toNumber() * unit.perBase).toPrecision(15));
  issues[path] = parsed.sentence;
  return undefined;
}

/** JSON as it was typed; where it breaks off is said. */
function readData(text: string, path: string, issues: Record<string, string>): unknown {
  try {
    return JSON.parse(text);
  } catch (error) {
    issues[path] = `This is no JSON: ${error instanceof Error ? error.message : String(error)}.`;
    return undefined;
  }
}

function readRows(field: RowsField, text: string, issues: Record<string, string>): unknown[] {
  return text
    .split('\n')
    .filter((line) => line.trim())
    .map((line, i) => {
      const cells = line.includes(';') ? line.split(';') : line.trim().split(/\s+/);
      const own: Record<string, string> = {};
      const row = readCells(field.columns, cells, field.path, own);
      if (Object.keys(own).length) issues[field.path] = `Line ${i + 1}: ${Object.values(own)[0]}`;
      return row;
    });
}

function readCells(
  columns: readonly Column[],
  cells: readonly string[],
  path: string,
  issues: Record<string, string>,
): object {
  return Object.fromEntries(
    columns.flatMap(({ name, isText, rows }, k): [string, unknown][] => {
      const cell = cells[k]?.trim() ?? '';
      if (!cell || cell === '-') return [];
      if (rows)
        return [
          [
            name,
            cell
              .split(/,\s+/)
              .map((one) =>
                readCells(
                  rows,
                  splitInner(one, rows.filter((column) => !column.isText).length),
                  `${path}.${name}`,
                  issues,
                ),
              ),
          ],
        ];
      const value = isText ? cell : readNumber(cell, `${path}.${name}`, issues);
      return value === undefined ? [] : [[name, value]];
    }),
  );
}

/** A row within a cell: its last words are the numbers, what stands before them is the text. */
function splitInner(text: string, numbers: number): readonly string[] {
  const words = text.trim().split(/\s+/);
  const head = words.slice(0, -numbers).join(' ');
  return head ? [head, ...words.slice(-numbers)] : words;
}

function writeCell({ name, rows }: Column, row: Record<string, unknown>): string {
  if (rows && Array.isArray(row[name]))
    return (row[name] as Record<string, unknown>[])
      .map((one) => rows.map((column) => writeCell(column, one)).join(' '))
      .join(', ');
  return String(row[name] ?? '-');
}

function put(target: Record<string, unknown>, path: string, value: unknown): void {
  const names = path.split('.');
  const last = present(names.pop());
  let at = target;
  for (const name of names) at = (at[name] ??= {}) as Record<string, unknown>;
  at[last] = value;
}

/** The input of a sum from what stands in its fields, in the units of the field names; issues by field. */
export function readFields(
  fields: readonly SumField[],
  texts: FieldTexts,
): { readonly input: unknown; readonly issues: Readonly<Record<string, string>> } {
  const issues: Record<string, string> = {};
  const input: Record<string, unknown> = {};
  for (const field of fields) {
    const text = texts[field.path]?.trim() ?? '';
    if (!text) continue;
    if (field.kind === 'number') put(input, field.path, readNumber(text, field.path, issues));
    else if (field.kind === 'text') put(input, field.path, text);
    else if (field.kind === 'data') put(input, field.path, readData(text, field.path, issues));
    else if (field.kind === 'tick') put(input, field.path, text === 'yes');
    else if (field.kind === 'choice') put(input, field.path, field.choices.find((one) => String(one) === text) ?? text);
    else if (field.kind === 'list')
      put(
        input,
        field.path,
        text.split(/[\s;]+/).map((one) => readNumber(one, field.path, issues)),
      );
    else if (field.kind === 'rows') put(input, field.path, readRows(field, text, issues));
  }
  return { input, issues };
}

function at(input: unknown, path: string): unknown {
  return path
    .split('.')
    .reduce<unknown>((value, name) => (value as Record<string, unknown> | undefined)?.[name], input);
}

/** Fields filled from an input, such as a worked example. */
export function writeFields(fields: readonly SumField[], input: unknown): FieldTexts {
  return Object.fromEntries(
    fields.flatMap((field) => {
      const value = at(input, field.path);
      if (value === undefined) return [];
      if (field.kind === 'tick') return [[field.path, value ? 'yes' : '']];
      if (field.kind === 'list') return [[field.path, (value as number[]).join(' ')]];
      if (field.kind === 'data') return [[field.path, JSON.stringify(value, null, 1)]];
      if (field.kind === 'rows')
        return [
          [
            field.path,
            (value as Record<string, unknown>[])
              .map((row) => field.columns.map((column) => writeCell(column, row)).join(' ; '))
              .join('\n'),
          ],
        ];
      return [[field.path, String(value)]];
    }),
  );
}
