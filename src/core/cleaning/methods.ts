import type { Family } from '../family';
import type { CleaningMethod, PartPicture } from '../record';

type MaterialClass = Family['parts'][number]['class'];

/** What a method asks of whoever used it. A tick that must be is a fact without which the part is not clean. */
export interface CleaningQuestion {
  readonly id: string;
  readonly ask: string;
  readonly kind: 'text' | 'number' | 'tick';
  readonly unit?: string;
  readonly must: boolean;
}

export interface MethodDescribed {
  /** What it is for, and what it must never touch, as the sheet says it. */
  readonly takes: string;
  readonly never: string;
  /** Materials and kinds of part that it spoils, each with why. */
  readonly spoils: Readonly<Partial<Record<MaterialClass, string>>>;
  readonly spoilsKinds: Readonly<Partial<Record<PartPicture, string>>>;
  readonly questions: readonly CleaningQuestion[];
  /** Faces, bores and openings are covered before it, each by itself. */
  readonly masks: boolean;
  /** What may be in the pump must be known before it. */
  readonly raisesDust: boolean;
}

const text = (id: string, ask: string): CleaningQuestion => ({ id, ask, kind: 'text', must: true });
const figure = (id: string, ask: string, unit: string, must = true): CleaningQuestion => ({
  ...{ id, ask, unit, must },
  kind: 'number',
});
const tick = (id: string, ask: string, must = true): CleaningQuestion => ({ id, ask, kind: 'tick', must });

const swells = 'rubber swells or hardens in it';
const softens = 'plastic softens or cracks in it';
const keptBearing = 'a bearing that is kept is washed by hand alone';
const sealFaces = 'seal faces are cleaned by the cloth alone';

/** How each method is recorded, and what it must never be used on. Source: handbook, the coordinator’s chain, 2. */
export const methodTable: Readonly<Record<CleaningMethod, MethodDescribed>> = {
  'parts washer': {
    takes: 'steel and cast iron: grease, oil, dirt',
    never: 'aluminium or zinc with strong alkali, plastics, soft rubber, bearings that are kept',
    spoils: { elastomer: swells, plastic: softens },
    spoilsKinds: { bearing: keptBearing, seal: sealFaces },
    questions: [
      text('bath', 'Bath'),
      figure('temperature', 'Temperature', '°C'),
      figure('minutes', 'Time', 'min'),
      tick('rinsed', 'rinsed'),
      tick('dried', 'dried'),
      tick('oiled', 'oiled', false),
    ],
    masks: false,
    raisesDust: false,
  },
  'solvent by hand': {
    takes: 'shafts, bores, threads; seal faces by the cloth, never sprayed',
    never: 'plastics, elastomers; near heaters',
    spoils: { elastomer: swells, plastic: softens },
    spoilsKinds: {},
    questions: [text('solvent', 'Solvent'), tick('cloth', 'lint-free cloth'), tick('heaters', 'no heater near')],
    masks: false,
    raisesDust: false,
  },
  'mild acid': {
    takes: 'scale, and rust film on steel, stainless and bronze',
    never:
      'aluminium, zinc, plastics, rubber, plated parts, springs, hardened bolts, seal faces; chloride acid on stainless',
    spoils: { elastomer: 'rubber is spoiled by it', plastic: softens, 'carbon-ceramic': sealFaces },
    spoilsKinds: { bearing: 'hardened steel turns brittle in it', seal: sealFaces },
    questions: [
      text('acid', 'Acid'),
      figure('strength', 'Strength', '%'),
      figure('minutes', 'Time', 'min'),
      tick('neutralised', 'neutralised'),
      tick('rinsed', 'rinsed'),
      tick('checked', 'checked by paper or meter'),
      tick('dried', 'dried at once'),
      { ...text('film', 'Film left, and accepted'), must: false },
    ],
    masks: false,
    raisesDust: false,
  },
  blasting: {
    takes: 'castings, rough faces, hard residue',
    never: 'bearing fits, seal faces, bronze, brass, soft metals, ground shafts, plastics, springs',
    spoils: {
      bronze: 'bronze is never blasted',
      elastomer: 'rubber is cut by it',
      plastic: 'plastic is cut by it',
      'carbon-ceramic': 'a seal face is spoiled by one grain',
    },
    spoilsKinds: {
      bearing: 'grit stays in a bearing',
      seal: 'grit stays in a seal',
      shaft: 'a ground shaft loses its size',
    },
    questions: [
      text('media', 'Media'),
      figure('pressure', 'Pressure', 'bar'),
      figure('plugged', 'Ports plugged', ''),
      figure('opened', 'Plugs taken out again', ''),
      tick('bare', 'no packing and no gasket left on it'),
      tick('washed', 'washed again'),
      tick('air', 'air blown through every port'),
      tick('no-grit', 'no grit: looked at, and signed by this entry'),
    ],
    masks: true,
    raisesDust: true,
  },
  scraping: {
    takes: 'a hard residue that no bath takes',
    never: 'faces; dry, where asbestos or lead may be in it',
    spoils: { elastomer: 'rubber is cut by it', 'carbon-ceramic': sealFaces },
    spoilsKinds: { seal: sealFaces, bearing: 'chips stay in a bearing' },
    questions: [
      text('tool', 'Tool'),
      text('place', 'Where on it'),
      tick('wet', 'kept wet, or tested free of asbestos and lead'),
      tick('no-scratch', 'no scratch on a face'),
    ],
    masks: false,
    raisesDust: true,
  },
  ultrasonic: {
    takes: 'small parts',
    never: 'carbon, soft linings',
    spoils: { 'carbon-ceramic': 'carbon breaks up in it', elastomer: 'a soft lining comes off in it' },
    spoilsKinds: {},
    questions: [text('bath', 'Bath'), figure('minutes', 'Time', 'min'), tick('dried', 'dried')],
    masks: false,
    raisesDust: false,
  },
  polish: {
    takes: 'ports, bores, covers, shafts',
    never: 'seal faces without their flatness after; the track of a lip seal along the shaft',
    spoils: {},
    spoilsKinds: { seal: 'a seal face is lapped, and its flatness measured' },
    questions: [
      text('grit', 'Grit'),
      figure('removed', 'Material taken off', 'mm'),
      figure('after', 'Size after it', 'mm', false),
      tick('across', 'across the shaft, never along it'),
    ],
    masks: false,
    raisesDust: false,
  },
  'wash by hand': {
    takes: 'plastics, and what no bath may touch: warm water and a soft brush',
    never: 'acid or solvent in the water',
    spoils: {},
    spoilsKinds: {},
    questions: [text('with', 'With'), tick('dried', 'dried')],
    masks: false,
    raisesDust: false,
  },
};

/** What is covered before blasting, each ticked by itself or said not to be on the part. */
export const maskList = [
  'bores',
  'bearing fits',
  'seal seats',
  'threads',
  'ports',
  'faces',
  'bronze bush',
  'oil channels',
] as const;

const words: readonly (readonly [RegExp, CleaningMethod])[] = [
  [/washer/i, 'parts washer'],
  [/acid/i, 'mild acid'],
  [/blast/i, 'blasting'],
  [/solvent/i, 'solvent by hand'],
  [/ultrasonic/i, 'ultrasonic'],
  [/polish/i, 'polish'],
  [/brush|wash\b|wiped/i, 'wash by hand'],
];

/**
 * The methods that a family's words propose for a part, in the order in which they are named.
 * @example methodsNamed('parts washer, then blast the rough faces') // ['parts washer', 'blasting']
 */
export function methodsNamed(method: string): readonly CleaningMethod[] {
  const found = words.flatMap(([pattern, name]) => {
    const at = method.search(pattern);
    return at < 0 ? [] : [{ at, name }];
  });
  return found.toSorted((one, other) => one.at - other.at).map(({ name }) => name);
}
