'use client';

import { present } from '@/core/present';
import { evaluate } from '@/core/sums';
import type { JudgedRun } from '@/core/testing';
import type { Duty } from '@/core/record';
import { Dots, Measured, Plot, through } from '../chart/plot';
import { niceStep, upTo } from '../chart/round-axis';
import { Later } from '../ui/later';

interface Props {
  readonly judged: JudgedRun;
  readonly guarantee: Duty;
}

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
  const curve = Array.from({ length: 41 }, (_, i) => {
    const flow = (lastFlow * i) / 40;
    return [flow, evaluate(acceptance.curve.coefficients, flow)] as const;
  });
  const mostHead = Math.max(band.head_m.max, ...points.map(({ headM }) => headM), ...curve.map(([, head]) => head));
  const heads = upTo(mostHead * 1.08);
  const powers = upTo(Math.max(...points.map(({ powerKw }) => powerKw)));
  const tone = judged.verdict === 'pass' ? 'var(--moss)' : 'var(--jasper)';
  return (
    <div role="img" aria-label={`Head over flow: ${judged.reason}`}>
      <p className="text-13 text-quiet">Head, m — dots measured, line fitted, cross: tolerance round the guarantee</p>
      <Plot height={250} xs={ticks} ys={heads.ticks}>
        {(place) => {
          const [left, top] = place(band.flow_m3h.min, band.head_m.max);
          const [right, bottom] = place(band.flow_m3h.max, band.head_m.min);
          const [middle, level] = place(guarantee.flowM3h, guarantee.headM);
          return (
            <>
              <rect x={left} y={top} width={right - left} height={bottom - top} fill={tone} fillOpacity={0.08} />
              <path
                d={through(curve.map(([flow, head]) => place(flow, head)))}
                fill="none"
                stroke="var(--lake)"
                strokeWidth={2.4}
              />
              <Dots places={points.map((one) => place(one.flowM3h, one.headM))} radius={4.5} fill="var(--ink)" />
              <path d={`M${left},${level}H${right}M${middle},${top}V${bottom}`} stroke={tone} strokeWidth={3} />
              <Dots places={[[middle, level]]} radius={4} fill={tone} stroke="var(--paper)" />
            </>
          );
        }}
      </Plot>
      <p className="text-13 text-quiet">
        Shaft power, kW (left, solid) and efficiency, % (right, dashed) over flow, m³/h
      </p>
      <Later height={170}>
        <Plot height={170} xs={ticks} ys={powers.ticks} right={[0, 25, 50, 75, 100]}>
          {(place, placeAtRight) => (
            <>
              <Measured places={points.map((one) => place(one.flowM3h, one.powerKw))} stroke="var(--plum)" />
              <Measured
                places={points.map((one) => placeAtRight(one.flowM3h, one.efficiencyPct))}
                stroke="var(--moss)"
                strokeDasharray="6 4"
              />
            </>
          )}
        </Plot>
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
  const flows = upTo(Math.max(slip.theoreticalM3h, ...judged.points.map(({ flowM3h }) => flowM3h)) * 1.08);
  const powers = upTo(Math.max(...judged.points.map(({ powerKw }) => powerKw)));
  const pressureAt = (i: number) => present(slip.pressuresKpa[i]);
  const [atNoPressure, slope] = slip.line;
  // Not beyond the pressure at which all of it slips back.
  const until = slope < 0 ? Math.min(last, Math.max(0, -atNoPressure / slope)) : last;
  const fitted = [0, until].map((pressure) => [pressure, atNoPressure + slope * pressure] as const);
  const tone = judged.verdict === 'pass' ? 'var(--moss)' : 'var(--jasper)';
  return (
    <div role="img" aria-label={`Flow over pressure: ${judged.reason}`}>
      <p className="text-13 text-quiet">
        Flow, m³/h, over pressure, kPa — dots measured, line fitted, dashed: what the turns move, bar: what is asked for
        at the duty
      </p>
      <Plot height={270} xs={ticks} ys={flows.ticks}>
        {(place) => (
          <>
            <path
              d={through([place(0, slip.theoreticalM3h), place(last, slip.theoreticalM3h)])}
              stroke="var(--ink)"
              strokeDasharray="7 4"
            />
            <path
              d={through(fitted.map(([pressure, flow]) => place(pressure, flow)))}
              stroke="var(--lake)"
              strokeWidth={2.4}
            />
            <Dots
              places={judged.points.map(({ flowM3h }, i) => place(pressureAt(i), flowM3h))}
              radius={4.5}
              fill="var(--ink)"
            />
            <path
              d={through([place(slip.dutyKpa, slip.leastM3h), place(slip.dutyKpa, slip.theoreticalM3h)])}
              stroke={tone}
              strokeWidth={4}
            />
          </>
        )}
      </Plot>
      <p className="text-13 text-quiet">Shaft power, kW, over pressure, kPa</p>
      <Later height={150}>
        <Plot height={150} xs={ticks} ys={powers.ticks}>
          {(place) => (
            <Measured
              places={judged.points.map(({ powerKw }, i) => place(pressureAt(i), powerKw))}
              stroke="var(--plum)"
            />
          )}
        </Plot>
      </Later>
    </div>
  );
}
