export { asBuiltJsonSchema, asBuiltSchema, type AsBuilt } from './as-built';
export { buildAsBuilt, nextRevision } from './build-as-built';
