export { advanceJob, holdJob, resumeJob } from './moves';
