export * from './archive';
export * from './audits';
export * from './back-tests';
export * from './backups';
export * from './bench';
export { isAnswering, openDatabase, readAtOnce, type Connection, type Database, type OpenedDatabase } from './client';
export * from './commerce';
export { addEntry, findEntry, forgetEntries } from './entries';
export {
  addLot,
  changeLot,
  findLot,
  findTagById,
  loadJobRecord,
  loadStoredRecord,
  loadUnits,
  loadVisitsOfPump,
} from './job-records';
export { keepRecord } from './kept-records';
export * from './jobs';
export { UnfitDatabase } from './fitness';
export { findLease, giveLeaseBack, renewLease, takeLease, type Lease } from './leases';
export { Loader, sharedTables, Snapshot, type DumpedTable, type DumpedValue } from './dump';
export {
  lastMigration,
  migrateDatabase,
  migrateTo,
  migrationsUpTo,
  ownHolder,
  requireEmpty,
  withSetUp,
} from './migrate';
export { listEvents, listEventsAfter, listEventsOf, listHeads, packClosed, type HeadAt } from './chapters';
export { multiplyJobs } from './multiply-jobs';
export {
  addOutbox,
  claimOutbox,
  countDueOutbox,
  finishOutbox,
  listDueOutbox,
  listStuckOutbox,
  postponeOutbox,
} from './outbox';
export * from './people';
export * from './notices';
export * from './passkeys';
export * from './second-factors';
export * from './staff';
export * from './trends';
export { putClosedOnLists } from './word-lists';
export { beginTry, forgetOldTries, forgetTries, takeTryBack, type TryBegun } from './tries';
export * from './calibrations';
export * from './customers';
export * from './feeds';
export * from './planning';
export * from './week';
export * from './worked';
export * from './purchasing';
export { writeAlone, writeTogether, type Along } from './written-together';
export * from './supply';
export {
  listUnopened,
  persist,
  persistOpening,
  persistTakenIn,
  persistTakenOver,
  type Beside,
  type OutboxRow,
} from './persist';
export { howLost } from './nodes';
export { isDeadlock, isDuplicate, translateError } from './translate-error';
export { sha256 } from './sha256';
export { vouchedFor } from './asked';
