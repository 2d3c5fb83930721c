export { trendsOf, type Failing, type TrendFigures, type TrendJob, type TrendMonth, type Trends } from './trends';
