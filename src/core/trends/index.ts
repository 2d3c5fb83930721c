export { heldBy, type HeldBy, type HeldStay } from './held';
export { trendsOf, type Failing, type TrendFigures, type TrendJob, type TrendMonth, type Trends } from './trends';
