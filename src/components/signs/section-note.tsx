import type { SectionNotes } from '@/core/family';
import { wordsOverLines } from './words-over-lines';

/** Letters of a line, so that three names find room beside each other over the drawing. */
const lineLength = 18;
/** Width of a bold letter as a share of its height, on an average. */
const letterWidth = 0.57;

/** A name in lines of about a length, broken between words. */
export function linesOf(name: string): readonly string[] {
  return name.split(' ').reduce<readonly string[]>((lines, word) => {
    const last = lines.at(-1);
    return last !== undefined && last.length + 1 + word.length <= lineLength
      ? [...lines.slice(0, -1), `${last} ${word}`]
      : [...lines, word];
  }, []);
}

/** How wide the longest line of a name is, in the picture's own measure. */
export const nameWidth = (name: string, size: number): number =>
  Math.max(...linesOf(name).map((line) => line.length)) * letterWidth * size;

interface Props {
  readonly note: SectionNotes['notes'][number];
  readonly name: string;
  readonly size: number;
  /** From where to where along the picture's width words may stand. */
  readonly across: readonly [from: number, to: number];
  /** The shaft stands upright: names end at the edge of the pump, and go down. */
  readonly isUpright: boolean;
}

/** The name of a lit part with the line that points to it, whole within the picture. */
export function SectionNote({ note: { x, y, labelX, labelY }, name, size, across: [from, to], isUpright }: Props) {
  const lines = linesOf(name);
  const half = nameWidth(name, size) / 2;
  const wordX = isUpright ? labelX : Math.min(Math.max(labelX, from + half), to - half);
  const firstY = labelY - 4 - (isUpright ? 0 : (lines.length - 1) * size);
  return (
    <g className="pointer-events-none">
      <line x1={x} y1={y} x2={labelX} y2={labelY} stroke="var(--ink)" strokeWidth={0.8} />
      <circle cx={x} cy={y} r={2.2} fill="var(--ink)" />
      <text textAnchor={isUpright ? 'end' : 'middle'} fontSize={size} {...wordsOverLines}>
        {lines.map((line, i) => (
          <tspan key={line} x={wordX} y={firstY + i * size}>
            {i < lines.length - 1 ? `${line} ` : line}
          </tspan>
        ))}
      </text>
    </g>
  );
}
