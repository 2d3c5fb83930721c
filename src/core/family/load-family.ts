import { expandBlocks, shippedBlocks, type Block } from './blocks';
import { builtFamilySchema, familyFileSchema, type Family, type FamilyFile } from './format';
import { bringUpToDate } from './formats';

/** The file that a family in today's format is. */
export function asFile(written: Family): FamilyFile {
  const { id, version, title, short, principle, drive, sealing, duty } = written;
  const { nameplate_words, elastomers, axes, sizes, sets, made_from } = written;
  return {
    ...{ id, version, title, short, principle, drive, sealing, duty },
    ...{ nameplate_words, elastomers, axes, sizes, sets, made_from, written },
  };
}

/**
 * Reads a family file from parsed JSON, of this format or an older one, with the blocks that it uses laid in.
 * @throws ZodError with each fault's path, BlockError for a block that is used as it cannot be
 */
export function loadFamily(json: unknown, blocks: ReadonlyMap<string, Block> = shippedBlocks): FamilyFile {
  return asFile(familyFileSchema.parse(expandBlocks(bringUpToDate(json), blocks).json));
}

/** Reads a family that was stored as one pump is built. Throws ZodError with each fault's path. */
export function loadBuilt(json: unknown): Family {
  return builtFamilySchema.parse(bringUpToDate(json));
}
