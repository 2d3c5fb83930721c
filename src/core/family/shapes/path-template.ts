import { present } from '../../present';
import { readExpression, ShapeError, type Expression, type Scope } from './expression';

/** The figures that each command of a path takes, as in SVG: `x` along, `y` outwards, `-` anything else. */
const commands: Readonly<Record<string, string>> = {
  M: 'xy',
  L: 'xy',
  H: 'x',
  V: 'y',
  T: 'xy',
  Q: 'xyxy',
  C: 'xyxyxy',
  A: '-----xy',
  Z: '',
};

interface Command {
  readonly letter: string;
  readonly figures: readonly Expression[];
}

export interface PathTemplate {
  readonly names: ReadonlySet<string>;
  readonly commands: readonly Command[];
}

const token = /\s*(?:([A-Z])|\{([^{}]*)\}|(-?\d+(?:\.\d+)?))[\s,]*/y;

interface Token {
  readonly letter?: string | undefined;
  readonly figure?: Expression;
}

function tokensOf(text: string): readonly Token[] {
  const found: Token[] = [];
  token.lastIndex = 0;
  while (token.lastIndex < text.length) {
    const from = token.lastIndex;
    const match = token.exec(text);
    if (!match) throw new ShapeError(`“${text.slice(from, from + 20)}” is no command, figure or {expression}`);
    const [, letter, expression, figure] = match;
    found.push(letter === undefined ? { figure: readExpression(expression ?? present(figure)) } : { letter });
  }
  return found;
}

/**
 * A path template, read: the commands of an SVG path in capital letters, each figure as it is or as an expression in
 * braces. Along the shaft grows to the right, and what is further out lies higher.
 * Source: SVG 2, 9.3 (the path data grammar), of which capital letters alone.
 * @throws ShapeError for an unknown command or the wrong number of figures
 * @example readPath('M 0 {inner} H 4').names.has('inner') // true
 */
export function readPath(text: string): PathTemplate {
  const read: Command[] = [];
  let figures: Expression[] = [];
  let letter: string | undefined;
  const close = () => {
    if (letter === undefined) return;
    const takes = present(commands[letter]).length;
    const isWhole = takes === 0 ? figures.length === 0 : figures.length > 0 && figures.length % takes === 0;
    if (!isWhole) throw new ShapeError(`${letter} takes ${takes} figures, not ${figures.length}`);
    for (let i = 0; i < Math.max(takes, figures.length); i += Math.max(1, takes))
      read.push({ letter, figures: figures.slice(i, i + takes) });
    if (takes === 0) read.push({ letter, figures: [] });
    figures = [];
  };
  for (const one of tokensOf(text)) {
    if (one.figure) {
      if (letter === undefined) throw new ShapeError('a path begins with a command, not with a figure');
      figures.push(one.figure);
      continue;
    }
    close();
    letter = present(one.letter);
    if (!Object.hasOwn(commands, letter))
      throw new ShapeError(`there is no command ${letter}; there are ${Object.keys(commands).join(', ')}`);
  }
  close();
  return { names: new Set(read.flatMap((one) => one.figures.flatMap((figure) => [...figure.names]))), commands: read };
}

const n = (value: number) => Number(value.toFixed(2));

/** Draws pieces one after the other; a line that has nowhere to begin begins where it would lead. */
export function writePath(): { readonly add: (path: PathTemplate, scope: Scope) => void; readonly d: () => string } {
  let d = '';
  let isOpen = false;
  return {
    add(path, scope) {
      for (const { letter, figures } of path.commands) {
        const kinds = present(commands[letter]);
        const written = figures.map((figure, i) => n(kinds[i] === 'y' ? -figure.in(scope) : figure.in(scope)));
        d += `${letter === 'L' && !isOpen ? 'M' : letter}${written.join(' ')}`;
        isOpen = letter !== 'Z';
      }
    },
    d: () => d,
  };
}
