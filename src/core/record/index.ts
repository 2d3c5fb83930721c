export * from './enumerations';
export * from './ids';
export * from './job-record';
export { optionNames } from './option-names';
export * from './sheets';
export * from './supply-enumerations';
export type { Signed } from './signed';
export type { Tool } from './tool';
export { headOf } from './head-of';
export { sayLotTerms, sharedWords } from './say-lot-terms';
export { piecesOfName, spellingTwins } from './spelling-twins';
export {
  emptyTables,
  orderedRows,
  putRow,
  recordAfter,
  recordOf,
  rowKinds,
  tablesOf,
  type JobRows,
  type RowKind,
  type RowOf,
  type RowTables,
} from './rows';
