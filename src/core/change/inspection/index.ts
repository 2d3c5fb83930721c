export { dispose } from './dispose';
export { judgePoint } from './judge-point';
export { recordFinding } from './record-finding';
export { concedeReadings, recordReadings } from './record-readings';
