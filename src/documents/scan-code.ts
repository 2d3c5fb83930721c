import codes from 'bwip-js/node';
import { colours, type Paper } from './paper';

interface Place {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** A rectangle of a code, in its modules. */
interface Bar {
  readonly x: number;
  readonly y: number;
  readonly width: number;
}

/** What of a code is dark, row by row, and how many modules it has across and down. */
export interface Code {
  readonly across: number;
  readonly down: number;
  readonly bars: readonly Bar[];
}

/** Dark and light in turn, the dark first: where each dark run begins and how long it is. */
function barsOf(widths: readonly number[]): readonly Bar[] {
  let x = 0;
  return widths.flatMap((width, i) => {
    x += width;
    return i % 2 === 0 ? [{ x: x - width, y: 0, width }] : [];
  });
}

/** The dark runs of each row of a matrix. @param dark 1 where a module is dark */
function runsOf(dark: readonly number[], across: number): readonly Bar[] {
  return dark.flatMap((one, i) => {
    const x = i % across;
    const isFirst = one === 1 && (x === 0 || dark[i - 1] === 0);
    if (!isFirst) return [];
    const end = dark.slice(i, i - x + across).indexOf(0);
    return [{ x, y: Math.floor(i / across), width: end === -1 ? across - x : end }];
  });
}

/**
 * What a scanner reads.
 * @param symbol `datamatrix` (ISO/IEC 16022) or `code128` (ISO/IEC 15417)
 */
export function codeOf(symbol: 'datamatrix' | 'code128', text: string): Code {
  // By the whole package: as a module, its own `raw` of that name is a symbol of bars.
  const [code] = codes.raw({ bcid: symbol, text });
  if (!code) throw new RangeError(`no code says ${text}`);
  if ('pixs' in code) return { across: code.pixx, down: code.pixy, bars: runsOf(code.pixs, code.pixx) };
  return { across: code.sbs.reduce((sum, one) => sum + one, 0), down: 1, bars: barsOf(code.sbs) };
}

/** Of a module: so far a row reaches into the one below, or a viewer would show a light line between them. */
const overlap = 0.02;

/** Draws a code as shapes, not as a picture: it is sharp at any size, and nothing is packed and unpacked for it. */
export function drawCode(paper: Paper, { across, down, bars }: Code, { x, y, width, height }: Place): void {
  const [wide, high] = [width / across, height / down];
  for (const bar of bars) {
    const isLast = bar.y === down - 1;
    paper.rect(x + bar.x * wide, y + bar.y * high, bar.width * wide, high * (isLast ? 1 : 1 + overlap));
  }
  paper.fill(colours.ink);
}
