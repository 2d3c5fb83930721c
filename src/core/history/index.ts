export { sparesHeld, type OnShelf, type Spare } from './spares';
export { partLives, type PartLife, type PartSpan, type VisitRenewals } from './part-lives';
export { wearOf, type VisitMeasure, type Wear, type WearForecast, type WearStep } from './wear';
export { pumpHistory, type PointHistory, type PumpHistory, type Visit, type VisitTold } from './pump-history';
