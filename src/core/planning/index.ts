export { readyRange, type ReadyRange, type Remaining } from './ready-range';
export { addDays, addWorkMinutes } from './work-calendar';
export { latestArrival, readyIfArriving } from './latest-arrival';
