'use client';

import { CartesianGrid, ComposedChart, Line, ReferenceArea, ReferenceDot, ReferenceLine, ResponsiveContainer, Scatter, XAxis, YAxis } from 'recharts';
import { evaluate } from '@/core/sums';
import type { JudgedRun } from '@/core/testing';
import type { Duty } from '@/core/record';

interface Props {
  readonly judged: JudgedRun;
  readonly guarantee: Duty;
}

const axis = { stroke: 'var(--quiet)', tick: { fill: 'var(--quiet)', fontSize: 13 } };
const round = (value: number) => String(Math.round(value * 10) / 10);

/** A round step of an axis: 1, 2 or 5 times a power of ten. */
function niceStep(rough: number): number {
  const power = 10 ** Math.floor(Math.log10(rough));
  return power * ([1, 2, 5].find((factor) => factor * power >= rough) ?? 10);
}

/** Head over flow with the fitted curve and the cross of tolerances, and power and efficiency below on the same flows. */
export function CurveChart({ judged, guarantee }: Props) {
  const { acceptance, points } = judged;
  const { band } = acceptance;
  const lastFlow = Math.max(...points.map((point) => point.flowM3h));
  const step = niceStep(Math.max(lastFlow, band.flow_m3h.max) / 7);
  const most = step * Math.ceil((Math.max(lastFlow, band.flow_m3h.max) * 1.02) / step);
  const ticks = Array.from({ length: Math.round(most / step) + 1 }, (_, i) => i * step);
  const curve = Array.from({ length: 41 }, (_, i) => ({ flow: (lastFlow * i) / 40, curve: evaluate(acceptance.curve.coefficients, (lastFlow * i) / 40) }));
  const measured = points.map((point) => ({ flow: point.flowM3h, head: point.headM, power: point.powerKw, efficiency: point.efficiencyPct }));
  const tone = judged.verdict === 'pass' ? 'var(--moss)' : 'var(--jasper)';
  const flowAxis = <XAxis dataKey="flow" type="number" domain={[0, most]} tickFormatter={round} ticks={ticks} {...axis} />;
  return (
    <div role="img" aria-label={`Head over flow: ${judged.reason}`}>
      <p className="text-13 text-quiet">Head, m — dots measured, line fitted, cross: tolerance round the guarantee</p>
      <ResponsiveContainer width="100%" height={250}>
        <ComposedChart margin={{ top: 6, right: 16, bottom: 0, left: 0 }} accessibilityLayer={false}>
          <CartesianGrid stroke="var(--line)" strokeDasharray="2 4" />
          {flowAxis}
          <YAxis width={46} domain={[0, (max: number) => Math.ceil(Math.max(max, band.head_m.max) * 1.08)]} tickFormatter={round} {...axis} />
          <ReferenceArea x1={band.flow_m3h.min} x2={band.flow_m3h.max} y1={band.head_m.min} y2={band.head_m.max} fill={tone} fillOpacity={0.08} />
          <Line data={curve} dataKey="curve" stroke="var(--lake)" strokeWidth={2.4} dot={false} isAnimationActive={false} />
          <Scatter data={measured} dataKey="head" fill="var(--ink)" isAnimationActive={false} />
          <ReferenceLine segment={[{ x: band.flow_m3h.min, y: guarantee.headM }, { x: band.flow_m3h.max, y: guarantee.headM }]} stroke={tone} strokeWidth={3} />
          <ReferenceLine segment={[{ x: guarantee.flowM3h, y: band.head_m.min }, { x: guarantee.flowM3h, y: band.head_m.max }]} stroke={tone} strokeWidth={3} />
          <ReferenceDot x={guarantee.flowM3h} y={guarantee.headM} r={4} fill={tone} stroke="var(--paper)" />
        </ComposedChart>
      </ResponsiveContainer>
      <p className="text-13 text-quiet">Shaft power, kW (left, solid) and efficiency, % (right, dashed) over flow, m³/h</p>
      <ResponsiveContainer width="100%" height={170}>
        <ComposedChart data={measured} margin={{ top: 6, right: 0, bottom: 0, left: 0 }} accessibilityLayer={false}>
          <CartesianGrid stroke="var(--line)" strokeDasharray="2 4" />
          {flowAxis}
          <YAxis yAxisId="power" width={46} tickFormatter={round} domain={[0, 'auto']} {...axis} />
          <YAxis yAxisId="efficiency" orientation="right" width={42} tickFormatter={round} domain={[0, 100]} {...axis} />
          <Line yAxisId="power" dataKey="power" stroke="var(--plum)" strokeWidth={2.2} isAnimationActive={false} />
          <Line yAxisId="efficiency" dataKey="efficiency" stroke="var(--moss)" strokeWidth={2.2} strokeDasharray="6 4" isAnimationActive={false} />
        </ComposedChart>
      </ResponsiveContainer>
    </div>
  );
}
