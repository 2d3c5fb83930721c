import type { ReadyRange } from '@/core/planning';

const dayMs = 86_400_000;
const days = (from: string, to: string) => Math.round((Date.parse(to) - Date.parse(from)) / dayMs);

interface Props {
  readonly ready: ReadyRange;
  readonly promisedOn: string;
  readonly today: string;
  readonly width?: number;
  readonly span?: number;
}

/** Ready range as a bar from early to late, hatched where it passes the promise; the promise as a wedge. */
export function ReadyBar({ ready, promisedOn, today, width = 240, span = 42 }: Props) {
  const x = (day: string) => Math.max(2, Math.min(width - 4, (days(today, day) / span) * width));
  const [early, likely, late, promise] = [x(ready.early), x(ready.likely), x(ready.late), x(promisedOn)];
  const isLate = ready.late > promisedOn;
  const good = Math.max(0, Math.min(late, Math.max(early, promise)) - early);
  const over = Math.max(early, promise);
  return (
    <svg
      width={width}
      height={30}
      role="img"
      aria-label={`Ready between ${ready.early} and ${ready.late}, promised ${promisedOn}${isLate ? ', at risk' : ''}`}
      className="weeks"
    >
      <path
        d={`M${early.toFixed(0)} 11h${Math.max(good, isLate ? 0 : 4).toFixed(0)}v8H${early.toFixed(0)}z`}
        fill="var(--slate)"
      />
      {isLate && (
        <path
          d={`M${over.toFixed(0)} 11h${Math.max(3, late - over).toFixed(0)}v8H${over.toFixed(0)}z`}
          fill="url(#late-hatch)"
          stroke="var(--jasper)"
          strokeWidth={0.8}
        />
      )}
      <path d={`M${likely.toFixed(0)} 8v14`} stroke="var(--ink)" strokeWidth={1.6} />
      <path d={`M${(promise - 5).toFixed(0)} 3h10l-5 8z`} fill={isLate ? 'var(--jasper)' : 'var(--ink)'} />
    </svg>
  );
}

export function ReadyAxis({
  today,
  width = 240,
  span = 42,
}: {
  readonly today: string;
  readonly width?: number;
  readonly span?: number;
}) {
  const name = (offset: number) =>
    new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', timeZone: 'UTC' }).format(
      new Date(Date.parse(today) + offset * dayMs),
    );
  return (
    <svg width={width} height={16} aria-hidden="true" fontSize={12} fontFamily="var(--font-mono)" fill="var(--quiet)">
      {[0, 14, 28].map((offset) => (
        <text key={offset} x={(offset / span) * width} y={13}>
          {name(offset)}
        </text>
      ))}
    </svg>
  );
}
