import { present } from '../present';
import { readFamilyFile, type FileRead } from './read-file';
import type { Family } from './schema';

/** What a shop may change of a family without writing a file: times, prices, limits and words. */
export const changeable: readonly RegExp[] = [
  /^labour\.\d+\.minutes$/,
  /^parts\.\d+\.price_minor$/,
  /^parts\.\d+\.lead_days$/,
  /^kits\.\d+\.price_minor$/,
  /^points\.\d+\.(new_mm|reuse_mm)\.(min|max)$/,
  /^(teardown|rebuild)\.\d+\.(do|reason|mistake)$/,
  /^rebuild\.\d+\.torque\.window_nm\.(min|max)$/,
];

export interface Change {
  readonly path: string;
  readonly value: string | number;
}

function put(target: Record<string, unknown>, path: string, value: unknown): void {
  const keys = path.split('.');
  const last = present(keys.pop());
  const at = keys.reduce<Record<string, unknown> | undefined>(
    (node, key) => node?.[key] as Record<string, unknown> | undefined,
    target,
  );
  if (!at || at[last] === undefined) throw new RangeError(`${path} is not in this family`);
  at[last] = value;
}

/**
 * A shop's own variant of a family: a copy with the changes put in, an id of its own and the family it was made from. The
 * copy goes through the same checks as a file. Throws RangeError for a path that may not be changed or is not there.
 */
export function makeOwnVariant(
  family: Family,
  { id, title, changes }: { readonly id: string; readonly title: string; readonly changes: readonly Change[] },
): FileRead {
  const copy = JSON.parse(JSON.stringify(family)) as Record<string, unknown>;
  for (const { path, value } of changes) {
    if (!changeable.some((pattern) => pattern.test(path)))
      throw new RangeError(`${path} cannot be changed here; export the file and change it there`);
    put(copy, path, value);
  }
  return readFamilyFile(
    JSON.stringify(
      { ...copy, id, title, version: '1.0.0', made_from: family.made_from ?? `${family.id} ${family.version}` },
      null,
      2,
    ),
  );
}
