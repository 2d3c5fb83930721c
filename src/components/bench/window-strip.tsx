interface Window {
  readonly min?: number | undefined;
  readonly max?: number | undefined;
}

interface Props {
  readonly window: Window;
  readonly value: number | null;
  readonly unit: string;
  /** What stands at other members of the set, or at other tries. */
  readonly others?: readonly number[];
}

const width = 460;
const inset = 30;

/** Where a strip begins and ends: its window with as much on either side. */
function rangeOf({ min, max }: Window, values: readonly number[]): readonly [number, number] {
  const low = min ?? (max ?? 0) - Math.max(1, Math.abs(max ?? 0) * 0.5);
  const high = max ?? (min ?? 0) + Math.max(1, Math.abs(min ?? 0) * 0.5);
  const span = high - low || 1;
  return [Math.min(low - span, ...values), Math.max(high + span, ...values)];
}

/** A window to scale, the value in or out of it, and what stands beside it. */
export function WindowStrip({ window, value, unit, others = [] }: Props) {
  const shown = value === null ? [...others] : [...others, value];
  const [from, to] = rangeOf(window, shown);
  const x = (figure: number) => inset + ((figure - from) / (to - from)) * (width - 2 * inset);
  const isIn = value !== null && value >= (window.min ?? -Infinity) && value <= (window.max ?? Infinity);
  const words = value === null ? 'nothing typed' : `${value} ${unit}, ${isIn ? 'in the window' : 'outside the window'}`;
  const ends = [window.min, window.max].filter((end) => end !== undefined);
  return (
    <svg viewBox={`0 0 ${width} 58`} className="w-full max-w-[500px]" role="img" aria-label={words}>
      <line x1={0} x2={width} y1={30} y2={30} stroke="var(--slate)" strokeWidth={1} />
      <rect
        x={window.min === undefined ? 0 : x(window.min)}
        y={23}
        width={(window.max === undefined ? width : x(window.max)) - (window.min === undefined ? 0 : x(window.min))}
        height={14}
        fill="var(--slate)"
      />
      {others.map((figure, i) => (
        <line key={i} x1={x(figure)} x2={x(figure)} y1={23} y2={37} stroke="var(--paper)" strokeWidth={2} />
      ))}
      {ends.map((end) => (
        <text key={end} x={x(end)} y={54} fontSize={13} textAnchor="middle" fill="var(--ink)" className="num">
          {end}
        </text>
      ))}
      {value !== null && (
        <>
          <line
            x1={x(value)}
            x2={x(value)}
            y1={17}
            y2={42}
            stroke={isIn ? 'var(--ink)' : 'var(--jasper)'}
            strokeWidth={3}
          />
          <text
            x={Math.min(Math.max(x(value), 24), width - 24)}
            y={13}
            fontSize={14}
            fontWeight={700}
            textAnchor="middle"
            fill={isIn ? 'var(--ink)' : 'var(--jasper)'}
            className="num"
          >
            {value}
          </text>
        </>
      )}
    </svg>
  );
}
