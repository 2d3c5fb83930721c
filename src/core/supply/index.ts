export { approvedLines, countingApprovals, hasQuoteAnswer } from './approved';
export { claimLetter, hasWrongPieces, missingWords } from './claims';
export {
  choicesOf,
  compareUnits,
  conditionOf,
  donorMatchOf,
  groupsOf,
  type Choice,
  type PartCompared,
  type PartCondition,
  type UnitCompared,
} from './compare-units';
export { partsOffered, type PartOffered } from './donor';
export { partCode, readLabel, trayCode, type Label } from './labels';
export { awaited, isFromSupplier, missingOf, needsOf, needsOfLines, toArrange, toOrder, type Need } from './needs';
export { isSameVariant, judgeNumber, numberKey, type NumberJudged } from './numbers';
export {
  judgeSketch,
  limitsOfDimension,
  readTolerance,
  sketchFaults,
  sketchTable,
  type SketchDimension,
  type SketchFault,
  type SketchVerdict,
} from './sketch';
export { drawSketch, type SketchDrawing } from './sketch-drawing';
export { madeOf, notBackFrom, proposedSource, sourceOf } from './sources';
export { partsOfStep, stepsBlockedBy, stepsNeeding } from './steps';
export { isTwin, readsLabels, twinsOf, unreadOf } from './trays';
