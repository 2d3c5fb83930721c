export { judgePoint, judgePoints, type PointState, type Strip } from './judge-points';
export { plainSentence } from './plain-sentence';
export { wearUsedPct } from './wear-used';
