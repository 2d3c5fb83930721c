export { dispose } from './dispose';
export { judgePoint } from './judge-point';
export { recordFinding } from './record-finding';
export { recordReadings, type Instrument } from './record-readings';
