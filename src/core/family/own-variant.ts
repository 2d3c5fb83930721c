import { applyOverlay, overlayFormat, OverlayError, type Overlay } from './overlay';
import { readFamilyFile, type FileRead } from './read-file';
import type { FamilyFile } from './format';

const id = '[a-z0-9-]+';
/**
 * What a shop may change of a family without writing a file: times, prices, limits and words; each addressed by ids.
 */
export const changeable: readonly RegExp[] = [
  new RegExp(`^labour/${id}/minutes$`),
  new RegExp(`^parts/${id}/price_minor$`),
  new RegExp(`^parts/${id}/lead_days$`),
  new RegExp(`^kits/${id}/price_minor$`),
  new RegExp(`^points/${id}/(new_mm|reuse_mm)/(min|max)$`),
  new RegExp(`^(teardown|rebuild)/${id}/(reason|mistake)$`),
  new RegExp(`^(teardown|rebuild)/${id}/actions/${id}/(do|reason|mistake)$`),
  new RegExp(`^rebuild/${id}/actions/${id}/answer/window_nm/(min|max)$`),
];

export interface Change {
  /** Ids of the elements joined by `/`, such as points/sleeve-diameter/reuse_mm/min. */
  readonly path: string;
  readonly value: string | number;
}

/**
 * A shop's own variant of a family, as an overlay with the changes. Throws RangeError for a path that may not be
 * changed
 * here.
 */
export function makeOwnVariant(
  family: FamilyFile,
  given: { readonly id: string; readonly title: string; readonly changes: readonly Change[] },
): Overlay {
  const odd = given.changes.find(({ path }) => !changeable.some((pattern) => pattern.test(path)));
  if (odd) throw new RangeError(`${odd.path} cannot be changed here; export the file and change it there`);
  return {
    format: overlayFormat,
    id: given.id,
    version: '1.0.0',
    title: given.title,
    extends: { family: family.id, version: family.version },
    set: Object.fromEntries(given.changes.map(({ path, value }) => [path, value])),
    add: [],
    leave_out: [],
  };
}

/**
 * The family that an overlay makes, through the same checks as a file; a fault of the overlay itself is said by its
 * path. Never throws.
 */
export function readOverlay(overlay: Overlay, base: FamilyFile): FileRead {
  try {
    return readFamilyFile(JSON.stringify(applyOverlay(overlay, base), null, 2));
  } catch (error) {
    if (!(error instanceof OverlayError)) throw error;
    return { family: null, faults: error.faults.map((fault) => ({ ...fault, line: 1 })) };
  }
}
