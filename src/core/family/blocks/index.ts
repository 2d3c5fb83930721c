export { blockFormat, blockJsonSchema, blockSchema, type Block } from './block-schema';
export { BlockError, expandBlocks, type BlockFault, type Expanded } from './expand-blocks';
export { schemaWithBlocks } from './schema-with-blocks';
export { shippedBlocks } from './shipped-blocks';
