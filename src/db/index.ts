export * from './bench';
export { isAnswering, openDatabase, type Connection, type Database, type OpenedDatabase } from './client';
export * from './commerce';
export { findTagById, intakeBodySchema, loadJobRecord } from './job-records';
export * from './jobs';
export { migrateDatabase } from './migrate';
export { multiplyJobs } from './multiply-jobs';
export * from './people';
export { isDeadlock, isDuplicate, translateError } from './translate-error';
