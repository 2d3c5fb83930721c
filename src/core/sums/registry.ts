import { acceptance } from './acceptance';
import { bearingHeat } from './bearing-heat';
import { boltTorque } from './bolt-torque';
import { duty } from './duty';
import { endFloat } from './end-float';
import { fit } from './fit';
import { readings } from './readings';
import { runOut } from './run-out';
import { runningClearance } from './running-clearance';
import type { Sum } from './sum';

/** Every bench sum, in the order in which the Sums list shows them. */
export const sums = [fit, readings, runningClearance, runOut, endFloat, bearingHeat, boltTorque, duty, acceptance] as unknown as readonly Sum[];

export function findSum(id: string): Sum | undefined {
  return sums.find((sum) => sum.id === id);
}
