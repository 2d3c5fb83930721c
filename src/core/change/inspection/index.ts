export { dispose } from './dispose';
export { judgePoint } from './judge-point';
export { lookAtParts } from './look-at-parts';
export { recordFinding } from './record-finding';
export { concedeReadings, recordReadings } from './record-readings';
