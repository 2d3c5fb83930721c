export { acceptance } from './acceptance';
export { reckonAcceptance, type AcceptanceInput, type AcceptanceResult } from './reckon-acceptance';
export { bearingHeat } from './bearing-heat';
export { boltTorque } from './bolt-torque';
export { boltPattern } from './tightening';
export { pdSlip } from './pd-slip';
export { reckonPdSlip } from './reckon-pd-slip';
export { duty } from './duty';
export { reckonDuty } from './reckon-duty';
export { endFloat } from './end-float';
export { fit } from './fit';
export { classLimits } from './iso-286-limits';
export { evaluate, fitPolynomial } from './polynomial';
export { kitCover } from './kit-cover';
export { orderPlan } from './order-plan';
export type { OrderPlanInput, OrderPlanResult } from './reckon-order-plan';
export { readings } from './readings';
export { describeOpenApi } from './open-api';
export { findSum, sums } from './registry';
export { runOut } from './run-out';
export { quantileBetween } from './quantile';
export { turnaround } from './turnaround';
export { runningClearance } from './running-clearance';
export type { Program, ProgramRow, Solution, Solver } from './solver';
export { shimStack } from './shim-stack';
export { show, SumRefusal, type Outcome, type Warning, type WorkingStep } from './notebook';
export {
  bearingBoreLowerUm,
  bearingHeatLimitsC,
  reckonBearingHeat,
  type BearingHeatInput,
} from './reckon-bearing-heat';
export { isTabledBolt, reckonBoltTorque } from './reckon-bolt-torque';
export { reckonRepairOrReplace, recoveryFactor } from './reckon-repair-or-replace';
export { reckonReadings, verdictWords, type ReadingsResult } from './reckon-readings';
export { reckonRunningClearance, type RunningClearanceResult } from './reckon-running-clearance';
export { loadSum } from './load-sum';
export type { FindSum, Sum } from './sum';
