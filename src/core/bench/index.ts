export { beyondWindow } from './beyond-window';
export { againstFor } from './against';
export { benchVerdicts, stillStands } from './finding';
export { judgeAnswer, kitByPlate, markAnswers, turnGrades, type Against, type Judged } from './judge-answer';
export { isPlausible, plausibleBand, plausibleReading } from './plausible';
export { readReading, type ReadingRead } from './read-reading';
export { readValue, type ValueRead } from './read-value';
export { findingAt, openedFrom, roundBefore, roundOfPoint, roundOfStep, standingReadings } from './rounds';
export { rowName, type TypedRow } from './record-rows';
export { sayTool, toolFault, toolKindOf, toolToOffer, type ToolUse } from './tools';
export {
  findAction,
  lastAnswer,
  latestAnswer,
  nextAction,
  stepsOf,
  workAt,
  workersOf,
  workOf,
  type ActionWork,
  closedSteps,
  type StepWork,
} from './work';
