import type { Station } from '@/core/record';

export interface DemoJob {
  readonly customer: string;
  readonly pump: { readonly maker: string; readonly model: string; readonly serial: string; readonly size: string };
  readonly equipment: string;
  readonly duty: { readonly flowM3h: number; readonly headM: number; readonly powerKw: number; readonly efficiencyPct: number; readonly speedRpm: number };
  readonly liquid: string;
  readonly whyOut: string;
  readonly hours: number;
  /** The station it has reached; 'closed' went back. */
  readonly at: Station | 'closed';
  /** Days ago that it came in, and days from today that it is promised. */
  readonly cameIn: number;
  readonly promised: number;
  readonly part?: 'undeclared' | 'half' | 'ordered' | 'short' | 'failed once' | 'hold point' | 'held' | 'declined' | 'released' | 'corrected' | 'imperial';
  /** Construction, F1 where none is named; how it is built, and the elastomer chosen for its liquid. */
  readonly family?: { readonly id: string; readonly variant?: string; readonly stages?: number; readonly elastomer?: string };
  readonly visual?: readonly [part: string, words: string][];
}

const duty = (flowM3h: number, headM: number, powerKw: number, efficiencyPct: number, speedRpm = 2900) => ({ flowM3h, headM, powerKw, efficiencyPct, speedRpm });
const small = duty(25, 32, 3.3, 66);
const middle = duty(60, 38, 8.8, 70.5);
const large = duty(110, 48, 19.4, 74);
const slow = duty(80, 22, 6.6, 72.5, 1450);

const larkspur = 'Larkspur Trout Hatchery';
const rink = 'Harrowmere Ice Rink';
const mill = 'Vantry Board Mill';
const heat = 'Upper Sill District Heating';
const snow = 'Crakeside Snow Plant';
const quarry = 'Tarnhollow Slate Quarry';
const garden = 'Harrowmere Botanical Garden';
const ferry = 'Harrowmere Paddle Ferry';

const quill = (model: string, serial: string, size: string) => ({ maker: 'Quillmere', model, serial, size });
const ostrel = (model: string, serial: string, size: string) => ({ maker: 'Ostrelhaus', model, serial, size });
const dunnock = (model: string, serial: string, size: string) => ({ maker: 'Dunnockworth', model, serial, size });

/** The demonstration shop's jobs, oldest visits first, so that serial numbers come back. */
export const demoJobs: readonly DemoJob[] = [
  { customer: garden, pump: quill('QB 50-160', 'QB-22871', '50-160'), equipment: 'lily-house circulation', duty: small, liquid: 'pond water', whyOut: 'noise at the bearings', hours: 11200, at: 'closed', cameIn: 860, promised: -830 },
  { customer: garden, pump: quill('QB 50-160', 'QB-22871', '50-160'), equipment: 'lily-house circulation', duty: small, liquid: 'pond water', whyOut: 'seal leaks', hours: 18900, at: 'closed', cameIn: 410, promised: -385, part: 'corrected' },
  { customer: mill, pump: ostrel('OH 100-315', 'OH-90417', '100-315'), equipment: 'stock pump 2', duty: large, liquid: 'paper stock 2 %', whyOut: 'lost flow', hours: 21000, at: 'closed', cameIn: 520, promised: -490, part: 'failed once' },
  { customer: heat, pump: dunnock('DW 80-250', 'DW-10032', '80-250'), equipment: 'return pump east', duty: middle, liquid: 'treated heating water', whyOut: 'vibration', hours: 30500, at: 'closed', cameIn: 300, promised: -270 },
  { customer: larkspur, pump: quill('QB 65-200', 'QB-31144', '65-200'), equipment: 'raceway 3', duty: middle, liquid: 'spring water', whyOut: 'lost flow over the summer', hours: 14100, at: 'quote', cameIn: 6, promised: 14 },
  { customer: heat, pump: dunnock('DW 65-160', 'DW-10077', '65-160'), equipment: 'booster north', duty: small, liquid: 'treated heating water', whyOut: 'routine overhaul', hours: 24000, at: 'report', cameIn: 33, promised: 4 },
  { customer: mill, pump: ostrel('OH 80-200', 'OH-90533', '80-200'), equipment: 'white water 5', duty: middle, liquid: '', whyOut: 'seized on start', hours: 9000, at: 'receive', cameIn: 1, promised: 28, part: 'undeclared' },
  { customer: quarry, pump: dunnock('DW 80-200', 'DW-11840', '80-200'), equipment: 'sump lift', duty: slow, liquid: 'slate slurry, light', whyOut: 'high current', hours: 5200, at: 'parts', cameIn: 17, promised: 20 },
  { customer: mill, pump: ostrel('OH 100-315', 'OH-90417', '100-315'), equipment: 'stock pump 2', duty: large, liquid: 'paper stock 2 %', whyOut: 'seal leaks, high current', hours: 33200, at: 'approve', cameIn: 11, promised: 16, visual: [['impeller', 'pitted inlet edges'], ['seal-face', 'faces with radial cracks']] },
  { customer: larkspur, pump: quill('QB 40-125', 'QB-31201', '40-125'), equipment: 'egg house', duty: small, liquid: 'spring water', whyOut: 'noise', hours: 12000, at: 'approve', cameIn: 19, promised: 2 },
  { customer: rink, pump: quill('QB 80-250', 'QB-29950', '80-250'), equipment: 'brine circulation', duty: middle, liquid: 'calcium chloride brine', whyOut: 'leak at the seal', hours: 17700, at: 'approve', cameIn: 13, promised: 15 },
  { customer: ferry, pump: dunnock('DW 50-200', 'DW-12001', '50-200'), equipment: 'ballast', duty: small, liquid: 'lake water', whyOut: 'lost flow', hours: 4100, at: 'approve', cameIn: 9, promised: 19 },
  { customer: snow, pump: ostrel('OH 65-250', 'OH-91004', '65-250'), equipment: 'tower feed', duty: middle, liquid: 'lake water', whyOut: 'routine overhaul before the season', hours: 8800, at: 'teardown', cameIn: 3, promised: 24, part: 'half' },
  { customer: garden, pump: quill('QB 50-160', 'QB-22871', '50-160'), equipment: 'lily-house circulation', duty: small, liquid: 'pond water', whyOut: 'noise and lost flow', hours: 26300, at: 'inspect', cameIn: 5, promised: 17, part: 'half', visual: [['drive-bearing', 'balls flaked, raceway pitted']] },
  { customer: heat, pump: dunnock('DW 80-250', 'DW-10032', '80-250'), equipment: 'return pump east', duty: middle, liquid: 'treated heating water', whyOut: 'bearing temperature', hours: 36900, at: 'rebuild', cameIn: 26, promised: 4, part: 'half' },
  { customer: rink, pump: quill('QB 40-125', 'QB-30018', '40-125'), equipment: 'subfloor heating', duty: small, liquid: 'glycol 30 %', whyOut: 'seal leaks', hours: 20400, at: 'rebuild', cameIn: 24, promised: 7, part: 'hold point' },
  { customer: rink, pump: quill('QB 80-250', 'QB-29951', '80-250'), equipment: 'brine standby', duty: middle, liquid: 'calcium chloride brine', whyOut: 'failed its yearly test', hours: 2300, at: 'test', cameIn: 30, promised: 3 },
  { customer: snow, pump: ostrel('OH 65-250', 'OH-91005', '65-250'), equipment: 'tower feed standby', duty: middle, liquid: 'lake water', whyOut: 'vibration', hours: 7900, at: 'test', cameIn: 36, promised: 1, part: 'failed once' },
  { customer: ferry, pump: dunnock('DW 80-200', 'DW-12044', '80-200'), equipment: 'fire main', duty: slow, liquid: 'lake water', whyOut: 'survey', hours: 900, at: 'parts', cameIn: 22, promised: 9, part: 'ordered' },
  { customer: larkspur, pump: quill('QB 50-200', 'QB-31177', '50-200'), equipment: 'oxygen cone', duty: small, liquid: 'spring water', whyOut: 'high current', hours: 15900, at: 'parts', cameIn: 21, promised: 12, part: 'short' },
  { customer: quarry, pump: dunnock('DW 80-250', 'DW-11902', '80-250'), equipment: 'saw cooling', duty: slow, liquid: 'water with slate fines', whyOut: 'worn out', hours: 19800, at: 'return', cameIn: 27, promised: -2, part: 'declined' },
  { customer: snow, pump: ostrel('OH 50-160', 'OH-91022', '50-160'), equipment: 'cooling loop', duty: small, liquid: 'glycol 40 %', whyOut: 'leak', hours: 6600, at: 'return', cameIn: 38, promised: 2, part: 'released' },
  { customer: mill, pump: ostrel('OH 80-200', 'OH-90540', '80-200'), equipment: 'shower water', duty: middle, liquid: 'white water', whyOut: 'vibration', hours: 28800, at: 'inspect', cameIn: 12, promised: 10, part: 'held' },
  { customer: heat, pump: dunnock('DW 65-160', 'DW-10081', '65-160'), equipment: 'booster south', duty: small, liquid: 'treated heating water', whyOut: 'routine overhaul', hours: 24100, at: 'clean', cameIn: 4, promised: 21 },
  { customer: quarry, pump: dunnock('DW 65-200', 'DW-11955', '65-200'), equipment: 'dust spray', duty: small, liquid: 'well water', whyOut: 'lost flow', hours: 10400, at: 'receive', cameIn: 0, promised: 30 },
  { customer: garden, pump: quill('QB 40-160', 'QB-22990', '40-160'), equipment: 'palm-house mist', duty: small, liquid: 'rain water', whyOut: 'seized after winter', hours: 3100, at: 'teardown', cameIn: 2, promised: 26, part: 'imperial' },
  { customer: ferry, pump: dunnock('DW 50-160', 'DW-12060', '50-160'), equipment: 'engine cooling', duty: small, liquid: 'lake water', whyOut: 'corroded', hours: 22000, at: 'quote', cameIn: 8, promised: 18, part: 'held' },
  { customer: snow, pump: ostrel('OH 100-250', 'OH-91100', '100-250'), equipment: 'main lift', duty: large, liquid: 'lake water', whyOut: 'routine overhaul', hours: 12900, at: 'closed', cameIn: 60, promised: -25 },
  { customer: garden, pump: quill('QM 40-125', 'QM-40311', '40-125'), equipment: 'fernery spray', duty: small, liquid: 'rain water', whyOut: 'seal leaks, motor warm', hours: 9800, at: 'rebuild', cameIn: 18, promised: 6, part: 'half', family: { id: 'F2' } },
  { customer: larkspur, pump: dunnock('DS 32', 'DS-22019', '3 stages'), equipment: 'hatchery feed line', duty: duty(12, 48, 3.1, 55), liquid: 'spring water', whyOut: 'lost pressure', hours: 8100, at: 'inspect', cameIn: 7, promised: 15, part: 'half', family: { id: 'F3', variant: 'flushed', stages: 3 } },
  { customer: snow, pump: ostrel('OT 6-9', 'OT-61177', '6 inch, 9 stages'), equipment: 'well 2', duty: duty(30, 110, 14.5, 68), liquid: 'well water', whyOut: 'lost flow, sand seen', hours: 14200, at: 'inspect', cameIn: 8, promised: 18, family: { id: 'F4', variant: 'plain', stages: 9 } },
  { customer: garden, pump: quill('QK 8', 'QK-81022', '8 stages'), equipment: 'greenhouse booster', duty: duty(4, 52, 1.2, 45), liquid: 'rain water', whyOut: 'hums, no water', hours: 6100, at: 'teardown', cameIn: 3, promised: 20, part: 'half', family: { id: 'F5', stages: 8 } },
  { customer: heat, pump: dunnock('DG 80', 'DG-30417', '3 inch'), equipment: 'heavy oil transfer', duty: duty(16, 60, 6.2, 52, 350), liquid: 'heavy oil', whyOut: 'leaks at the packing, lost pressure', hours: 19400, at: 'rebuild', cameIn: 25, promised: 5, part: 'half', family: { id: 'F6', variant: 'packed', elastomer: 'FKM' } },
  { customer: larkspur, pump: ostrel('OL 40', 'OL-70233', '40'), equipment: 'feed paste', duty: duty(13.6, 40, 2.6, 58, 400), liquid: 'fish feed paste', whyOut: 'knocks', hours: 5200, at: 'quote', cameIn: 9, promised: 16, family: { id: 'F7', variant: 'single' } },
  { customer: mill, pump: ostrel('OZ 65', 'OZ-11290', '65'), equipment: 'size press oil', duty: duty(114, 80, 38, 68, 1450), liquid: 'lubricating oil', whyOut: 'seal leaks on the gear side', hours: 23900, at: 'approve', cameIn: 15, promised: 13, family: { id: 'F8', variant: 'lip', elastomer: 'FKM' } },
  { customer: ferry, pump: dunnock('DB 3', 'DB-90455', '3 inch'), equipment: 'engine raw water', duty: duty(28, 18, 2.3, 60, 1800), liquid: 'lake water', whyOut: 'drips past the packing', hours: 12700, at: 'parts', cameIn: 16, promised: 8, part: 'ordered', family: { id: 'F9', variant: 'belt' } },
  { customer: quarry, pump: quill('QT 100', 'QT-55108', '100'), equipment: 'quarry sump', duty: duty(90, 14, 6.4, 55, 1450), liquid: 'water with slate fines', whyOut: 'leakage sensor tripped', hours: 7700, at: 'teardown', cameIn: 4, promised: 22, part: 'half', family: { id: 'F10', variant: 'magnet' } },
];
