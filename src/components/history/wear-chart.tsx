'use client';

import {
  ComposedChart,
  Line,
  ReferenceArea,
  ReferenceLine,
  ResponsiveContainer,
  Scatter,
  XAxis,
  YAxis,
} from 'recharts';
import type { PointHistory } from '@/core/history';

const axis = { stroke: 'var(--quiet)', tick: { fill: 'var(--quiet)', fontSize: 13 } };

interface Props {
  readonly point: PointHistory;
}

interface Dot {
  readonly hours: number;
  readonly value: number;
}

/** What was left at one visit and found at the next, a line each: a renewed part begins a new one. */
function runsOf({ visits }: PointHistory): readonly (readonly Dot[])[] {
  return visits.slice(1).flatMap((visit, i) => {
    const before = visits[i];
    const base = before?.asLeft ?? before?.asFound ?? null;
    if (!before || before.hours === null || visit.hours === null || base === null || visit.asFound === null) return [];
    return [
      [
        { hours: before.hours, value: base },
        { hours: visit.hours, value: visit.asFound },
      ],
    ];
  });
}

/** Ends of an axis with some room, and its ticks. */
function spanOf(values: readonly number[]): readonly [number, number] {
  const [low, high] = [Math.min(...values), Math.max(...values)];
  const room = (high - low || Math.abs(high) || 1) * 0.12;
  return [low - room, high + room];
}

/** A point over running hours: found and left at each visit, its limit, and where it will meet that. */
export function WearChart({ point }: Props) {
  const { visits, wear, asNew, unit, decimals } = point;
  const { limit, forecast, last } = wear;
  const found = visits.flatMap(({ hours, asFound }) =>
    hours === null || asFound === null ? [] : [{ hours, value: asFound }],
  );
  const left = visits.flatMap(({ hours, asLeft }) =>
    hours === null || asLeft === null ? [] : [{ hours, value: asLeft }],
  );
  const from = visits.at(-1)?.hours ?? 0;
  const ahead =
    forecast && last !== null && limit !== null
      ? forecast.outAtHours.map((hours) => [
          { hours: from, value: last },
          { hours, value: limit },
        ])
      : [];
  const shown = [...found, ...left, ...ahead.flat()];
  if (!shown.length) return <p className="text-quiet">No hour meter was read: there is no line over hours.</p>;
  const news = [asNew.min, asNew.max].filter((one) => one !== undefined);
  const values = [...shown.map(({ value }) => value), ...(limit === null ? [] : [limit]), ...news];
  const [newLow, newHigh] = news;
  const [low, high] = spanOf(values);
  const most = Math.max(...shown.map(({ hours }) => hours));
  const step = [1000, 2000, 5000, 10_000, 20_000].find((one) => most / one <= 7) ?? 50_000;
  const end = Math.ceil(most / step) * step;
  const write = (value: number) => value.toFixed(decimals);
  return (
    <div role="img" aria-label={`${point.title} over running hours`}>
      <ResponsiveContainer width="100%" height={260}>
        <ComposedChart margin={{ top: 12, right: 20, bottom: 4, left: 12 }}>
          <XAxis
            {...axis}
            dataKey="hours"
            type="number"
            domain={[0, end]}
            ticks={Array.from({ length: Math.round(end / step) + 1 }, (_, i) => i * step)}
            tickFormatter={(hours: number) => String(Math.round(hours / 1000))}
            label={{ value: 'thousand hours', position: 'insideBottomRight', offset: -2, fontSize: 13 }}
            height={38}
          />
          <YAxis
            {...axis}
            dataKey="value"
            type="number"
            domain={[low, high]}
            tickFormatter={write}
            width={72}
            unit={` ${unit}`}
          />
          {newLow !== undefined && newHigh !== undefined && (
            <ReferenceArea y1={newLow} y2={newHigh} fill="var(--slate)" fillOpacity={0.18} ifOverflow="hidden" />
          )}
          {limit !== null && (
            <ReferenceLine
              y={limit}
              stroke="var(--jasper)"
              strokeWidth={2}
              label={{
                value: `out ${wear.direction === 1 ? 'above' : 'below'} ${write(limit)}`,
                position: 'insideTopLeft',
                fontSize: 13,
              }}
            />
          )}
          {visits.map(({ tag, hours }) =>
            hours === null ? null : <ReferenceLine key={tag} x={hours} stroke="var(--line)" strokeDasharray="3 4" />,
          )}
          {runsOf(point).map((run, i) => (
            <Line
              key={i}
              data={[...run]}
              dataKey="value"
              stroke="var(--ink)"
              strokeWidth={2}
              dot={false}
              isAnimationActive={false}
            />
          ))}
          {ahead.map((run, i) => (
            <Line
              key={`ahead ${i}`}
              data={run}
              dataKey="value"
              stroke="var(--jasper)"
              strokeWidth={i === 1 ? 2 : 1}
              strokeDasharray="6 4"
              dot={false}
              isAnimationActive={false}
            />
          ))}
          <Scatter data={found} dataKey="value" fill="var(--jasper)" isAnimationActive={false} />
          <Scatter
            data={left}
            dataKey="value"
            fill="var(--paper)"
            stroke="var(--ink)"
            strokeWidth={2}
            isAnimationActive={false}
          />
        </ComposedChart>
      </ResponsiveContainer>
    </div>
  );
}
