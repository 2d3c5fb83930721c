import * as z from 'zod';
import { placementSchema, useSchema, type Block, type BlockUse, type Placement } from './block-schema';
import { fill, FillError, parametersOf } from './fill-block';

type Json = Readonly<Record<string, unknown>>;
type Path = readonly (string | number)[];
type When = Readonly<Record<string, string | readonly string[]>>;

/** What of a use of a block cannot be carried out: where, and why. */
export interface BlockFault {
  readonly path: Path;
  readonly message: string;
}

/** Thrown for a file that uses a block as it cannot be used. */
export class BlockError extends RangeError {
  constructor(readonly faults: readonly BlockFault[]) {
    super(faults.map(({ path, message }) => `${path.join('.')}: ${message}`).join('; '));
    this.name = 'BlockError';
  }
}

/** A family's JSON with its blocks laid in, and where each of its places stood before. */
export interface Expanded {
  readonly json: unknown;
  /** The place in the file as it was written; for what a block gave, where the block was placed. */
  readonly placeOf: (path: Path) => Path;
}

const isObject = (value: unknown): value is Json =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const listed = (choices: string | readonly string[]) => (typeof choices === 'string' ? [choices] : choices);

/** Both conditions at once: of an axis that both name, the choices that both have. */
function bothOf(one: When = {}, other: When = {}): When {
  const shared = Object.entries(other).map(([axis, choices]): readonly [string, string | readonly string[]] => {
    const own = one[axis];
    return [axis, own === undefined ? choices : listed(own).filter((choice) => listed(choices).includes(choice))];
  });
  return { ...one, ...Object.fromEntries(shared) };
}

function withConditions(
  element: unknown,
  { when, per }: { readonly when: When; readonly per: string | undefined },
): unknown {
  if (!isObject(element)) return element;
  const both = bothOf(element.when as When | undefined, when);
  return {
    ...(per !== undefined && { per }),
    ...element,
    ...(Object.keys(both).length > 0 && { when: both }),
  };
}

/** What stands under a name that a person wrote; what every object inherits is not meant. */
const ownOf = <Value>(record: Readonly<Record<string, Value>>, name: string): Value | undefined =>
  Object.hasOwn(record, name) ? record[name] : undefined;

const nameOf = (element: unknown) => (isObject(element) ? (element.id ?? element.ref) : undefined);

class Expansion {
  readonly faults: BlockFault[] = [];
  /** Of each list with a placement, the place of each of its elements in the list as written. */
  readonly moved = new Map<string, readonly { readonly index: number; readonly placed: boolean }[]>();

  constructor(
    private readonly uses: Readonly<Record<string, BlockUse>>,
    private readonly blocks: ReadonlyMap<string, Block>,
  ) {}

  private fault(path: Path, message: string): readonly unknown[] {
    this.faults.push({ path, message });
    return [];
  }

  private take(placement: Placement, path: Path): readonly unknown[] {
    const use = ownOf(this.uses, placement.from);
    if (!use) return this.fault([...path, 'from'], `“${placement.from}” is not among the blocks that this file uses`);
    const block = this.blocks.get(use.block);
    if (!block) return this.fault(['uses', placement.from, 'block'], `there is no block “${use.block}”`);
    const list = ownOf(block.lists, placement.take);
    if (!list)
      return this.fault(
        [...path, 'take'],
        `the block ${block.id} has no list “${placement.take}”; it has ${Object.keys(block.lists).join(', ')}`,
      );
    try {
      const filled = fill(list, parametersOf(block, { ...use.with, ...placement.with })) as readonly unknown[];
      const unknown = placement.without.find((name) => !filled.some((element) => nameOf(element) === name));
      if (unknown !== undefined) return this.fault([...path, 'without'], `the block has no “${unknown}” here`);
      const conditions = { when: bothOf(use.when, placement.when), per: isAction(path) ? undefined : use.per };
      return filled
        .filter((element) => !placement.without.includes(String(nameOf(element))))
        .map((element) => withConditions(element, conditions));
    } catch (error) {
      if (error instanceof FillError) return this.fault(path, `the block ${block.id} ${error.message}`);
      throw error;
    }
  }

  private list(value: readonly unknown[], path: Path): readonly unknown[] {
    const placed = value.flatMap((element, index) => {
      const at = [...path, index];
      if (!isObject(element) || !('from' in element && 'take' in element))
        return [{ element: this.expand(element, at), index, placed: false }];
      const read = placementSchema.safeParse(element);
      if (read.success) return this.take(read.data, at).map((one) => ({ element: one, index, placed: true }));
      for (const issue of read.error.issues) this.fault([...at, ...keysOf(issue.path)], issue.message);
      return [];
    });
    if (placed.some((one) => one.placed) || placed.length !== value.length)
      this.moved.set(
        path.join('.'),
        placed.map(({ index, placed: laid }) => ({ index, placed: laid })),
      );
    return placed.map(({ element }) => element);
  }

  expand(value: unknown, path: Path): unknown {
    if (Array.isArray(value)) return this.list(value, path);
    if (!isObject(value)) return value;
    return Object.fromEntries(Object.entries(value).map(([key, own]) => [key, this.expand(own, [...path, key])]));
  }

  /** Lists within what a block gave have no place of their own: they stand where it was placed. */
  placeOf(path: Path): Path {
    const written: (string | number)[] = [];
    for (const [i, key] of path.entries()) {
      const moved = this.moved.get(written.join('.'))?.[Number(key)];
      written.push(moved && i > 0 ? moved.index : key);
      if (moved?.placed) return written;
    }
    return written;
  }
}

const isAction = (path: Path) => path.includes('actions');
const keysOf = (path: readonly PropertyKey[]): Path => path.filter((key) => typeof key !== 'symbol');

/**
 * A family's JSON with the blocks that it uses laid into its lists; what uses none comes back as it is.
 * @throws BlockError for every use that cannot be carried out
 */
export function expandBlocks(json: unknown, blocks: ReadonlyMap<string, Block>): Expanded {
  if (!isObject(json) || !('uses' in json)) return { json, placeOf: (path) => path };
  const { uses, ...family } = json;
  const read = z.record(z.string(), useSchema).safeParse(uses);
  if (!read.success)
    throw new BlockError(read.error.issues.map(({ path, message }) => ({ path: ['uses', ...keysOf(path)], message })));
  const expansion = new Expansion(read.data, blocks);
  const expanded = expansion.expand(family, []);
  if (expansion.faults.length) throw new BlockError(expansion.faults);
  return { json: expanded, placeOf: (path) => expansion.placeOf(path) };
}
