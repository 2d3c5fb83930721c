'use client';

import { present } from '@/core/present';
import {
  CartesianGrid,
  ComposedChart,
  Line,
  ReferenceArea,
  ReferenceDot,
  ReferenceLine,
  ResponsiveContainer,
  Scatter,
  XAxis,
  YAxis,
} from 'recharts';
import { evaluate } from '@/core/sums';
import type { JudgedRun } from '@/core/testing';
import type { Duty } from '@/core/record';
import { Later } from '../ui/later';
import { niceStep, sayMark, upTo } from './round-axis';

interface Props {
  readonly judged: JudgedRun;
  readonly guarantee: Duty;
}

// All ticks that are given have room: none is measured to see whether it fits.
const axis = { stroke: 'var(--quiet)', tick: { fill: 'var(--quiet)', fontSize: 13 }, interval: 0 } as const;

/**
 * Head over flow with the fitted curve and the cross of tolerances, and power and efficiency below on the same flows.
 */
export function CurveChart({ judged, guarantee }: Props) {
  return judged.slip ? (
    <SlipChart judged={judged} slip={judged.slip} />
  ) : judged.acceptance ? (
    <HeadChart judged={judged} acceptance={judged.acceptance} guarantee={guarantee} />
  ) : null;
}

function HeadChart({
  judged,
  acceptance,
  guarantee,
}: Props & { readonly acceptance: NonNullable<JudgedRun['acceptance']> }) {
  const { points } = judged;
  const { band } = acceptance;
  const lastFlow = Math.max(...points.map((point) => point.flowM3h));
  const step = niceStep(Math.max(lastFlow, band.flow_m3h.max) / 7);
  const most = step * Math.ceil((Math.max(lastFlow, band.flow_m3h.max) * 1.02) / step);
  const ticks = Array.from({ length: Math.round(most / step) + 1 }, (_, i) => i * step);
  const curve = Array.from({ length: 41 }, (_, i) => ({
    flow: (lastFlow * i) / 40,
    curve: evaluate(acceptance.curve.coefficients, (lastFlow * i) / 40),
  }));
  const measured = points.map((point) => ({
    flow: point.flowM3h,
    head: point.headM,
    power: point.powerKw,
    efficiency: point.efficiencyPct,
  }));
  const mostPower = Math.max(...measured.map(({ power }) => power));
  const mostHead = Math.max(band.head_m.max, ...measured.map(({ head }) => head), ...curve.map((one) => one.curve));
  const tone = judged.verdict === 'pass' ? 'var(--moss)' : 'var(--jasper)';
  const flowAxis = (
    <XAxis dataKey="flow" type="number" domain={[0, most]} tickFormatter={sayMark} ticks={ticks} {...axis} />
  );
  return (
    <div role="img" aria-label={`Head over flow: ${judged.reason}`}>
      <p className="text-13 text-quiet">Head, m — dots measured, line fitted, cross: tolerance round the guarantee</p>
      <ResponsiveContainer width="100%" height={250}>
        <ComposedChart margin={{ top: 6, right: 16, bottom: 0, left: 0 }} accessibilityLayer={false}>
          <CartesianGrid stroke="var(--line)" strokeDasharray="2 4" />
          {flowAxis}
          <YAxis width={46} tickFormatter={sayMark} {...axis} {...upTo(mostHead * 1.08)} />
          <ReferenceArea
            x1={band.flow_m3h.min}
            x2={band.flow_m3h.max}
            y1={band.head_m.min}
            y2={band.head_m.max}
            fill={tone}
            fillOpacity={0.08}
          />
          <Line
            data={curve}
            dataKey="curve"
            stroke="var(--lake)"
            strokeWidth={2.4}
            dot={false}
            isAnimationActive={false}
          />
          <Scatter data={measured} dataKey="head" fill="var(--ink)" isAnimationActive={false} />
          <ReferenceLine
            segment={[
              { x: band.flow_m3h.min, y: guarantee.headM },
              { x: band.flow_m3h.max, y: guarantee.headM },
            ]}
            stroke={tone}
            strokeWidth={3}
          />
          <ReferenceLine
            segment={[
              { x: guarantee.flowM3h, y: band.head_m.min },
              { x: guarantee.flowM3h, y: band.head_m.max },
            ]}
            stroke={tone}
            strokeWidth={3}
          />
          <ReferenceDot x={guarantee.flowM3h} y={guarantee.headM} r={4} fill={tone} stroke="var(--paper)" />
        </ComposedChart>
      </ResponsiveContainer>
      <p className="text-13 text-quiet">
        Shaft power, kW (left, solid) and efficiency, % (right, dashed) over flow, m³/h
      </p>
      <Later height={170}>
        <ResponsiveContainer width="100%" height={170}>
          <ComposedChart data={measured} margin={{ top: 6, right: 0, bottom: 0, left: 0 }} accessibilityLayer={false}>
            <CartesianGrid stroke="var(--line)" strokeDasharray="2 4" />
            {flowAxis}
            <YAxis yAxisId="power" width={46} tickFormatter={sayMark} {...axis} {...upTo(mostPower)} />
            <YAxis
              yAxisId="efficiency"
              orientation="right"
              width={42}
              tickFormatter={sayMark}
              domain={[0, 100]}
              {...axis}
            />
            <Line yAxisId="power" dataKey="power" stroke="var(--plum)" strokeWidth={2.2} isAnimationActive={false} />
            <Line
              yAxisId="efficiency"
              dataKey="efficiency"
              stroke="var(--moss)"
              strokeWidth={2.2}
              strokeDasharray="6 4"
              isAnimationActive={false}
            />
          </ComposedChart>
        </ResponsiveContainer>
      </Later>
    </div>
  );
}

/**
 * Flow over pressure: what the turns move dashed, the line through the points, and what is asked for at the duty's
 * pressure.
 */
function SlipChart({ judged, slip }: { readonly judged: JudgedRun; readonly slip: NonNullable<JudgedRun['slip']> }) {
  const most = Math.max(...slip.pressuresKpa, slip.dutyKpa) * 1.08;
  const step = niceStep(most / 6);
  const ticks = Array.from({ length: Math.ceil(most / step) + 1 }, (_, i) => i * step);
  const last = present(ticks.at(-1));
  const measured = judged.points.map((point, i) => ({
    pressure: present(slip.pressuresKpa[i]),
    flow: point.flowM3h,
    power: point.powerKw,
  }));
  const line = [0, last].map((pressure) => ({ pressure, fitted: slip.line[0] + slip.line[1] * pressure }));
  const mostPower = Math.max(...measured.map(({ power }) => power));
  const mostFlow = Math.max(slip.theoreticalM3h, ...measured.map(({ flow }) => flow));
  const tone = judged.verdict === 'pass' ? 'var(--moss)' : 'var(--jasper)';
  const pressureAxis = (
    <XAxis dataKey="pressure" type="number" domain={[0, last]} tickFormatter={sayMark} ticks={ticks} {...axis} />
  );
  return (
    <div role="img" aria-label={`Flow over pressure: ${judged.reason}`}>
      <p className="text-13 text-quiet">
        Flow, m³/h, over pressure, kPa — dots measured, line fitted, dashed: what the turns move, bar: what is asked for
        at the duty
      </p>
      <ResponsiveContainer width="100%" height={270}>
        <ComposedChart margin={{ top: 6, right: 16, bottom: 0, left: 0 }} accessibilityLayer={false}>
          <CartesianGrid stroke="var(--line)" strokeDasharray="2 4" />
          {pressureAxis}
          <YAxis width={46} tickFormatter={sayMark} {...axis} {...upTo(mostFlow * 1.08)} />
          <ReferenceLine y={slip.theoreticalM3h} stroke="var(--ink)" strokeDasharray="7 4" />
          <Line
            data={line}
            dataKey="fitted"
            stroke="var(--lake)"
            strokeWidth={2.4}
            dot={false}
            isAnimationActive={false}
          />
          <Scatter data={measured} dataKey="flow" fill="var(--ink)" isAnimationActive={false} />
          <ReferenceLine
            segment={[
              { x: slip.dutyKpa, y: slip.leastM3h },
              { x: slip.dutyKpa, y: slip.theoreticalM3h },
            ]}
            stroke={tone}
            strokeWidth={4}
          />
        </ComposedChart>
      </ResponsiveContainer>
      <p className="text-13 text-quiet">Shaft power, kW, over pressure, kPa</p>
      <Later height={150}>
        <ResponsiveContainer width="100%" height={150}>
          <ComposedChart data={measured} margin={{ top: 6, right: 16, bottom: 0, left: 0 }} accessibilityLayer={false}>
            <CartesianGrid stroke="var(--line)" strokeDasharray="2 4" />
            {pressureAxis}
            <YAxis width={46} tickFormatter={sayMark} {...axis} {...upTo(mostPower)} />
            <Line dataKey="power" stroke="var(--plum)" strokeWidth={2.2} isAnimationActive={false} />
          </ComposedChart>
        </ResponsiveContainer>
      </Later>
    </div>
  );
}
