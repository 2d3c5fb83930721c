'use client';

import { ComposedChart, Line, ResponsiveContainer, XAxis, YAxis } from 'recharts';

const axis = { stroke: 'var(--quiet)', tick: { fill: 'var(--quiet)', fontSize: 13 }, domain: [0, 100] };

/** At each chance, how often the day that was said held; the thin line is where they are the same. */
export function HeldChart({ points }: { readonly points: readonly { readonly pct: number; readonly held: number }[] }) {
  const data = [{ pct: 0, even: 0 }, ...points.map((one) => ({ ...one, even: one.pct })), { pct: 100, even: 100 }];
  return (
    <div role="img" aria-label="How often the days that were said held, at each chance">
      <ResponsiveContainer width="100%" height={220}>
        <ComposedChart data={data} margin={{ top: 8, right: 16, bottom: 4, left: 0 }}>
          <XAxis {...axis} dataKey="pct" type="number" ticks={[0, 25, 50, 75, 100]} unit=" %" height={26} />
          <YAxis {...axis} width={56} ticks={[0, 25, 50, 75, 100]} unit=" %" />
          <Line dataKey="even" stroke="var(--quiet)" strokeWidth={1} dot={false} isAnimationActive={false} />
          <Line
            dataKey="held"
            stroke="var(--ink)"
            strokeWidth={2}
            dot={{ r: 4, fill: 'var(--ink)' }}
            connectNulls={false}
            isAnimationActive={false}
          />
        </ComposedChart>
      </ResponsiveContainer>
    </div>
  );
}
