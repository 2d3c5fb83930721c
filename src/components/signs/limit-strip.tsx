import type { Strip } from '@/core/inspection';

interface Props {
  readonly strip: Strip;
  readonly width?: number;
  readonly label: string;
  readonly isBad: boolean;
}

/**
 * A rule to scale: the new band solid, the reuse allowance hatched, beyond it bare; each reading a tick, the worst
 * taller, uncertainty as a whisker. Its hatch is drawn once a page (`SignDefinitions`).
 */
export function LimitStrip({ strip, width = 230, label, isBad }: Props) {
  const x = (value: number) => ((value - strip.low) / (strip.high - strip.low)) * width;
  const worstColour = isBad ? 'var(--jasper)' : 'var(--ink)';
  const bar = (from: number, to: number) => ({
    x: x(Math.min(from, to)),
    width: Math.max(1, Math.abs(x(to) - x(from))),
  });
  return (
    <svg width={width} height={34} role="img" aria-label={label}>
      <line x1={0} x2={width} y1={22} y2={22} stroke="var(--line)" />
      <rect
        {...bar(strip.reuseBand[0], strip.reuseBand[1])}
        y={17}
        height={10}
        fill="url(#reuse-hatch)"
        stroke="var(--slate)"
        strokeWidth={0.7}
      />
      <rect {...bar(strip.newBand[0], strip.newBand[1])} y={17} height={10} fill="var(--slate)" />
      {strip.ticks.map((tick, i) => (
        <line
          key={i}
          x1={x(tick)}
          x2={x(tick)}
          y1={tick === strip.worst ? 8 : 13}
          y2={31}
          stroke={tick === strip.worst ? worstColour : 'var(--ink)'}
          strokeWidth={tick === strip.worst ? 2.6 : 1.4}
        />
      ))}
      {strip.worst !== null && strip.uncertainty > 0 && (
        <line
          x1={x(strip.worst - strip.uncertainty)}
          x2={x(strip.worst + strip.uncertainty)}
          y1={9}
          y2={9}
          stroke={worstColour}
        />
      )}
    </svg>
  );
}
