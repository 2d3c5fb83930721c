import type { SectionBody, StepAction } from './format';
import { spreadLabels, stackedOf, untangle } from './section';
import type { Drawn, InHand } from './section-drawing';
import { stackStages, type StackedBody } from './section-stages';

/** A name beside a lit part, in the coordinates of the picture. */
export interface SectionNote {
  readonly part: string;
  readonly x: number;
  readonly y: number;
  readonly labelX: number;
  readonly labelY: number;
}

/** Which way the lit parts move: an arrow along the shaft, or about it as seen from the drive end. */
export type SectionArrow =
  | { readonly kind: 'along'; readonly from: readonly [number, number]; readonly to: readonly [number, number] }
  | { readonly kind: 'around'; readonly at: readonly [number, number]; readonly isClockwise: boolean };

export interface SectionNotes {
  readonly notes: readonly SectionNote[];
  readonly arrow: SectionArrow | null;
}

/** Names that fit beside each other over the drawing. */
const mostNotes = 3;
/** Room for a name along the shaft, as a share of the drawing and at least; and for the arrow beneath, in drawing millimetres. */
const noteShare = 0.3;
const leastNoteGap = 150;
/** Room for a name of two lines beneath another, where the shaft stands upright. */
const uprightNoteGap = 60;
const arrowLength = 56;

const middleOf = ({ x: [from, to] }: SectionBody) => (from + to) / 2;
const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;

/** Whether the drive end lies at the far end of the shaft line, by where the bodies of either side are drawn. */
function isDriveFar(bodies: readonly SectionBody[]): boolean {
  const places = (side: SectionBody['side']) => bodies.filter((body) => body.side === side).map(middleOf);
  const [drive, wet] = [places('drive'), places('wet end')];
  return !drive.length || !wet.length || mean(drive) > mean(wet);
}

/** Where a part is drawn: of a set, its member in hand. */
const drawnOf = (bodies: readonly StackedBody[], part: string, inHand: number | undefined) => {
  const isInHand = (body: StackedBody) => {
    const number = body.stage ?? body.member;
    return number === undefined || number === inHand;
  };
  const own = bodies.filter((body) => body.part === part);
  return own.find(isInHand) ?? own[0];
};

function arrowOf(lit: readonly SectionBody[], moves: StepAction['moves'], place: Placing): SectionArrow | null {
  const { y, isFar, put } = place;
  if (moves === 'none' || !lit.length) return null;
  const middle = mean(lit.map(middleOf));
  if (moves === 'clockwise' || moves === 'anticlockwise')
    return { kind: 'around', at: put(middle, y), isClockwise: moves === 'clockwise' };
  const way = (moves === 'toward drive') === isFar ? 1 : -1;
  const half = (way * arrowLength) / 2;
  return { kind: 'along', from: put(middle - half, y), to: put(middle + half, y) };
}

interface Placing {
  /** Beneath the drawing, where the arrow stands. */
  readonly y: number;
  readonly isFar: boolean;
  /** From along the shaft and away from it to the picture. */
  readonly put: (x: number, y: number) => readonly [number, number];
}

interface Lit {
  readonly lit: readonly string[];
  readonly moves: StepAction['moves'];
  /** The member that is worked on. */
  readonly inHand?: InHand | undefined;
}

/**
 * What is written on the section for one action: the names of the first parts that are lit, and which way they move.
 * @param lit parts by their reference, the most important first
 * @returns places in the picture; parts that are not drawn have no note
 */
export function noteSection(family: Drawn, { lit, moves, inHand }: Lit): SectionNotes {
  const { radius, lines, axis } = family.section;
  const { bodies, length } = stackStages(family, stackedOf(family), inHand);
  const put = (x: number, y: number) => (axis === 'vertical' ? ([y, length - x] as const) : ([x, y] as const));
  const setOf = new Map(family.parts.map((part) => [part.ref, part.per]));
  const drawn = lit
    .slice(0, mostNotes)
    .flatMap((part) => drawnOf(bodies, part, inHand?.set === setOf.get(part) ? inHand?.number : undefined) ?? []);
  const labelY = -(radius + 22);
  const outside = (body: SectionBody) => -(lines[body.line]?.y ?? 0) + (body.half === 'bottom' ? 1 : -1) * body.r[1];
  const ends = drawn.map((body) => [middleOf(body), outside(body)] as const);
  const spread = spreadLabels(drawn.map(middleOf), {
    gap: axis === 'vertical' ? uprightNoteGap : Math.max(leastNoteGap, noteShare * length),
    ...{ from: 70, to: length - 70 },
  });
  const labels = untangle(ends, spread, labelY);
  const notes = drawn.map((body, i): SectionNote => {
    const [x, y] = put(middleOf(body), outside(body));
    const [labelX, placedY] = put(labels[i] ?? middleOf(body), labelY);
    return { part: body.part, x, y, labelX, labelY: placedY };
  });
  const place = { y: radius + 24, isFar: isDriveFar(bodies), put };
  return { notes, arrow: arrowOf(drawn, moves, place) };
}
