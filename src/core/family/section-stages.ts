import type { FamilyPoint, SectionBody } from './format';
import type { Drawn, InHand, SectionBreak } from './section-drawing';

/** A body as it is drawn; of a stack, with the number of its member. */
export type StackedBody = SectionBody & { readonly stage?: number };

export interface Stacked {
  readonly bodies: readonly StackedBody[];
  /** Where a point of the file stands in the drawing; null where its stage is not drawn. */
  readonly move: (point: FamilyPoint) => number | null;
  readonly length: number;
  readonly breaks: readonly SectionBreak[];
}

const mostStages = 4;
const breakWidth = 26;

/** Members that are drawn: up to four all of them, else the first two and the last, and the one in hand. */
function shownOf(stages: number, inHand: number | undefined): readonly number[] {
  if (stages <= mostStages) return Array.from({ length: stages }, (_, i) => i);
  const one = inHand === undefined ? 1 : inHand - 1;
  return [...new Set([0, one === 0 ? 1 : one, stages - 1])].toSorted((a, b) => a - b);
}

/**
 * Members of a stacked set drawn one after the other, with a break wherever some are left out.
 * @param inHand the member that must be drawn; where none of this set is named, the second
 */
export function stackStages({ section, sets }: Drawn, stages: number, inHand?: InHand): Stacked {
  const { stack, bodies, length } = section;
  if (!stack) return { bodies, move: (point) => point.at[0], length, breaks: [] };
  const { from, pitch } = stack;
  const shown = shownOf(stages, inHand?.set === stack.set ? inHand.number : undefined);
  const leftOut = (k: number) => k > 0 && (shown[k] ?? 0) - (shown[k - 1] ?? 0) > 1;
  const breaksBefore = (k: number) => shown.filter((_, i) => i <= k && leftOut(i)).length;
  const placeOf = (k: number) => k * pitch + breaksBefore(k) * breakWidth;
  const grown = placeOf(shown.length - 1);
  const behind = (x: number) => (x > from + pitch / 2 ? x + grown : x);
  const shifted = bodies.flatMap((body): StackedBody[] => {
    if (body.per === stack.set)
      return shown.map((stage, k) => ({
        ...body,
        x: [body.x[0] + placeOf(k), body.x[1] + placeOf(k)],
        ...(body.steps && { steps: body.steps.map(([x, r]) => [x + placeOf(k), r] as [number, number]) }),
        stage: stage + 1,
      }));
    return [
      {
        ...body,
        x: [behind(body.x[0]), behind(body.x[1])],
        ...(body.steps && { steps: body.steps.map(([x, r]) => [behind(x), r] as [number, number]) }),
      },
    ];
  });
  const move = ({ at: [x], per }: FamilyPoint) => {
    if (per !== stack.set) return behind(x);
    const stage = Math.floor((x - from) / pitch);
    const k = shown.indexOf(stage);
    return k < 0 ? null : x - stage * pitch + placeOf(k);
  };
  const plural = sets.find((one) => one.id === stack.set)?.plural ?? 'stages';
  const gaps = shown.flatMap((_, k) => (leftOut(k) ? [from + placeOf(k) - breakWidth] : []));
  return {
    bodies: shifted,
    move,
    length: length + grown,
    breaks: gaps.map((x, i) => ({ x: [x, x + breakWidth], words: i === 0 ? `${stages} ${plural}` : '' })),
  };
}
