export { againstFor } from './against';
export { benchVerdicts, stillStands } from './finding';
export { judgeAnswer, markAnswers, turnGrades, type Against, type Judged } from './judge-answer';
export { isPlausible, plausibleBand } from './plausible';
export { readValue, type ValueRead } from './read-value';
export {
  findAction,
  lastAnswer,
  latestAnswer,
  nextAction,
  stepsOf,
  workersOf,
  workOf,
  type ActionWork,
  type StepWork,
} from './work';
