export { matterTable, schoolOfMatter, type School } from './matters';
export { policiesInForce, sayPolicy, schoolOf, type PolicyInForce } from './in-force';
export { underPolicies } from './under-policies';
export { usualAction } from './usual-action';
