import type { Family, FamilyPoint } from './format';

/** The parts that light up where another is drawn, with those of the others that a build has. */
export function drawnWith(
  { drawn_with }: Family['section'],
  here: (ref: string) => boolean,
): Family['section']['drawn_with'] {
  const kept = Object.entries(drawn_with).flatMap(([part, hosts]) => {
    const left = hosts.filter(here);
    return here(part) && left.length ? [[part, left] as const] : [];
  });
  return Object.fromEntries(kept.map(([part, hosts]) => [part, [...hosts]]));
}

type Body = Family['section']['bodies'][number];
/** A body of the section, so much further along. */
export const movedBody = (body: Body, by: number): Body =>
  by === 0
    ? body
    : {
        ...body,
        x: [body.x[0] + by, body.x[1] + by],
        ...(body.steps && { steps: body.steps.map(([x, r]): [number, number] => [x + by, r]) }),
      };

/** A point, and what each of its members says otherwise, as much further along as the drawing. */
export function movedPoint(point: FamilyPoint, by: number): FamilyPoint {
  if (by === 0) return point;
  const move = ([x, r]: readonly [number, number]): [number, number] => [x + by, r];
  const each = point.each?.map((one) => (one.at ? { ...one, at: move(one.at) } : one));
  return { ...point, at: move(point.at), ...(each && { each }) };
}
