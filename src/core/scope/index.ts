export { costingFindings, findingsThatStay } from './costing-findings';
export { proposeScope, stepsNeeding, type Proposing } from './propose-scope';
export type { ScopeItem, ScopePolicy, ScopeWork } from './scope-item';
export { leakagePoints } from './levels';
export { scopeOf, type ScopeOfJob, type StandingItem } from './scope-of';
