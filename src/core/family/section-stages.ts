import type { FamilyPoint, SectionBody } from './format';
import type { Drawn, SectionBreak } from './section-drawing';

export interface Stacked {
  readonly bodies: readonly SectionBody[];
  /** Where a point of the file stands in the drawing; null where its stage is not drawn. */
  readonly move: (point: FamilyPoint) => number | null;
  readonly length: number;
  readonly breaks: readonly SectionBreak[];
}

const mostStages = 4;
const breakWidth = 26;

/** Members of a stacked set drawn one after the other: up to four all of them, else the first two, a break and the last. */
export function stackStages({ section, sets }: Drawn, stages: number): Stacked {
  const { stack, bodies, length } = section;
  if (!stack) return { bodies, move: (point) => point.at[0], length, breaks: [] };
  const { from, pitch } = stack;
  const shown = stages <= mostStages ? Array.from({ length: stages }, (_, i) => i) : [0, 1, stages - 1];
  const isBroken = stages > mostStages;
  const placeOf = (k: number) => k * pitch + (isBroken && k === shown.length - 1 ? breakWidth : 0);
  const grown = (shown.length - 1) * pitch + (isBroken ? breakWidth : 0);
  const behind = (x: number) => (x > from + pitch / 2 ? x + grown : x);
  const shifted = bodies.flatMap((body): SectionBody[] => {
    if (body.per === stack.set)
      return shown.map((_, k) => ({ ...body, x: [body.x[0] + placeOf(k), body.x[1] + placeOf(k)] }));
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
  const gap = from + 2 * pitch;
  const plural = sets.find((one) => one.id === stack.set)?.plural ?? 'stages';
  return {
    bodies: shifted,
    move,
    length: length + grown,
    breaks: isBroken ? [{ x: [gap, gap + breakWidth], words: `${stages} ${plural}` }] : [],
  };
}
