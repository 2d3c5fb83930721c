import * as z from 'zod';
import { type Warning, type WorkingStep, defineSum, lengthMm, notNegative, positive, show, SumRefusal } from './sum';

/**
 * Packing sections in mm: whole and half millimetres from 3 to 25, eighths and sixteenths of an inch. Source: usual
 * sizes of braided packing.
 */
const standardSections = [
  ...Array.from({ length: 45 }, (_, i) => 3 + i / 2),
  ...Array.from({ length: 15 }, (_, i) => Number((((i + 2) * 25.4) / 16).toFixed(5))).filter(
    (one) => one >= 3 && one <= 25.4,
  ),
];

/** More rings than any box has; a gap that asks for more is no packing's. */
const mostRings = 1000;

const packingInput = z.strictObject({
  shaft_mm: lengthMm,
  bore_mm: lengthMm,
  depth_mm: lengthMm,
  lantern_mm: positive.max(1e4).optional(),
  port_from_bottom_mm: notNegative.max(1e4).optional(),
  gland_entry_mm: notNegative.max(1e4),
});
const packingResult = z.object({
  section_mm: z.number(),
  rings_below: z.number(),
  rings_above: z.number(),
  rings: z.number(),
  cut_length_mm: z.number(),
  joint_angles_deg: z.array(z.number()),
  standard_section_mm: z.number(),
  misfit_mm: z.number(),
  lantern_covers_port: z.boolean().optional(),
});

const nearestSection = (section: number) =>
  standardSections.reduce((best, one) => (Math.abs(one - section) < Math.abs(best - section) - 1e-12 ? one : best));

/**
 * The split of rings that brings the lantern's middle nearest the port; without a port the lantern stands in the
 * middle.
 */
function splitRings(
  rings: number,
  { section, lantern, port }: { readonly section: number; readonly lantern: number; readonly port: number },
): { readonly below: number; readonly off: number } {
  const off = (below: number) => Math.abs(below * section + lantern / 2 - port);
  const below = Array.from({ length: rings + 1 }, (_, i) => i).reduce(
    (best, one) => (off(one) < off(best) - 1e-9 ? one : best),
    0,
  );
  return { below, off: off(below) };
}

type PackingInput = z.infer<typeof packingInput>;

function sectionOf({ shaft_mm, bore_mm }: Pick<PackingInput, 'shaft_mm' | 'bore_mm'>): number {
  if (bore_mm <= shaft_mm)
    throw new SumRefusal('bore_mm', `the bore ${bore_mm} mm is not larger than the shaft ${shaft_mm} mm`);
  return (bore_mm - shaft_mm) / 2;
}

/** Whole rings of a section that a room holds. */
function ringsIn(room: number, section: number): number {
  const rings = Math.floor(room / section + 1e-9);
  if (rings < 1)
    throw new SumRefusal('depth_mm', `no ring of ${show(section, 2)} mm fits into ${show(Math.max(0, room), 2)} mm`);
  if (rings > mostRings)
    throw new SumRefusal(
      'bore_mm',
      `shaft and bore leave a section of ${show(section, 6)} mm: more than ${mostRings} rings would go into the depth`,
    );
  return rings;
}

function reckonPacking({
  shaft_mm,
  bore_mm,
  depth_mm,
  lantern_mm = 0,
  port_from_bottom_mm,
  gland_entry_mm,
}: PackingInput) {
  const section = sectionOf({ shaft_mm, bore_mm });
  const room = depth_mm - gland_entry_mm - lantern_mm;
  const rings = ringsIn(room, section);
  const port = port_from_bottom_mm ?? (rings * section + lantern_mm) / 2;
  const split = lantern_mm ? splitRings(rings, { section, lantern: lantern_mm, port }) : { below: rings, off: 0 };
  const standard = nearestSection(section);
  const covers = lantern_mm && port_from_bottom_mm !== undefined ? split.off <= lantern_mm / 2 + 1e-9 : undefined;
  const cut = Math.PI * (shaft_mm + section);
  return {
    result: {
      section_mm: section,
      rings_below: split.below,
      rings_above: rings - split.below,
      rings,
      cut_length_mm: cut,
      joint_angles_deg: Array.from({ length: rings }, (_, i) => (i * 120) % 360),
      standard_section_mm: standard,
      misfit_mm: Number((standard - section).toFixed(6)),
      ...(covers !== undefined && { lantern_covers_port: covers }),
    },
    lantern_mm,
    section,
    rings,
    port,
    split,
    standard,
    cut,
    covers,
  };
}
type PackingReckoned = ReturnType<typeof reckonPacking>;

function packingWorking(
  { shaft_mm, bore_mm, depth_mm, gland_entry_mm }: PackingInput,
  { lantern_mm, section, rings, port, split, standard, cut }: PackingReckoned,
): readonly WorkingStep[] {
  return [
    {
      what: 'Section',
      formula: '(bore − shaft) / 2',
      put: `(${show(bore_mm)} − ${show(shaft_mm)}) / 2 mm`,
      outcome: `${show(section, 2)} mm, nearest standard ${show(standard, 2)}`,
    },
    {
      what: 'Rings',
      formula: '(depth − gland entry − lantern) / section',
      put: `(${show(depth_mm)} − ${show(gland_entry_mm)} − ${show(lantern_mm)}) / ${show(section, 2)}`,
      outcome: `${rings}`,
    },
    ...(lantern_mm
      ? [
          {
            what: 'Split about the lantern',
            put: `port ${show(port)} mm from the bottom`,
            outcome: `${split.below} below, ${rings - split.below} above`,
          },
        ]
      : []),
    {
      what: 'Cut length',
      formula: 'π·(shaft + section)',
      put: `π · (${show(shaft_mm)} + ${show(section, 2)}) mm`,
      outcome: `${show(cut, 1)} mm`,
    },
  ];
}

function packingWarnings({ section, standard, covers }: PackingReckoned): readonly Warning[] {
  return [
    ...(covers === false
      ? [
          {
            code: 'lantern-misses-port',
            sentence: 'The lantern does not stand under its port; check depth and rings.',
          },
        ]
      : []),
    ...(Math.abs(standard - section) > 0.25
      ? [
          {
            code: 'no-standard-section',
            sentence: 'No standard section is within a quarter of a millimetre; measure shaft and bore again.',
          },
        ]
      : []),
  ];
}

/**
 * Rings of a stuffing box: section, number, split about the lantern, length to cut. Source: geometry; mean
 * circumference π·(d + s).
 */
export const packing = defineSum<PackingInput, z.infer<typeof packingResult>>({
  id: 'packing',
  title: 'Packing of a stuffing box',
  ask: ['packing', 'how many rings', 'cut length', 'lantern', 'stuffing box'],
  input: packingInput,
  result: packingResult,
  example: {
    input: { shaft_mm: 50, bore_mm: 70, depth_mm: 80, lantern_mm: 20, port_from_bottom_mm: 30, gland_entry_mm: 10 },
    result: {
      section_mm: 10,
      rings_below: 2,
      rings_above: 3,
      rings: 5,
      cut_length_mm: 188.4956,
      lantern_covers_port: true,
    },
  },
  compute(given) {
    const reckoned = reckonPacking(given);
    return { result: reckoned.result, working: packingWorking(given, reckoned), warnings: packingWarnings(reckoned) };
  },
});
