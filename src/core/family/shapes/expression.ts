import jsep from 'jsep';
import { present } from '../../present';

/** What is wrong with a shape, in words; the path says where. */
export class ShapeError extends Error {}

/** Where an expression finds its figures. */
export interface Scope {
  readonly valueOf: (name: string) => number;
  /** Of a turned part: place along the shaft and radius at each step. */
  readonly steps: readonly (readonly [x: number, radius: number])[];
}

export interface Expression {
  /** The names that it reads. */
  readonly names: ReadonlySet<string>;
  readonly in: (scope: Scope) => number;
}

type Reckon = (scope: Scope) => number;
type Operation = (...figures: readonly number[]) => number;

const toRad = (deg: number) => (deg * Math.PI) / 180;
const operators: Readonly<Record<string, (left: number, right: number) => number>> = {
  '+': (left, right) => left + right,
  '-': (left, right) => left - right,
  '*': (left, right) => left * right,
  '/': (left, right) => left / right,
  '%': (left, right) => left % right,
};
/** With how many figures each is called, and what it gives; angles are in degrees. */
const functions: Readonly<Record<string, readonly [least: number, most: number, Operation]>> = {
  min: [1, 9, (...figures) => Math.min(...figures)],
  max: [1, 9, (...figures) => Math.max(...figures)],
  round: [1, 1, (figure = NaN) => Math.round(figure)],
  floor: [1, 1, (figure = NaN) => Math.floor(figure)],
  abs: [1, 1, (figure = NaN) => Math.abs(figure)],
  sqrt: [1, 1, (figure = NaN) => Math.sqrt(Math.max(0, figure))],
  sin: [1, 1, (deg = NaN) => Math.sin(toRad(deg))],
  cos: [1, 1, (deg = NaN) => Math.cos(toRad(deg))],
};
/** What is asked of a turned part by the number of a step, from 0; past the last it is the last. */
const stepFunctions: Readonly<Record<string, 0 | 1>> = { step_at: 0, step_radius: 1 };

const nameOf = (node: jsep.Expression) => (node.type === 'Identifier' ? String(node.name) : '');

function compileCall(node: jsep.Expression, names: Set<string>): Reckon {
  const { callee, arguments: given } = node as jsep.CallExpression;
  const name = nameOf(callee);
  const inner = given.map((one) => compile(one, names));
  if (Object.hasOwn(stepFunctions, name)) {
    const which = present(stepFunctions[name]);
    const number = inner[0];
    if (!number || inner.length !== 1) throw new ShapeError(`${name} takes the number of one step`);
    return (scope) => scope.steps[Math.min(number(scope), scope.steps.length - 1)]?.[which] ?? NaN;
  }
  if (!Object.hasOwn(functions, name)) {
    const known = [...Object.keys(functions), ...Object.keys(stepFunctions)].join(', ');
    throw new ShapeError(`“${name}” is no function of a shape; there are ${known}`);
  }
  const [least, most, operation] = present(functions[name]);
  if (inner.length < least || inner.length > most)
    throw new ShapeError(`${name} takes ${least === most ? `${least} figure` : `${least} to ${most} figures`}`);
  return (scope) => operation(...inner.map((one) => one(scope)));
}

function compile(node: jsep.Expression, names: Set<string>): Reckon {
  if (node.type === 'Literal' && typeof node.value === 'number') {
    const figure = node.value;
    return () => figure;
  }
  if (node.type === 'Identifier') {
    const name = nameOf(node);
    names.add(name);
    return (scope) => scope.valueOf(name);
  }
  if (node.type === 'UnaryExpression' && node.operator === '-') {
    const inner = compile(node.argument as jsep.Expression, names);
    return (scope) => -inner(scope);
  }
  if (node.type === 'BinaryExpression' && Object.hasOwn(operators, String(node.operator))) {
    const operation = present(operators[String(node.operator)]);
    const left = compile(node.left as jsep.Expression, names);
    const right = compile(node.right as jsep.Expression, names);
    return (scope) => operation(left(scope), right(scope));
  }
  if (node.type === 'CallExpression') return compileCall(node, names);
  throw new ShapeError('it may have figures, names, + − * / %, brackets and functions, and nothing else');
}

/**
 * An expression of a shape, read: figures, names, the four operations and the remainder, brackets, `min`, `max`,
 * `round`, `floor`, `abs`, `sqrt`, `sin` and `cos` of degrees, and of a turned part `step_at` and `step_radius`.
 * @param text as it stands in the file
 * @throws ShapeError for what cannot be reckoned, in words
 * @example readExpression('2 * (3 + 4)').in({ valueOf: () => 0, steps: [] }) // 14
 */
export function readExpression(text: string): Expression {
  const names = new Set<string>();
  let node: jsep.Expression;
  try {
    node = jsep(text);
  } catch (error) {
    throw new ShapeError(`“${text}” cannot be read: ${error instanceof Error ? error.message : String(error)}`);
  }
  try {
    return { names, in: compile(node, names) };
  } catch (error) {
    throw error instanceof ShapeError ? new ShapeError(`“${text}”: ${error.message}`) : error;
  }
}
