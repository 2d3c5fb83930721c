import * as z from 'zod';
import type { FamilyFile } from './format';
import { migrateAdded } from './migrate-format-1';

/** The format of an overlay file. */
export const overlayFormat = 'puddlestone-family-overlay/1';

const path = z.string().min(1).max(160);
const familyId = z.string().regex(/^[FS]\d{1,4}$/, 'F or S and a number');
const version = z.string().regex(/^\d{1,4}\.\d{1,4}\.\d{1,4}$/, 'a version such as 1.0.0');

/**
 * A shop's own family as what it changes of another: values set, elements added, elements left out, each addressed by
 * the ids of the elements it lies in, joined by `/` (`points/sleeve-diameter/reuse_mm/min`). It goes on with the family
 * that it extends, in that version.
 */
export const overlaySchema = z.strictObject({
  format: z.literal(overlayFormat),
  id: z.string().regex(/^S\d{1,4}$/, 'S and a number'),
  version,
  title: z.string().min(1).max(150),
  extends: z.strictObject({ family: familyId, version }),
  /** Values by path; what is set must be there already, or be a field that its element may have. */
  set: z.record(path, z.unknown()).default({}),
  /** Elements put into a list, at its end or behind another element of it. */
  add: z.array(z.strictObject({ to: path, after: z.string().optional(), element: z.unknown() })).default([]),
  /** Elements taken out, by path. */
  leave_out: z.array(path).default([]),
});
export type Overlay = z.infer<typeof overlaySchema>;

/** What of an overlay cannot be carried out: where, and why. */
export interface OverlayFault {
  readonly path: string;
  readonly message: string;
}

/** Thrown for an overlay that names what its family does not have. */
export class OverlayError extends RangeError {
  constructor(readonly faults: readonly OverlayFault[]) {
    super(faults.map((fault) => `${fault.path}: ${fault.message}`).join('; '));
    this.name = 'OverlayError';
  }
}

type Json = Record<string, unknown>;
const isObject = (value: unknown): value is Json =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
/** What an element of a list is known by: a part by its reference, all others by their id. */
const nameOf = (element: unknown): unknown => (isObject(element) ? (element.id ?? element.ref) : undefined);
const indexIn = (list: readonly unknown[], name: string) => list.findIndex((element) => nameOf(element) === name);

/** The value of a step of a path within a node; undefined where there is none. */
function stepInto(node: unknown, key: string): unknown {
  if (Array.isArray(node)) return node[indexIn(node, key)];
  return isObject(node) && Object.hasOwn(node, key) ? node[key] : undefined;
}

const walk = (root: unknown, keys: readonly string[]) => keys.reduce<unknown>(stepInto, root);

function parted(text: string): { readonly parents: readonly string[]; readonly last: string } {
  const keys = text.split('/');
  return { parents: keys.slice(0, -1), last: keys.at(-1) ?? '' };
}

const notThere = (at: string): OverlayFault => ({ path: at, message: 'is not in the family that this extends' });

function setValue(root: Json, at: string, value: unknown): OverlayFault | null {
  const { parents, last } = parted(at);
  const parent = walk(root, parents);
  if (Array.isArray(parent)) {
    const index = indexIn(parent, last);
    if (index < 0) return notThere(at);
    parent[index] = value;
    return null;
  }
  if (!isObject(parent) || last === '__proto__') return notThere(at);
  parent[last] = value;
  return null;
}

function addElement(root: Json, { to, after, element }: Overlay['add'][number]): OverlayFault | null {
  const list = walk(root, to.split('/'));
  if (!Array.isArray(list)) return { path: to, message: 'is no list of the family that this extends' };
  const name = nameOf(element);
  if (typeof name === 'string' && indexIn(list, name) >= 0)
    return { path: `${to}/${name}`, message: 'is there already; set it instead' };
  const at = after === undefined ? list.length : indexIn(list, after) + 1;
  if (at === 0) return notThere(`${to}/${String(after)}`);
  list.splice(at, 0, migrateAdded(to, element));
  return null;
}

function leaveOut(root: Json, at: string): OverlayFault | null {
  const { parents, last } = parted(at);
  const list = walk(root, parents);
  const index = Array.isArray(list) ? indexIn(list, last) : -1;
  if (!Array.isArray(list) || index < 0) return notThere(at);
  list.splice(index, 1);
  return null;
}

/** Identity and place in the shop are the overlay's own; what it was made from is said. */
const fixed: ReadonlySet<string> = new Set(['id', 'version', 'title', 'format', 'made_from']);

/**
 * The whole family that an overlay makes of the one that it extends: parsed JSON, to be read as any family file is.
 * @param base the family in the version that the overlay names
 * @throws OverlayError for every path that the base does not have
 */
export function applyOverlay(overlay: Overlay, base: FamilyFile): Json {
  const root = structuredClone(base.written) as Json;
  const faults = [
    ...overlay.leave_out.map((at) => leaveOut(root, at)),
    ...Object.entries(overlay.set).map(([at, value]) =>
      fixed.has(at) ? { path: at, message: 'is the overlay’s own field' } : setValue(root, at, value),
    ),
    ...overlay.add.map((one) => addElement(root, one)),
  ].filter((fault) => fault !== null);
  if (faults.length) throw new OverlayError(faults);
  const { id, version: own, title, extends: from } = overlay;
  return { ...root, id, version: own, title, made_from: base.made_from ?? `${from.family} ${from.version}` };
}

/** The JSON Schema of an overlay file. */
export function overlayJsonSchema(): Readonly<Record<string, unknown>> {
  return {
    $id: 'puddlestone-family-overlay-1.schema.json',
    title: 'Puddlestone pump family, a shop’s own as an overlay, format 1',
    ...z.toJSONSchema(overlaySchema, { io: 'input', unrepresentable: 'any' }),
  };
}

export const isOverlay = (json: unknown): boolean => isObject(json) && json.format === overlayFormat;
