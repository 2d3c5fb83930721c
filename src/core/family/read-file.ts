import { findNodeAtLocation, parseTree, printParseErrorCode, type Node, type ParseError } from 'jsonc-parser';
import { BlockError, expandBlocks, shippedBlocks, type Block, type Expanded } from './blocks';
import { checkClosure } from './closure';
import { bringUpToDate, isKnownFormat } from './formats';
import { familyFileSchema, type FamilyFile } from './format';
import { asFile } from './load-family';

/** One fault of a family file: where, on which line (from 1), and what is wrong. */
export interface FileFault {
  readonly path: string;
  readonly line: number;
  readonly message: string;
}

export type FileRead =
  | { readonly family: FamilyFile; readonly faults: readonly [] }
  | { readonly family: null; readonly faults: readonly FileFault[] };

const lineAt = (text: string, offset: number) => text.slice(0, offset).split('\n').length;

/** The place of a path, or of the nearest thing above it that the file holds. */
function lineOf(text: string, root: Node | undefined, path: readonly (string | number)[]): number {
  for (let length = path.length; length >= 0 && root; length--) {
    const node = findNodeAtLocation(root, path.slice(0, length));
    if (node) return lineAt(text, node.offset);
  }
  return 1;
}

function notJson(text: string, { error, offset }: ParseError): FileFault {
  const words = printParseErrorCode(error)
    .replace(/([a-z])([A-Z])/g, '$1 $2')
    .toLowerCase();
  return { path: '', line: lineAt(text, offset), message: `this is not JSON: ${words}` };
}

const isKey = (key: PropertyKey): key is string | number => typeof key !== 'symbol';
/** The keys of a path as JSON has them; the closure check writes its own with dots. */
const keysOf = (path: string) => path.split('.').map((key) => (/^\d+$/.test(key) ? Number(key) : key));

type Places = Expanded['placeOf'];
type Blocks = ReadonlyMap<string, Block>;

/** A fault at its place in the text; one within what a block gave says where within. */
function placedFault(text: string, root: Node | undefined, placeOf: Places) {
  return (path: readonly (string | number)[], message: string): FileFault => {
    const place = placeOf(path);
    const within = path.slice(place.length).join('.');
    return {
      path: place.join('.'),
      line: lineOf(text, root, place),
      message: within ? `${within}: ${message}` : message,
    };
  };
}

function expanded(text: string, root: Node | undefined, blocks: Blocks): Expanded | readonly FileFault[] {
  const json: unknown = JSON.parse(text);
  try {
    return expandBlocks(isKnownFormat(json) ? bringUpToDate(json) : json, blocks);
  } catch (error) {
    if (!(error instanceof BlockError)) throw error;
    const place = placedFault(text, root, (path) => path);
    return error.faults.map(({ path, message }) => place(path, message));
  }
}

const faulty = (faults: readonly FileFault[], most = 100): FileRead => ({
  family: null,
  faults: faults.slice(0, most),
});

/**
 * Reads a family file as a person wrote it: JSON, then the blocks that it uses, then the schema, then the closure check;
 * the first of the four that fails says every fault with its path and line. Never throws.
 * Source of the format: docs/formats/family-2.schema.json.
 */
export function readFamilyFile(text: string, blocks: Blocks = shippedBlocks): FileRead {
  const errors: ParseError[] = [];
  const root = parseTree(text, errors, { disallowComments: true, allowTrailingComma: false });
  if (errors.length)
    return faulty(
      errors.map((error) => notJson(text, error)),
      20,
    );
  if (!root) return faulty([{ path: '', line: 1, message: 'the file is empty' }]);
  const whole = expanded(text, root, blocks);
  if (!('json' in whole)) return faulty(whole);
  const placed = placedFault(text, root, whole.placeOf);
  const read = familyFileSchema.safeParse(whole.json);
  if (!read.success) return faulty(read.error.issues.map(({ path, message }) => placed(path.filter(isKey), message)));
  const family = asFile(read.data);
  const faults = checkClosure(family);
  if (!faults.length) return { family, faults: [] };
  // Paths of the closure check are those of a built family; parts and steps are found by their own names where they
  // moved.
  return faulty(faults.map(({ path, what, rule }) => placed(keysOf(path), `${what} (${rule})`)));
}
