import { drawSketch } from '@/core/supply';
import type { MadePart } from '@/core/record';

/** A part as its sketch gives it, to scale: cut along its axis, and seen from the end. */
export function SketchDrawing({
  sketch,
  title,
}: {
  readonly sketch: Pick<MadePart, 'shape' | 'dimensions'>;
  readonly title: string;
}) {
  const { section, end, length, diameter } = drawSketch(sketch);
  if (!diameter)
    return <p className="text-13 text-quiet">The drawing follows from the dimensions as they are typed.</p>;
  const gap = diameter * 0.25;
  const pad = diameter * 0.08;
  const width = length + gap + diameter + 2 * pad;
  const height = diameter + 2 * pad;
  const stroke = diameter / 160;
  const centre = length + gap + diameter / 2;
  return (
    <svg
      role="img"
      aria-label={`${title}: section and end view to scale`}
      viewBox={`${-pad} ${-diameter / 2 - pad} ${width} ${height}`}
      className="max-h-64 w-full"
      fill="none"
      stroke="var(--ink)"
      strokeWidth={stroke}
    >
      <defs>
        <pattern
          id="cut"
          width={diameter / 24}
          height={diameter / 24}
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(45)"
        >
          <line x1="0" y1="0" x2="0" y2={diameter / 24} stroke="var(--slate)" strokeWidth={stroke} />
        </pattern>
      </defs>
      <line
        x1={-pad}
        x2={length + gap / 2}
        y1="0"
        y2="0"
        stroke="var(--quiet)"
        strokeWidth={stroke / 2}
        strokeDasharray={`${diameter / 12} ${diameter / 40} ${diameter / 60} ${diameter / 40}`}
      />
      {section.map((outline, i) => (
        <polygon key={i} points={outline.map(([x, y]) => `${x},${-y}`).join(' ')} fill="url(#cut)" />
      ))}
      {end.map(({ x, y, r, isCentreLine }, i) => (
        <circle
          key={i}
          cx={centre + x}
          cy={-y}
          r={r}
          {...(isCentreLine && {
            stroke: 'var(--quiet)',
            strokeWidth: stroke / 2,
            strokeDasharray: `${diameter / 30} ${diameter / 60}`,
          })}
        />
      ))}
    </svg>
  );
}
