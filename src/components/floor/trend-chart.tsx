'use client';

import { ComposedChart, Line, ResponsiveContainer, XAxis, YAxis } from 'recharts';

const axis = { stroke: 'var(--quiet)', tick: { fill: 'var(--quiet)', fontSize: 13 } };

interface Props {
  readonly title: string;
  readonly unit: string;
  readonly points: readonly { readonly month: string; readonly value: number | null }[];
}

const short = (month: string) => `${month.slice(5)}/${month.slice(2, 4)}`;

/** Shares reach to 100 at least; what may go beyond has its own top. */
function topOf(points: Props['points'], unit: string): number | 'auto' {
  if (unit !== '%') return 'auto';
  const most = Math.max(100, ...points.flatMap(({ value }) => value ?? []));
  return Math.ceil(most / 20) * 20;
}

/** A figure by month; a month without one is a gap. */
export function TrendChart({ title, unit, points }: Props) {
  return (
    <div role="img" aria-label={`${title} by month`}>
      <ResponsiveContainer width="100%" height={150}>
        <ComposedChart data={[...points]} margin={{ top: 8, right: 12, bottom: 0, left: 0 }}>
          <XAxis {...axis} dataKey="month" tickFormatter={short} minTickGap={24} height={26} />
          <YAxis {...axis} width={56} domain={[0, topOf(points, unit)]} unit={unit === '%' ? ' %' : ''} />
          <Line
            dataKey="value"
            stroke="var(--ink)"
            strokeWidth={2}
            dot={{ r: 3, fill: 'var(--ink)' }}
            connectNulls={false}
            isAnimationActive={false}
          />
        </ComposedChart>
      </ResponsiveContainer>
    </div>
  );
}
