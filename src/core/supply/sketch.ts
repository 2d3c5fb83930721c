import type { MadePart, MadeShape } from '../record';
import { classLimits } from '../sums/iso-286-limits';
import { SumRefusal } from '../sums/notebook';

export interface SketchDimension {
  readonly id: string;
  readonly title: string;
  readonly unit: 'mm' | 'count';
  /** Whether it is a hole or a shaft to the classes of ISO 286; neither takes no class. */
  readonly of?: 'hole' | 'shaft';
  readonly isOptional?: true;
}
interface ShapeDescribed {
  readonly title: string;
  readonly dimensions: readonly SketchDimension[];
}

const mm = (id: string, title: string, of?: 'hole' | 'shaft'): SketchDimension => ({
  ...{ id, title, unit: 'mm' },
  ...(of && { of }),
});
const optional = (dimension: SketchDimension): SketchDimension => ({ ...dimension, isOptional: true });
const count = (id: string, title: string): SketchDimension => ({ id, title, unit: 'count' });
const circle = [
  mm('circle', 'Bolt circle diameter'),
  count('holes', 'Number of holes'),
  mm('hole', 'Hole diameter'),
] as const;

/** What a sketch of each shape must say before anything is made by it. */
export const sketchTable: Readonly<Record<MadeShape, ShapeDescribed>> = {
  cap: {
    title: 'Cap',
    dimensions: [
      mm('outside', 'Flange diameter'),
      mm('flange', 'Flange thickness'),
      mm('spigot', 'Spigot diameter', 'shaft'),
      mm('depth', 'Spigot length'),
      optional(mm('bore', 'Bore through it', 'hole')),
      ...circle,
    ],
  },
  bush: {
    title: 'Bush',
    dimensions: [mm('bore', 'Bore', 'hole'), mm('outside', 'Outside diameter', 'shaft'), mm('length', 'Length')],
  },
  sleeve: {
    title: 'Sleeve',
    dimensions: [
      mm('bore', 'Bore', 'hole'),
      mm('outside', 'Outside diameter', 'shaft'),
      mm('length', 'Length'),
      optional(mm('chamfer', 'Chamfer')),
    ],
  },
  gasket: {
    title: 'Flat gasket',
    dimensions: [
      mm('bore', 'Inside diameter'),
      mm('outside', 'Outside diameter'),
      mm('thickness', 'Thickness'),
      ...circle.map(optional),
    ],
  },
};

/** Deviations of a dimension, mm. */
interface Deviations {
  readonly lower: number;
  readonly upper: number;
}
/** General tolerances of linear dimensions, class m, mm: up to this size, plus or minus. Source: ISO 2768-1:1989. */
const general: readonly (readonly [upToMm: number, mm: number])[] = [
  [6, 0.1],
  [30, 0.2],
  [120, 0.3],
  [400, 0.5],
  [1000, 0.8],
  [10000, 1.2],
];

const number = String.raw`(\d+(?:[.,]\d+)?)`;
const plusMinus = new RegExp(String.raw`^(?:±|\+\/-|\+-)\s*${number}$`);
const both = new RegExp(String.raw`^([+-])\s*${number}\s*[/;]\s*([+-]?)\s*${number}$`);
/** The classes that the tables of ISO 286-1 give here: letters, then grades 5 to 11. */
const holeClass = /^(JS|[EFGHJKMNP])([5-9]|1[01])$/;
const shaftClass = /^(js|[efghjkmnprs])([5-9]|1[01])$/;
const asNumber = (text = '0') => Number(text.replace(',', '.'));
const signed = (sign: string | undefined, text: string | undefined) => (sign === '-' ? -1 : 1) * asNumber(text);

function classDeviations(text: string, nominalMm: number, of: 'hole' | 'shaft'): Deviations | null {
  try {
    const { min, max } = classLimits({ nominalMm, of, text });
    return { lower: min - nominalMm, upper: max - nominalMm };
  } catch (error) {
    if (error instanceof SumRefusal) return null;
    throw error;
  }
}

/**
 * The deviations that a tolerance allows, mm; null where it cannot be read. Empty is a general one.
 * Inputs: a class of ISO 286-1 such as H7 for a hole or a shaft, ±0.1, or +0.02/-0.01; the nominal size, mm.
 * Source: ISO 286-1:2010; ISO 2768-1:1989, class m, for what has none of its own.
 * @example readTolerance('±0.1', { nominalMm: 40 }) // { lower: -0.1, upper: 0.1 }
 */
export function readTolerance(
  text: string,
  { nominalMm, of }: { readonly nominalMm: number; readonly of?: 'hole' | 'shaft' | undefined },
): Deviations | null {
  const typed = text.trim();
  if (!typed) {
    const allowed = general.find(([upTo]) => nominalMm <= upTo)?.[1] ?? 1.2;
    return { lower: -allowed, upper: allowed };
  }
  const even = plusMinus.exec(typed);
  if (even) return { lower: -asNumber(even[1]), upper: asNumber(even[1]) };
  const two = both.exec(typed);
  if (two) {
    const [first, second] = [signed(two[1], two[2]), signed(two[3], two[4])];
    return { lower: Math.min(first, second), upper: Math.max(first, second) };
  }
  const isClass = of === 'hole' ? holeClass : shaftClass;
  return of && isClass.test(typed) ? classDeviations(typed, nominalMm, of) : null;
}

type Dimension = MadePart['dimensions'][number];
type Sketch = Pick<MadePart, 'shape' | 'dimensions'>;

const described = ({ shape }: Sketch, id: string) => sketchTable[shape].dimensions.find((one) => one.id === id);
const crumbs = (value: number) => Number(value.toFixed(6));

/** The two sizes between which a dimension must measure; a count is exact. */
export function limitsOfDimension(sketch: Sketch, { id, nominal, tolerance }: Dimension) {
  const about = described(sketch, id);
  if (about?.unit === 'count') return { min: nominal, max: nominal };
  const deviations = readTolerance(tolerance, { nominalMm: nominal, of: about?.of });
  return deviations && { min: crumbs(nominal + deviations.lower), max: crumbs(nominal + deviations.upper) };
}

/** The nominal size of a dimension; undefined where the sketch has none. */
export const sizeOf = ({ dimensions }: Sketch, id: string): number | undefined =>
  dimensions.find((one) => one.id === id)?.nominal;

/** A fault of a sketch, and the dimension at which it is. */
export interface SketchFault {
  readonly dimension: string;
  readonly code: 'missing' | 'unknown' | 'twice' | 'nothing' | 'tolerance' | 'not-inside';
  /** What must be larger, where one thing does not lie inside another. */
  readonly beyond?: string;
}

/** Pairs of which the first must be smaller than the second. */
const insideOf: readonly (readonly [inner: string, outer: string])[] = [
  ['bore', 'outside'],
  ['bore', 'spigot'],
  ['spigot', 'outside'],
  ['circle', 'outside'],
  ['hole', 'circle'],
  ['bore', 'circle'],
];

function faultOf(sketch: Sketch, { id, nominal, tolerance }: Dimension, i: number): SketchFault['code'] | null {
  const about = described(sketch, id);
  if (!about) return 'unknown';
  if (sketch.dimensions.findIndex((one) => one.id === id) !== i) return 'twice';
  if (nominal <= 0 && !about.isOptional) return 'nothing';
  return limitsOfDimension(sketch, { id, nominal, tolerance }) ? null : 'tolerance';
}

/** What keeps a sketch from being made by: dimensions that are missing, cannot be read, or do not go together. */
export function sketchFaults(sketch: Sketch): readonly SketchFault[] {
  const missing = sketchTable[sketch.shape].dimensions
    .filter(({ id, isOptional }) => !isOptional && !sketch.dimensions.some((one) => one.id === id))
    .map(({ id }): SketchFault => ({ dimension: id, code: 'missing' }));
  const wrong = sketch.dimensions.flatMap((dimension, i) => {
    const code = faultOf(sketch, dimension, i);
    return code ? [{ dimension: dimension.id, code }] : [];
  });
  const crossed = insideOf.flatMap(([inner, outer]) => {
    const [small, large] = [sizeOf(sketch, inner), sizeOf(sketch, outer)];
    const isInside = small === undefined || large === undefined || !small || !large || small < large;
    return isInside ? [] : [{ dimension: inner, code: 'not-inside' as const, beyond: outer }];
  });
  return [...missing, ...wrong, ...crossed];
}

/** A reading beside its sketch: within its limits, or by how much it is out, mm or pieces. */
export interface SketchVerdict {
  readonly dimension: Dimension;
  readonly title: string;
  readonly unit: 'mm' | 'count';
  readonly limits: { readonly min: number; readonly max: number };
  /** The last reading; null where it is not taken yet. */
  readonly value: number | null;
  readonly verdict: 'within' | 'under' | 'over' | null;
}

/** Every dimension of a part that is made, with its last reading and what that is worth. */
export function judgeSketch(made: Pick<MadePart, 'shape' | 'dimensions' | 'readings'>): readonly SketchVerdict[] {
  return made.dimensions.flatMap((dimension) => {
    const about = described(made, dimension.id);
    const limits = limitsOfDimension(made, dimension);
    if (!about || !limits) return [];
    const value = made.readings.findLast(({ id }) => id === dimension.id)?.value ?? null;
    const side = value === null ? null : value < limits.min ? 'under' : value > limits.max ? 'over' : 'within';
    return [{ dimension, title: about.title, unit: about.unit, limits, value, verdict: side }];
  });
}
