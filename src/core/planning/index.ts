export { readyRange, type ReadyRange, type Remaining } from './ready-range';
export { addWorkMinutes } from './work-calendar';
