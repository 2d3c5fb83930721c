export { judgePoint, judgePoints, type PointState, type PointVerdict, type Strip } from './judge-points';
export { turnedBy, type Turned } from './turned-by';
export { plainSentence } from './plain-sentence';
export { wearUsedPct } from './wear-used';
