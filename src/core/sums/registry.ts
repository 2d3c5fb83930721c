import { acceptance } from './acceptance';
import { alignment } from './alignment';
import { balance, balanceWeight } from './balance';
import { bearingHeat } from './bearing-heat';
import { boltTorque } from './bolt-torque';
import { curveCompare } from './curve-compare';
import { donorMatch } from './donor-match';
import { duty } from './duty';
import { endFloat } from './end-float';
import { fit } from './fit';
import { drip, glandLog } from './gland';
import { kitCover } from './kit-cover';
import { leakDecay } from './leak-decay';
import { elastomer, grease } from './materials';
import { quote, repairOrReplace } from './money';
import { npsh } from './npsh';
import { orderPlan } from './order-plan';
import { packing } from './packing';
import { pdSlip } from './pd-slip';
import { plan } from './plan';
import { pressForce } from './press-force';
import { promise } from './promise';
import { readings } from './readings';
import { readyDate } from './ready-date';
import { runOut } from './run-out';
import { runningClearance } from './running-clearance';
import { sealSetting } from './seal-setting';
import { shimLedger } from './shim-ledger';
import { shimStack } from './shim-stack';
import type { Sum } from './sum';
import { bearingTemperature, insulation } from './temperature';
import { endClearance, preloadArc } from './threaded-cap';
import { boltPattern, lockNut, torqueWrench } from './tightening';
import { timingShift } from './timing-shift';
import { trim } from './trim';
import { turnaround } from './turnaround';
import { vibration } from './vibration';

/** Every bench sum, in the order in which the Sums list shows them. */
export const sums: readonly Sum[] = [
  fit,
  readings,
  runningClearance,
  runOut,
  endFloat,
  endClearance,
  preloadArc,
  shimStack,
  shimLedger,
  timingShift,
  bearingHeat,
  pressForce,
  boltTorque,
  torqueWrench,
  boltPattern,
  lockNut,
  sealSetting,
  packing,
  drip,
  glandLog,
  alignment,
  duty,
  acceptance,
  curveCompare,
  trim,
  npsh,
  pdSlip,
  vibration,
  balance,
  balanceWeight,
  leakDecay,
  bearingTemperature,
  insulation,
  elastomer,
  grease,
  kitCover,
  orderPlan,
  quote,
  repairOrReplace,
  donorMatch,
  plan,
  readyDate,
  promise,
  turnaround,
];

export function findSum(id: string): Sum | undefined {
  return sums.find((sum) => sum.id === id);
}
