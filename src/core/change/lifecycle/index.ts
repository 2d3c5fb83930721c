export { advanceJob, holdJob, resumeJob } from './moves';
export { movePromise, type PromiseFacts } from './move-promise';
