import { isOther, type EndDrawing, type InHand } from '@/core/family';
import type { PartState } from './section';
import { wordsOverLines } from './words-over-lines';

interface Props {
  readonly drawing: EndDrawing;
  readonly parts: Readonly<Record<string, PartState>>;
  /** Which way the lit parts turn. */
  readonly turns: 'clockwise' | 'anticlockwise' | null;
  /** The member that is worked on. */
  readonly inHand?: InHand | undefined;
  readonly onPickPart?: (ref: string) => void;
}

const fills: Readonly<Record<PartState, string>> = {
  here: 'var(--sand)',
  removed: 'none',
  replace: 'var(--jasper)',
  fitted: 'var(--sand)',
  now: 'var(--ochre)',
};

/** The pump seen along its shaft: what turns in what, and where the liquid comes in and goes out. */
export function EndView({ drawing: { seenFrom, radius, shapes, labels }, parts, turns, inHand, onPickPart }: Props) {
  const r = radius * 0.94;
  const size = radius / 9;
  // What is named at the side stands beside the pump: on it, words and outlines would hide each other.
  const named = labels.map((label) => {
    const isAside = Math.abs(label.x) > radius / 2 && Math.abs(label.y) < radius / 2;
    const side = Math.sign(label.x);
    return isAside
      ? { ...label, x: side * (radius + 6), anchor: side < 0 ? ('end' as const) : ('start' as const) }
      : { ...label, anchor: 'middle' as const };
  });
  const beside = named.filter(({ anchor }) => anchor !== 'middle').map(({ words }) => 6 + words.length * 0.62 * size);
  const half = radius + Math.max(8, ...beside);
  const sweep = turns === 'clockwise' ? 1 : 0;
  const from = turns === 'clockwise' ? -50 : 50;
  const at = (deg: number) => `${Math.sin((deg * Math.PI) / 180) * r} ${-Math.cos((deg * Math.PI) / 180) * r}`;
  return (
    <figure className="mt-3">
      <svg
        viewBox={`${-half} ${-radius - 8} ${2 * half} ${2 * radius + 16}`}
        className="mx-auto max-h-[27vh] w-full"
        role="group"
        aria-label={`End view, seen from ${seenFrom}`}
      >
        <g stroke="var(--ink)" strokeWidth={1.2} strokeLinejoin="round" fillRule="evenodd">
          {shapes.map(({ part, d, member }, i) => {
            const own = parts[part] ?? 'here';
            const state = own === 'now' && isOther(member, inHand) ? 'here' : own;
            return (
              <path
                key={i}
                d={d}
                data-end={part}
                fill={fills[state]}
                strokeOpacity={state === 'removed' ? 0.3 : 1}
                strokeDasharray={state === 'removed' ? '3 3' : undefined}
                className={onPickPart && 'cursor-pointer'}
                onClick={onPickPart && (() => onPickPart(part))}
              />
            );
          })}
        </g>
        {turns && (
          <g fill="none" stroke="var(--jasper)" strokeWidth={3} data-turns={turns}>
            <path d={`M${at(from)}A${r} ${r} 0 0 ${sweep} ${at(-from)}`} />
            <path
              d="M-6 -5L4 0L-6 5z"
              fill="var(--jasper)"
              stroke="none"
              transform={`translate(${at(-from)}) rotate(${turns === 'clockwise' ? 50 : 130})`}
            />
          </g>
        )}
        {named.map(({ words, x, y, anchor }) => (
          <text key={words} x={x} y={y} textAnchor={anchor} fontSize={size} {...wordsOverLines}>
            {words}
          </text>
        ))}
      </svg>
      <figcaption className="text-center text-13 text-quiet">seen from {seenFrom}</figcaption>
    </figure>
  );
}
