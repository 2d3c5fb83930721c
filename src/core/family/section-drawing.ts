import type { DrawnShape } from './shapes';
import type { Family, FamilyPart, FamilyPoint, SectionBody } from './format';

/** The member of a set that is worked on. */
export interface InHand {
  readonly set: string;
  readonly number: number;
}

/** Whether what is drawn is another member of the set whose member is in hand. */
export const isOther = (member: InHand | undefined, inHand: InHand | undefined): boolean =>
  member !== undefined && member.set === inHand?.set && member.number !== inHand.number;

/** What the drawing needs of a family. */
export type Drawn = Pick<Family, 'shapes' | 'section' | 'version' | 'sets'> & {
  readonly parts: readonly Pick<FamilyPart, 'ref' | 'class' | 'per'>[];
  readonly points: readonly FamilyPoint[];
};

/** One outline of the drawing, in drawing millimetres about its own shaft line; the upper half is negative. */
export interface SectionShape {
  readonly part: string;
  readonly symbol: SectionBody['symbol'];
  readonly material: string;
  readonly d: string;
  readonly fill: DrawnShape['fill'];
  /** Height of its shaft line above the middle, and the halves that it is drawn in. */
  readonly line: number;
  readonly half: 'both' | 'top' | 'bottom';
  /** The member of a set that it belongs to, where it is one of several. */
  readonly member?: InHand;
}

/** Where stages are left out: from and to along the shaft, and how many there are in all. */
export interface SectionBreak {
  readonly x: readonly [number, number];
  readonly words: string;
}

export interface SectionPin {
  readonly id: string;
  readonly number: number;
  readonly title: string;
  readonly part: string;
  /** Where the point is. */
  readonly x: number;
  readonly y: number;
  /** Where its number stands; numbers never overlap. */
  readonly labelX: number;
  readonly labelY: number;
}

export interface SectionDrawing {
  readonly viewBox: readonly [x: number, y: number, width: number, height: number];
  readonly shapes: readonly SectionShape[];
  readonly pins: readonly SectionPin[];
  /** Centre lines, along the shaft and at their height. */
  readonly axes: readonly { readonly from: number; readonly to: number; readonly y: number }[];
  readonly breaks: readonly SectionBreak[];
  /** Drawn upright: turned a quarter, the drive end up. */
  readonly isVertical: boolean;
}

/** The halves in which an outline is drawn: 1 as it is written, above the shaft; -1 turned over to below it. */
export const halvesOf = ({ half }: Pick<SectionShape, 'half'>): readonly (1 | -1)[] =>
  half === 'both' ? [1, -1] : half === 'top' ? [1] : [-1];

/** The two wavy lines between which stages are left out, as paths, and how far from the shaft they begin. */
export function wavesOf({ isVertical, viewBox: [, , width, height] }: SectionDrawing, { x }: SectionBreak) {
  const radius = (isVertical ? width : height) / 2 - 44;
  const wave = (at: number) =>
    `M${at} ${-radius - 8}q6 ${radius / 4} 0 ${radius / 2}t0 ${radius / 2}t0 ${radius / 2}t0 ${radius / 2 + 16}`;
  return { radius, paths: x.map(wave) };
}
