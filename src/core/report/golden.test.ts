import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import f1 from '@families/f1-overhung.json';
import f2 from '@families/f2-monoblock.json';
import f3 from '@families/f3-stacked-sanitary.json';
import f4 from '@families/f4-bore-hole.json';
import f5 from '@families/f5-plastic-booster.json';
import f6 from '@families/f6-internal-gear.json';
import f7 from '@families/f7-rotary-lobe.json';
import f8 from '@families/f8-two-screw.json';
import f9 from '@families/f9-belt-packed.json';
import f10 from '@families/f10-submersible.json';
import { CoreJob, type JobScript } from '../../../test-support/core-job';
import { loadFamily } from '../family';
import type { AsBuilt } from '.';

/**
 * One whole job of each construction, from receiving to the issued report, by the same rules as people's commands. What
 * the report must say stands in golden/*.txt: written from the family file and the script below, not by the product.
 */
const water = { flowM3h: 25, headM: 32, powerKw: 3.3, efficiencyPct: 66, speedRpm: 2900 };
const jobs: readonly (readonly [name: string, file: unknown, script: JobScript])[] = [
  [
    'f1-overhung',
    f1,
    {
      duty: water,
      found: { 'ring-bore': '100.70', 'wet-seat': '44.990' },
      dispose: { 'ring-bore': ['replace', 'worn through'], 'wet-seat': ['rework', 'sleeved and ground'] },
      seen: ['impeller', 'pitted at the inlet', 'reuse as it is', 'shallow'],
      captures: { 'nut-hand': 'left' },
      declines: 'Return freight',
    },
  ],
  [
    'f2-monoblock',
    f2,
    {
      build: { axes: { seal: 'pocket', fastening: 'threaded' }, size: 'm160' },
      duty: water,
      found: { 'seat-pump': '40.020', 'stub-runout': '0.04' },
      dispose: { 'seat-pump': ['replace', 'bearing would not come off again'] },
    },
  ],
  [
    'f3-stacked-sanitary',
    f3,
    {
      build: { axes: { seal: 'flushed' }, counts: { stage: 2 }, size: 's32' },
      duty: water,
      found: { 'neck-2': '71.35' },
      dispose: {
        'neck-2': ['replace', 'neck worn'],
        'stage-clearance-2': ['reuse as it is', 'closes with the new impeller'],
      },
    },
  ],
  [
    'f4-bore-hole',
    f4,
    {
      build: { counts: { stage: 3 } },
      duty: water,
      found: { 'ring-bore-3': '66.60' },
      dispose: { 'ring-bore-3': ['replace', 'renewed with the stage'] },
    },
  ],
  [
    'f5-plastic-booster',
    f5,
    {
      build: { counts: { stage: 4 }, size: 'k8' },
      duty: { ...water, flowM3h: 4 },
      found: { 'stage-gap-3': '0.18' },
      dispose: { 'stage-gap-3': ['replace', 'bowl warped'] },
    },
  ],
  [
    'f6-internal-gear',
    f6,
    {
      duty: { flowM3h: 16, headM: 60, speedRpm: 400 },
      found: { 'pin-diameter': '25.90' },
      dispose: { 'pin-diameter': ['replace', 'scored'] },
      pumpedAt: { temperatureC: 60, viscosityMm2S: 700 },
      captures: { 'lantern-place': '31.0' },
    },
  ],
  [
    'f7-rotary-lobe',
    f7,
    {
      build: { size: 'l40' },
      duty: { flowM3h: 13.6, headM: 50, speedRpm: 400 },
      found: { 'front-gap-2': '0.35', 'shaft-seal-1': '37.950' },
      dispose: { 'front-gap-2': ['replace', 'rotor touched the cover'] },
    },
  ],
  [
    'f8-two-screw',
    f8,
    {
      build: { axes: { seal: 'cartridge' }, size: 'z65' },
      duty: { flowM3h: 112, headM: 80, powerKw: 38, speedRpm: 1450 },
      found: { backlash: '0.16' },
      dispose: { backlash: ['replace', 'teeth worn'] },
    },
  ],
  [
    'f9-belt-packed',
    f9,
    {
      build: { size: 'b3' },
      duty: water,
      found: { 'bush-bore': '28.60' },
      dispose: {
        'bush-bore': ['replace', 'worn oval'],
        'bush-clearance': ['reuse as it is', 'closes with the new bush'],
      },
    },
  ],
  [
    'f10-submersible',
    f10,
    {
      build: { axes: { rotor: 'magnet', parting: 'frame' }, size: 't100' },
      duty: { ...water, speedRpm: 1450 },
      found: { 'shaft-outer': '33.930', hub: '79.0' },
      dispose: { 'shaft-outer': ['rework', 'sleeved'] },
    },
  ],
];

const sideOf = ({ worst_mm, worst = null, verdict }: AsBuilt['points'][number]['as_found']) =>
  (worst_mm ?? worst) === null ? verdict : `${worst_mm ?? worst} ${verdict}`;
const maybe = (value: number | string | null, unit: string) => (value === null ? [] : [`${value}${unit}`]);

/** A report as lines that a person can check against the family file; times, hashes and workings are left out. */
function linesOf(built: AsBuilt): readonly string[] {
  const { pump, duty, points, findings, parts_fitted, positions, steps, settings, tests } = built;
  return [
    `pump: ${pump.maker} ${pump.model}, serial ${pump.serial}; ${pump.family} ${pump.family_version}`,
    `duty: ${duty?.flow_m3h} m³/h, ${duty?.head_m} m, ${duty?.speed_rpm} rpm`,
    ...points.map(
      (one) =>
        `point ${one.number} ${one.title}${one.critical ? ' (critical)' : ''}: new ${one.new}, reuse ${one.reuse}; found ${sideOf(one.as_found)}; left ${sideOf(one.as_left)}`,
    ),
    ...findings.map(
      (one) => `finding: ${one.part}: ${one.what} | ${one.verdict ?? 'seen'} | ${one.disposition}, ${one.reason}`,
    ),
    ...parts_fitted.map((one) => `fitted: ${one.quantity} × ${one.name}, ${one.number}, ${one.order}`).toSorted(),
    ...positions.map((one) => `position: ${one.what}: ${one.teardown} → ${one.rebuild}`),
    ...steps.map((one) =>
      [
        `step ${one.round}: ${one.title}, ${one.by}`,
        ...maybe(one.torque_nm, ' N·m'),
        ...maybe(one.temperature_c, ' °C'),
        ...maybe(one.consumable, ''),
        ...(one.hold_point_signed_by ? [`signed ${one.hold_point_signed_by}`] : []),
      ].join('; '),
    ),
    ...settings.map(({ title, working }) =>
      /: (temperature|torque)$/.test(title) ? `setting: ${title}: ${working.at(-1)?.outcome}` : `setting: ${title}`,
    ),
    ...tests.map(
      (one) => `test ${one.run}: ${one.kind} ${one.grade}, ${one.verdict}; ${one.decision} by ${one.decided_by}`,
    ),
    ...built.approvals.map((one) => `approval: revision ${one.revision} by ${one.way}, ${one.name}`),
    ...built.deviations.map((one) => `deviation: ${one}`),
    ...built.signatures.map((one) => `signed: ${one.role}: ${one.name}`),
  ];
}

const policies = readFileSync(join(import.meta.dirname, 'golden', 'policies.txt'), 'utf8').trimEnd();

test.each(jobs)(
  '%s: the report says what was done, found and left, as it was written down by hand',
  async (name, file, script) => {
    const job = new CoreJob(loadFamily(file), script);
    const built = await job.play();
    const golden = readFileSync(join(import.meta.dirname, 'golden', `${name}.txt`), 'utf8').trimEnd();
    expect(linesOf(built).join('\n')).toBe(golden);
    // The same for all of them: the defaults of the handbook, in its order.
    expect(built.policies).toEqual(policies.split('\n'));
    expect(job.difference()).toBeNull();
    expect(built.events.count).toBe(job.events.length - 1);
  },
);
