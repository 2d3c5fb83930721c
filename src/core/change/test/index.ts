export { decideRun, runTest, type RunFacts } from './runs';
