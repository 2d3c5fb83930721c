import type { ReadyRange } from '@/core/planning';

const dayMs = 86_400_000;
const days = (from: string, to: string) => Math.round((Date.parse(to) - Date.parse(from)) / dayMs);
/** How many days a bar shows from today on. */
const span = 42;
/** The ends of a bar, in percent: what lies beyond stands there. */
const [least, most] = [1, 98];
/** The least that can be seen, in percent. */
const sliver = 1.5;

interface Props {
  readonly ready: ReadyRange;
  readonly promisedOn: string;
  readonly today: string;
  /** Its width; what it shows follows, so that one drawing serves narrow and wide screens. */
  readonly className: string;
}

/** Ready range as a bar from early to late, hatched where it passes the promise; the promise as a wedge. */
export function ReadyBar({ ready, promisedOn, today, className }: Props) {
  const x = (day: string) => Math.round(10 * Math.max(least, Math.min(most, (days(today, day) / span) * 100))) / 10;
  const [early, likely, late, promise] = [x(ready.early), x(ready.likely), x(ready.late), x(promisedOn)];
  const isLate = ready.late > promisedOn;
  const good = Math.max(0, Math.min(late, Math.max(early, promise)) - early);
  const over = Math.max(early, promise);
  const percent = (value: number) => `${Math.round(10 * value) / 10}%`;
  return (
    <svg
      height={30}
      role="img"
      aria-label={`Ready between ${ready.early} and ${ready.late}, promised ${promisedOn}${isLate ? ', at risk' : ''}`}
      className={`weeks ${className}`}
    >
      <rect
        x={percent(early)}
        y={11}
        width={percent(Math.max(good, isLate ? 0 : sliver))}
        height={8}
        fill="var(--slate)"
      />
      {isLate && (
        <rect
          x={percent(over)}
          y={11}
          width={percent(Math.max(sliver, late - over))}
          height={8}
          fill="url(#late-hatch)"
          stroke="var(--jasper)"
          strokeWidth={0.8}
        />
      )}
      <line x1={percent(likely)} x2={percent(likely)} y1={8} y2={22} stroke="var(--ink)" strokeWidth={1.6} />
      <svg x={percent(promise)} overflow="visible">
        <path d="M-5 3h10l-5 8z" fill={isLate ? 'var(--jasper)' : 'var(--ink)'} />
      </svg>
    </svg>
  );
}

const axisDays = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', timeZone: 'UTC' });

/** The days of the bars under it. */
export function ReadyAxis({ today, className }: Pick<Props, 'today' | 'className'>) {
  const name = (offset: number) => axisDays.format(new Date(Date.parse(today) + offset * dayMs));
  return (
    <svg
      height={16}
      aria-hidden="true"
      fontSize={12}
      fontFamily="var(--font-mono)"
      fill="var(--quiet)"
      className={className}
    >
      {[0, 14, 28].map((offset) => (
        <text key={offset} x={`${Math.round((1000 * offset) / span) / 10}%`} y={13}>
          {name(offset)}
        </text>
      ))}
    </svg>
  );
}
