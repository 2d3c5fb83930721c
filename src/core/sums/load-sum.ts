import type { Sum } from './sum';

/** Each sum by itself: a page that shows one figure fetches and reads the schemas of that one, not of all. */
const loaders: Readonly<Record<string, () => Promise<Sum>>> = {
  fit: async () => (await import('./fit')).fit,
  readings: async () => (await import('./readings')).readings,
  'running-clearance': async () => (await import('./running-clearance')).runningClearance,
  'run-out': async () => (await import('./run-out')).runOut,
  'end-float': async () => (await import('./end-float')).endFloat,
  'end-clearance': async () => (await import('./threaded-cap')).endClearance,
  'preload-arc': async () => (await import('./threaded-cap')).preloadArc,
  'shim-stack': async () => (await import('./shim-stack')).shimStack,
  'shim-ledger': async () => (await import('./shim-ledger')).shimLedger,
  'timing-shift': async () => (await import('./timing-shift')).timingShift,
  'bearing-heat': async () => (await import('./bearing-heat')).bearingHeat,
  'press-force': async () => (await import('./press-force')).pressForce,
  'bolt-torque': async () => (await import('./bolt-torque')).boltTorque,
  'torque-wrench': async () => (await import('./tightening')).torqueWrench,
  'bolt-pattern': async () => (await import('./tightening')).boltPattern,
  'lock-nut': async () => (await import('./tightening')).lockNut,
  'seal-setting': async () => (await import('./seal-setting')).sealSetting,
  packing: async () => (await import('./packing')).packing,
  drip: async () => (await import('./gland')).drip,
  'gland-log': async () => (await import('./gland')).glandLog,
  alignment: async () => (await import('./alignment')).alignment,
  duty: async () => (await import('./duty')).duty,
  acceptance: async () => (await import('./acceptance')).acceptance,
  'curve-compare': async () => (await import('./curve-compare')).curveCompare,
  trim: async () => (await import('./trim')).trim,
  npsh: async () => (await import('./npsh')).npsh,
  'pd-slip': async () => (await import('./pd-slip')).pdSlip,
  vibration: async () => (await import('./vibration')).vibration,
  balance: async () => (await import('./balance')).balance,
  'balance-weight': async () => (await import('./balance')).balanceWeight,
  'leak-decay': async () => (await import('./leak-decay')).leakDecay,
  'bearing-temperature': async () => (await import('./temperature')).bearingTemperature,
  insulation: async () => (await import('./temperature')).insulation,
  elastomer: async () => (await import('./materials')).elastomer,
  grease: async () => (await import('./materials')).grease,
  'kit-cover': async () => (await import('./kit-cover')).kitCover,
  'order-plan': async () => (await import('./order-plan')).orderPlan,
  quote: async () => (await import('./money')).quote,
  'repair-or-replace': async () => (await import('./money')).repairOrReplace,
  'donor-match': async () => (await import('./donor-match')).donorMatch,
  plan: async () => (await import('./plan')).plan,
  'ready-date': async () => (await import('./ready-date')).readyDate,
  promise: async () => (await import('./promise')).promise,
  turnaround: async () => (await import('./turnaround')).turnaround,
};

/** A sum of the registry, fetched when it is wanted; undefined where there is none of that name. */
export async function loadSum(id: string): Promise<Sum | undefined> {
  return Object.hasOwn(loaders, id) ? loaders[id]?.() : undefined;
}
