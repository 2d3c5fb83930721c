export * as bench from './bench';
export { applyPuts, openingPuts, put, putAll, type Change, type Put } from './change';
export { decide, settleProposal, type Decided } from './decide';
export { type Decider, type Decision, type Given, type OutboxItem, type Proposal } from './decision';
export * as inspection from './inspection';
export * as lifecycle from './lifecycle';
export * as supply from './supply';
export * as quote from './quote';
export * as receive from './receive';
export { changesOf, recordAfterEvents, replayEvents, replayRecord, verifyJob, type Difference } from './replay';
export * as report from './report';
export * as sheets from './sheets';
export {
  folderFault,
  jobFolderJsonSchema,
  jobFolderSchema,
  recordOfFolder,
  takeIn,
  type JobFolder,
  type TakenIn,
} from './job-folder';
export { namesIn, sayEvent } from './say-event';
export * as test from './test';
export type { ToolFacts } from './use-tool';
export { hasDeed, sayDeed } from './say-kind';
