import { readExpression, ShapeError, type Expression, type Scope } from './expression';
import { readPath, writePath, type PathTemplate } from './path-template';
import type { Shape } from './shape-schema';

export interface Drawn {
  readonly d: string;
  readonly fill: Shape['outlines'][number]['fill'];
}

/** What a body says of itself to its shape. */
export interface ShapeInput {
  readonly figures: Readonly<Record<string, number>>;
  readonly steps?: Scope['steps'];
}

interface Piece {
  readonly times?: Expression;
  readonly path: PathTemplate;
}
interface ReadShape {
  readonly names: ReadonlyMap<string, Expression>;
  readonly outlines: readonly { readonly fill: Drawn['fill']; readonly pieces: readonly Piece[] }[];
}

const known = new WeakMap<Shape, ReadShape>();

function read(shape: Shape): ReadShape {
  const before = known.get(shape);
  if (before) return before;
  const names = new Map(Object.entries(shape.names).map(([name, text]) => [name, readExpression(text)]));
  const outlines = shape.outlines.map(({ fill, path }) => ({
    fill,
    pieces: [path]
      .flat()
      .map((piece): Piece =>
        typeof piece === 'string'
          ? { path: readPath(piece) }
          : { times: readExpression(piece.times), path: readPath(piece.path) },
      ),
  }));
  known.set(shape, { names, outlines });
  return { names, outlines };
}

/** Most times that a piece is drawn: a wrong figure must not fill the memory. */
const mostTimes = 400;

function scopeOf(shape: Shape, { figures, steps = [] }: ShapeInput): Scope {
  const { names } = read(shape);
  const reckoned = new Map<string, number>();
  const scope: Scope = {
    steps,
    valueOf(name) {
      const own = figures[name];
      if (own !== undefined) return own;
      const kept = reckoned.get(name);
      if (kept !== undefined) return kept;
      const expression = names.get(name);
      const value = expression ? expression.in(scope) : (shape.values[name] ?? NaN);
      reckoned.set(name, value);
      return value;
    },
  };
  return scope;
}

/**
 * The outlines of a shape for one body, in drawing millimetres; what is further out is negative, as pictures have it.
 * @param input its figures by name: of a section `from`, `to`, `inner`, `outer`, `width`, `height`; of an end view `x`,
 *   `y`, `inner`, `outer` and what else the body gives
 */
export function drawShape(shape: Shape, input: ShapeInput): readonly Drawn[] {
  const scope = scopeOf(shape, input);
  return read(shape).outlines.map(({ fill, pieces }) => {
    const path = writePath();
    for (const { times, path: template } of pieces) {
      const count = times ? Math.min(mostTimes, times.in(scope)) : 1;
      for (let i = 0; i < count; i++)
        path.add(template, { ...scope, valueOf: (name) => (name === 'i' ? i : scope.valueOf(name)) });
    }
    return { d: path.d(), fill };
  });
}

/** The names that every body of a view gives. */
export const givenNames: Readonly<Record<Shape['view'], readonly string[]>> = {
  section: ['from', 'to', 'inner', 'outer', 'width', 'height', 'steps'],
  'end view': ['x', 'y', 'inner', 'outer', 'turn'],
};

/** Names that expressions of a shape read and nothing gives, or that lead back to themselves. */
export function faultsOfShape(shape: Shape): readonly string[] {
  let whole: ReadShape;
  try {
    whole = read(shape);
  } catch (error) {
    if (error instanceof ShapeError) return [error.message];
    throw error;
  }
  const { names, outlines } = whole;
  const given = new Set([...givenNames[shape.view], ...Object.keys(shape.values), ...names.keys()]);
  const pieces = outlines.flatMap((outline) => outline.pieces);
  const readByAll = [
    ...[...names.values()].flatMap((one) => [...one.names]),
    ...pieces.flatMap(({ times, path }) => [
      ...(times?.names ?? []),
      ...[...path.names].filter((name) => !times || name !== 'i'),
    ]),
  ];
  const unknown = [...new Set(readByAll)].filter((name) => !given.has(name));
  const circular = [...names.keys()].filter((name) => leadsTo(name, name, names));
  return [
    ...unknown.map((name) => `nothing gives “${name}”`),
    ...circular.map((name) => `“${name}” is reckoned from itself`),
  ];
}

function leadsTo(
  from: string,
  name: string,
  names: ReadonlyMap<string, Expression>,
  seen = new Set<string>(),
): boolean {
  return [...(names.get(from)?.names ?? [])].some((next) => {
    if (next === name) return true;
    if (seen.has(next)) return false;
    seen.add(next);
    return leadsTo(next, name, names, seen);
  });
}
