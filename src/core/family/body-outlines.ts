import { present } from '../present';
import type { Family, SectionBody } from './format';
import { drawShape, shippedShapes, type DrawnShape, type Shape } from './shapes';

type Shapes = Family['shapes'];
type EndBody = NonNullable<Family['end_view']>['bodies'][number];

/** The shape of a name: the family's own before one that ships; undefined where there is none for this view. */
export function findShape(name: string, view: Shape['view'], shapes: Shapes): Shape | undefined {
  const own = Object.hasOwn(shapes, name) ? shapes[name] : undefined;
  const shipped = shippedShapes[view];
  return own?.view === view ? own : Object.hasOwn(shipped, name) ? shipped[name] : undefined;
}

/** What stands in where a stored family names a shape that is there no more. */
const standIn: Readonly<Record<Shape['view'], Shape>> = {
  section: present(shippedShapes.section.ring),
  'end view': present(shippedShapes['end view'].disc),
};
const shapeOf = (name: string, view: Shape['view'], shapes: Shapes) => findShape(name, view, shapes) ?? standIn[view];

/** Outlines of the upper half of a body of the section; the lower half is their mirror. */
export function bodyOutlines(body: SectionBody, shapes: Shapes): readonly DrawnShape[] {
  const { x, r, symbol, steps: own } = body;
  const [[from, to], [inner, outer]] = [x, r];
  const steps: readonly (readonly [number, number])[] = own?.length
    ? own
    : [
        [from, outer],
        [to, outer],
      ];
  const figures = { from, to, inner, outer, width: to - from, height: outer - inner, steps: steps.length };
  return drawShape(shapeOf(symbol, 'section', shapes), { figures: { ...figures, ...body.with }, steps });
}

/** Outlines of a body of the end view, with `y` upwards in its figures. */
export function endOutlines(body: EndBody, shapes: Shapes): readonly DrawnShape[] {
  const { at, r, count, turn_deg: turn, outside, arc_deg: arc } = body;
  const [[x, y], [inner, outer]] = [at, r];
  const figures = {
    ...{ x, y, inner, outer, turn },
    ...(count !== undefined && { count }),
    ...(outside && { outside_x: outside.at[0], outside_y: outside.at[1], outside_r: outside.r }),
    ...(arc && { arc_from: arc[0], arc_to: arc[1] }),
    ...body.with,
  };
  return drawShape(shapeOf(body.symbol, 'end view', shapes), { figures });
}
