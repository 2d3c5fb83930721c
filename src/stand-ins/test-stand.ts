import { present } from '@/core/present';
import { chanceFrom, normal } from './chance';
import type { PumpCondition } from '@/core/record';
import type { StandAsk, StandGauges, TestStand } from './contract';

const gravity = 9.80665;
const water = 998.2; // kg/m³ at 20 °C
const waterMm2S = 1.004; // at 20 °C

interface Behaviour {
  readonly head: (share: number) => number;
  readonly efficiency: number;
}

/** How a pump in each condition departs from its rated curve; `share` is flow over rated flow. */
const behaviours: Readonly<Record<PumpCondition, Behaviour>> = {
  sound: { head: () => 1.012, efficiency: 1 },
  'internal leakage': { head: (share) => 0.93 - 0.05 * share, efficiency: 0.9 },
  'air in the suction': { head: (share) => 0.99 - 0.22 * share ** 2, efficiency: 0.86 },
};

function gaugesAt(ask: StandAsk, share: number, noise: () => number): StandGauges {
  const { rated, pipeMm, condition } = ask;
  const { head: headFactor, efficiency: efficiencyFactor } = behaviours[condition];
  const flow = rated.flowM3h * share;
  const head = rated.headM * (1.21 - 0.21 * share ** 2) * headFactor(share);
  const efficiency = (rated.efficiencyPct / 100) * efficiencyFactor * Math.max(0.05, 1 - 0.85 * (share - 1.01) ** 2);
  const hydraulic = (water * gravity * (flow / 3600) * head) / 1000;
  const shutOff = (0.42 * water * gravity * (rated.flowM3h / 3600) * rated.headM) / 1000 / (rated.efficiencyPct / 100);
  const shaft = share < 0.45 ? shutOff + (share / 0.45) * (hydraulicAt(ask, 0.45) - shutOff) : hydraulic / efficiency;
  const velocityHead = (diameter: number) =>
    (flow / 3600 / ((Math.PI / 4) * (diameter / 1000) ** 2)) ** 2 / (2 * gravity);
  const suction = -12 - 9 * share ** 2;
  const pressureHead = head - velocityHead(pipeMm.discharge) + velocityHead(pipeMm.suction);
  const speed = rated.speedRpm * (1.004 - 0.004 * share);
  const k = speed / rated.speedRpm;
  const motor = 89.5;
  return {
    flowM3h: flow * k * noise(),
    suctionKpa: suction * noise(),
    dischargeKpa: suction + (pressureHead * k ** 2 * noise() * water * gravity) / 1000,
    speedRpm: speed,
    powerInKw: ((shaft * k ** 3) / (motor / 100)) * noise(),
    motorEfficiencyPct: motor,
    densityKgM3: water,
    viscosityMm2S: waterMm2S,
    vibrationMmS: (1.4 + 0.9 * Math.abs(share - 1)) * (condition === 'sound' ? 1 : 1.8) * noise(),
    bearingC: 34 + 9 * share,
  };
}

function hydraulicAt(ask: StandAsk, share: number): number {
  const head = ask.rated.headM * (1.21 - 0.21 * share ** 2) * behaviours[ask.condition].head(share);
  const efficiency =
    (ask.rated.efficiencyPct / 100) * behaviours[ask.condition].efficiency * (1 - 0.85 * (share - 1.01) ** 2);
  return (water * gravity * ((ask.rated.flowM3h * share) / 3600) * head) / 1000 / efficiency;
}

/** How much more slips back, and how much of the flow is gas, in each condition. */
const slips: Readonly<Record<PumpCondition, { readonly slip: number; readonly flow: number }>> = {
  sound: { slip: 0.9, flow: 1 },
  'internal leakage': { slip: 4.5, flow: 1 },
  'air in the suction': { slip: 1, flow: 0.86 },
};

/** A displacement pump: what a turn moves less what slips back, which goes with the pressure. */
function gaugesAtPressure(
  { rated, pipeMm, condition }: StandAsk,
  { displacementCm3 }: NonNullable<StandAsk['slip']>,
  share: number,
  noise: () => number,
): StandGauges {
  const theoretical = (displacementCm3 * rated.speedRpm * 60) / 1e6;
  const slipAtDuty = Math.max(0.02 * theoretical, theoretical - rated.flowM3h);
  const { slip, flow: kept } = slips[condition];
  const speed = rated.speedRpm * (1.004 - 0.004 * share);
  const flow = Math.max(0, (theoretical * kept - slipAtDuty * slip * share) * (speed / rated.speedRpm)) * noise();
  const pressure = ((water * gravity * rated.headM) / 1000) * share * noise();
  const motor = 89.5;
  const velocity = (diameter: number) => (flow / 3600 / ((Math.PI / 4) * (diameter / 1000) ** 2)) ** 2 / 2;
  const suction = -10;
  const discharge = suction + pressure - ((velocity(pipeMm.discharge) - velocity(pipeMm.suction)) * water) / 1000;
  const hydraulic = (pressure * theoretical) / 3600;
  const power = hydraulic / 0.82 + 0.06 * hydraulicOf(rated);
  return {
    flowM3h: flow,
    suctionKpa: suction,
    dischargeKpa: discharge,
    speedRpm: speed,
    powerInKw: (power / (motor / 100)) * noise(),
    motorEfficiencyPct: motor,
    densityKgM3: water,
    viscosityMm2S: waterMm2S,
    vibrationMmS: (1.2 + 0.4 * share) * (condition === 'sound' ? 1 : 1.6) * noise(),
    bearingC: 36 + 8 * share,
  };
}

const hydraulicOf = (rated: StandAsk['rated']) => (water * gravity * (rated.flowM3h / 3600) * rated.headM) / 1000;

/** A stand that runs a believable pump, with the scatter of real gauges (standard deviation 0.3 %). */
export const simulatedTestStand: TestStand = {
  async run(ask) {
    const chance = chanceFrom(`${ask.seed}/${ask.condition}`);
    const noise = () => 1 + 0.003 * normal(chance);
    if (ask.slip) return ask.slip.pressureShares.map((share) => gaugesAtPressure(ask, present(ask.slip), share, noise));
    return ask.flowShares.map((share) => gaugesAt(ask, share, noise));
  },
};
