export { costingFindings, findingsThatStay } from './costing-findings';
export { proposeScope, type Proposing } from './propose-scope';
export { partOfKey, type ScopeItem, type ScopePolicy, type ScopeWork } from './scope-item';
export { leakagePoints } from './levels';
export { scopeOf, type StandingItem } from './scope-of';
