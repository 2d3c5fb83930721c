import { bodyOutlines, endOutlines, findShape } from './body-outlines';
import { fault, type Faults } from './closure-fault';
import type { Family } from './format';
import { faultsOfShape, shippedShapes, type DrawnShape, type Shape } from './shapes';

/** Every shape of the file's own reads only what it is given. */
export function checkShapes({ shapes }: Pick<Family, 'shapes'>): Faults {
  return Object.entries(shapes).flatMap(([name, shape]) =>
    faultsOfShape(shape).map((what) => fault(`shapes.${name}`, 'drawn', `shape “${name}”: ${what}`)),
  );
}

interface Body {
  readonly part: string;
  readonly symbol: string;
  readonly r: readonly [inner: number, outer: number];
  readonly with?: Readonly<Record<string, number>> | undefined;
}

const namesOf = (view: Shape['view'], shapes: Family['shapes']) => [
  ...Object.keys(shippedShapes[view]),
  ...Object.entries(shapes).flatMap(([name, shape]) => (shape.view === view ? [name] : [])),
];

interface Asked {
  readonly path: string;
  readonly view: Shape['view'];
  readonly shapes: Family['shapes'];
}

function checkBody(body: Body, { path, view, shapes }: Asked, draw: () => readonly DrawnShape[]): Faults {
  const shape = findShape(body.symbol, view, shapes);
  if (!shape) {
    const known = namesOf(view, shapes).join(', ');
    return [fault(`${path}.symbol`, 'drawn', `there is no shape “${body.symbol}” for a ${view}; there are ${known}`)];
  }
  const unknown = Object.keys(body.with ?? {}).filter((name) => !(name in shape.values) && !(name in shape.names));
  if (unknown.length) {
    const takes = Object.keys({ ...shape.values, ...shape.names }).join(', ') || 'none';
    return [fault(`${path}.with`, 'drawn', `shape “${body.symbol}” takes ${takes}, not ${unknown.join(', ')}`)];
  }
  if (body.r[0] > body.r[1])
    return [fault(`${path}.r`, 'drawn', `${body.part} is larger inside (${body.r[0]}) than outside (${body.r[1]})`)];
  const isDrawn = draw().every(({ d }) => d !== '' && !/NaN|Infinity/.test(d));
  return isDrawn
    ? []
    : [fault(path, 'drawn', `${body.part} cannot be drawn as “${body.symbol}”: a figure of it comes out as none`)];
}

/** Every body of section and end view can be drawn as this pump is built. */
export function checkDrawing({ section, end_view, shapes }: Pick<Family, 'section' | 'end_view' | 'shapes'>): Faults {
  const along = section.bodies.flatMap((body, i) => {
    const path = `section.bodies.${i}`;
    const [from, to] = body.x;
    if (from > to) return [fault(`${path}.x`, 'drawn', `${body.part} ends (${to}) before it begins (${from})`)];
    return checkBody(body, { path, view: 'section', shapes }, () => bodyOutlines(body, shapes));
  });
  const across = (end_view?.bodies ?? []).flatMap((body, i) =>
    checkBody(body, { path: `end_view.bodies.${i}`, view: 'end view', shapes }, () => endOutlines(body, shapes)),
  );
  return [...along, ...across];
}
