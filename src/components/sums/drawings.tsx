import { present } from '@/core/present';
import type { ReactNode } from 'react';

type Numbers = Readonly<Record<string, number>>;
const polar = (r: number, deg: number) =>
  [r * Math.sin((deg * Math.PI) / 180), -r * Math.cos((deg * Math.PI) / 180)] as const;
const n = (value: number) => Number(value.toFixed(2));

/** Tolerance zones of hole and shaft about the nominal size. */
function FitZones({ input, result }: DrawingProps) {
  const nominal = (input as { nominal_mm: number }).nominal_mm;
  const { hole_mm, shaft_mm } = result as {
    hole_mm: { min: number; max: number };
    shaft_mm: { min: number; max: number };
  };
  const um = (mm: number) => (mm - nominal) * 1000;
  const most = Math.max(1, ...[hole_mm.min, hole_mm.max, shaft_mm.min, shaft_mm.max].map((mm) => Math.abs(um(mm))));
  const y = (mm: number) => 100 - (um(mm) / most) * 80;
  const zone = (x: number, band: { min: number; max: number }, name: string, fill: string) => (
    <g key={name}>
      <rect
        x={x}
        y={y(band.max)}
        width={90}
        height={Math.max(1, y(band.min) - y(band.max))}
        fill={fill}
        stroke="var(--ink)"
      />
      <text
        x={x + 45}
        y={y(band.max) - 5}
        textAnchor="middle"
        fontSize={12}
        fill="var(--ink)"
      >{`${name} ${n(um(band.max))} µm`}</text>
      <text
        x={x + 45}
        y={y(band.min) + 14}
        textAnchor="middle"
        fontSize={12}
        fill="var(--quiet)"
      >{`${n(um(band.min))} µm`}</text>
    </g>
  );
  return (
    <svg
      viewBox="0 -6 300 216"
      className="w-full max-w-[420px]"
      role="img"
      aria-label="Tolerance zones of hole and shaft about the nominal size"
    >
      <line x1={20} x2={290} y1={100} y2={100} stroke="var(--ink)" strokeDasharray="8 3" />
      {zone(50, hole_mm, 'hole', 'var(--sand)')}
      {zone(170, shaft_mm, 'shaft', 'var(--line)')}
    </svg>
  );
}

/** The bolt circle with the place of each bolt in the crosswise order. */
function BoltCircle({ result }: DrawingProps) {
  const [{ order }] = (result as { passes: [{ order: number[] }] }).passes;
  return (
    <svg
      viewBox="-110 -110 220 220"
      className="w-full max-w-[320px]"
      role="img"
      aria-label={`Bolts in the order ${order.join(', ')}`}
    >
      <circle r={84} fill="none" stroke="var(--line)" />
      <polyline
        points={order
          .map((bolt) =>
            polar(84, ((bolt - 1) * 360) / order.length)
              .map(n)
              .join(','),
          )
          .join(' ')}
        fill="none"
        stroke="var(--lake)"
        strokeOpacity={0.35}
      />
      {order.map((bolt, i) => {
        const [x, y] = polar(84, ((bolt - 1) * 360) / order.length);
        const [tx, ty] = polar(62, ((bolt - 1) * 360) / order.length);
        return (
          <g key={bolt}>
            <circle
              cx={n(x)}
              cy={n(y)}
              r={order.length > 24 ? 6 : 11}
              fill={i < 2 ? 'var(--ink)' : 'var(--sheet)'}
              stroke="var(--ink)"
            />
            <text
              x={n(x)}
              y={n(y) + 4}
              textAnchor="middle"
              fontSize={order.length > 24 ? 7 : 11}
              fill={i < 2 ? 'var(--onink)' : 'var(--ink)'}
            >
              {bolt}
            </text>
            <text x={n(tx)} y={n(ty) + 4} textAnchor="middle" fontSize={order.length > 24 ? 6 : 10} fill="var(--quiet)">
              {i + 1}.
            </text>
          </g>
        );
      })}
    </svg>
  );
}

/** The arc on the mark diameter by which a housing is turned back. */
function TurnArc({ result }: DrawingProps) {
  const { turn_deg, arc_mm } = result as Numbers as { turn_deg: number; arc_mm: number };
  const shown = Math.min(359, Math.max(1, turn_deg));
  const [x, y] = polar(84, -shown);
  return (
    <svg
      viewBox="-110 -110 220 220"
      className="w-full max-w-[300px]"
      role="img"
      aria-label={`Turn by ${n(turn_deg)}°, ${n(arc_mm)} mm on the mark`}
    >
      <circle r={84} fill="var(--sand)" stroke="var(--ink)" />
      <circle r={34} fill="var(--paper)" stroke="var(--ink)" />
      <path
        d={`M0 -84A84 84 0 ${shown > 180 ? 1 : 0} 0 ${n(x)} ${n(y)}`}
        fill="none"
        stroke="var(--jasper)"
        strokeWidth={6}
      />
      <line x1={0} y1={-94} x2={0} y2={-66} stroke="var(--ink)" strokeWidth={2} />
      <line
        x1={n(x * 0.79)}
        y1={n(y * 0.79)}
        x2={n(x * 1.12)}
        y2={n(y * 1.12)}
        stroke="var(--jasper)"
        strokeWidth={2}
      />
      <text y={5} textAnchor="middle" fontSize={13} fill="var(--ink)">{`${n(turn_deg)}°`}</text>
    </svg>
  );
}

/** Rings and lantern in the box, bottom at the left. */
function PackingBox({ input, result }: DrawingProps) {
  const {
    depth_mm,
    lantern_mm = 0,
    port_from_bottom_mm,
  } = input as { depth_mm: number; lantern_mm?: number; port_from_bottom_mm?: number };
  const {
    section_mm: s,
    rings_below,
    rings,
  } = result as Numbers as { section_mm: number; rings_below: number; rings: number };
  const k = 300 / depth_mm;
  const h = Math.min(46, s * k);
  const ring = (x: number, name: string, width: number, fill: string) => (
    <rect key={name} x={n(x * k)} y={10} width={n(width * k)} height={h} fill={fill} stroke="var(--ink)" />
  );
  const places = Array.from({ length: rings }, (_, i) => (i < rings_below ? i * s : i * s + lantern_mm));
  return (
    <svg
      viewBox={`-4 -16 310 ${h + 60}`}
      className="w-full max-w-[460px]"
      role="img"
      aria-label={`${rings_below} rings below the lantern, ${rings - rings_below} above`}
    >
      <rect x={0} y={10} width={300} height={h} fill="none" stroke="var(--ink)" />
      {places.map((x, i) => ring(x, `ring ${i}`, s, 'var(--line)'))}
      {lantern_mm > 0 && ring(rings_below * s, 'lantern', lantern_mm, 'var(--lake)')}
      {port_from_bottom_mm !== undefined && (
        <path d={`M${n(port_from_bottom_mm * k)} 8l-6 -12h12z`} fill="var(--jasper)" />
      )}
      <rect x={0} y={h + 14} width={300} height={16} fill="var(--sand)" stroke="var(--ink)" />
      <text x={0} y={h + 44} fontSize={12} fill="var(--quiet)">
        bottom of the box
      </text>
    </svg>
  );
}

/** Unbalance before, with the trial weight, and where the correction goes. */
function Vectors({ input, result }: DrawingProps) {
  const { original, response } = input as {
    original: { amplitude: number; angle_deg: number };
    response: { amplitude: number; angle_deg: number };
  };
  const { angle_deg, mass_g } = result as Numbers as { angle_deg: number; mass_g: number };
  const k = 80 / Math.max(original.amplitude, response.amplitude, 1e-9);
  const arrow = (r: number, deg: number, name: string, stroke: string) => {
    const [x, y] = polar(r, deg);
    return (
      <g key={name}>
        <line x2={n(x)} y2={n(y)} stroke={stroke} strokeWidth={3} />
        <circle cx={n(x)} cy={n(y)} r={4} fill={stroke} />
        <text x={n(x * 1.16)} y={n(y * 1.16) + 4} textAnchor="middle" fontSize={12} fill="var(--ink)">
          {name}
        </text>
      </g>
    );
  };
  return (
    <svg
      viewBox="-112 -112 224 224"
      className="w-full max-w-[320px]"
      role="img"
      aria-label={`Correction ${n(mass_g)} g at ${n(angle_deg)}°`}
    >
      <circle r={80} fill="none" stroke="var(--line)" />
      {arrow(original.amplitude * k, original.angle_deg, 'O', 'var(--slate)')}
      {arrow(response.amplitude * k, response.angle_deg, 'R', 'var(--ochre)')}
      {arrow(90, angle_deg, 'C', 'var(--jasper)')}
    </svg>
  );
}

interface Band {
  readonly from: number;
  readonly to: number;
  readonly name: string;
  readonly look: 'solid' | 'hatched';
}

/** Values against bands on one scale: the new band solid, what is still allowed hatched, beyond it bare. */
function Strip({
  bands,
  values,
  unit,
  label,
}: {
  readonly bands: readonly Band[];
  readonly values: readonly { readonly at: number; readonly name: string }[];
  readonly unit: string;
  readonly label: string;
}) {
  const all = [...bands.flatMap((band) => [band.from, band.to]), ...values.map((value) => value.at)].filter(
    Number.isFinite,
  );
  const [low, high] = [Math.min(...all), Math.max(...all)];
  const pad = (high - low || Math.abs(high) || 1) * 0.08;
  const x = (value: number) =>
    n(14 + ((Math.max(low - pad, Math.min(high + pad, value)) - low + pad) / (high - low + 2 * pad)) * 432);
  const digits = high - low < 0.5 ? 3 : high - low < 20 ? 2 : 0;
  return (
    <svg viewBox="0 0 460 92" className="w-full max-w-[520px]" role="img" aria-label={label}>
      <defs>
        <pattern id="strip-hatch" width={6} height={6} patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <line y2={6} stroke="var(--slate)" strokeWidth={2.4} />
        </pattern>
      </defs>
      <line x1={6} x2={454} y1={52} y2={52} stroke="var(--line)" strokeWidth={2} />
      {bands.map((band) => (
        <g key={band.name}>
          <rect
            x={x(band.from)}
            y={44}
            width={Math.max(1.5, x(band.to) - x(band.from))}
            height={16}
            fill={band.look === 'solid' ? 'var(--slate)' : 'url(#strip-hatch)'}
            stroke="var(--slate)"
          />
          <text x={(x(band.from) + x(band.to)) / 2} y={88} textAnchor="middle" fontSize={12} fill="var(--quiet)">
            {band.name}
          </text>
          <text x={x(band.from)} y={74} textAnchor="middle" fontSize={11} fill="var(--quiet)">
            {band.from.toFixed(digits)}
          </text>
          <text x={x(band.to)} y={74} textAnchor="middle" fontSize={11} fill="var(--quiet)">
            {band.to.toFixed(digits)}
          </text>
        </g>
      ))}
      {values.map((value, i) => (
        <g key={`${value.name} ${i}`}>
          <line
            x1={x(value.at)}
            x2={x(value.at)}
            y1={30}
            y2={64}
            stroke="var(--jasper)"
            strokeWidth={value.name ? 3 : 1.6}
          />
          {value.name && (
            <text
              x={Math.max(40, Math.min(420, x(value.at)))}
              y={i % 2 ? 12 : 25}
              textAnchor="middle"
              fontSize={13}
              fontWeight={700}
              fill="var(--ink)"
            >{`${value.name} ${value.at.toFixed(digits)} ${unit}`}</text>
          )}
        </g>
      ))}
    </svg>
  );
}

/** Where bands touch, the new one is cut out of the allowed one so that neither hides the other. */
function allowedBeside(
  fresh: { min: number; max: number },
  reuse: { min?: number | undefined; max?: number | undefined },
): Band[] {
  return [
    ...(reuse.min !== undefined && reuse.min < fresh.min
      ? [{ from: reuse.min, to: fresh.min, name: 'reuse', look: 'hatched' as const }]
      : []),
    { from: fresh.min, to: fresh.max, name: 'new', look: 'solid' },
    ...(reuse.max !== undefined && reuse.max > fresh.max
      ? [{ from: fresh.max, to: reuse.max, name: 'reuse', look: 'hatched' as const }]
      : []),
  ];
}

function ReadingsStrip({ input, result }: DrawingProps) {
  const { new_mm, reuse_mm, readings } = input as {
    new_mm: { min: number; max: number };
    reuse_mm: { min?: number; max?: number };
    readings: readonly { value_mm: number }[];
  };
  const { worst_mm, verdict } = result as { worst_mm: number; verdict: string };
  return (
    <Strip
      bands={allowedBeside(new_mm, reuse_mm)}
      values={[...readings.map((one) => ({ at: one.value_mm, name: '' })), { at: worst_mm, name: 'worst' }]}
      unit="mm"
      label={`Worst reading ${worst_mm} mm: ${verdict}`}
    />
  );
}

function ClearanceStrip({ input, result }: DrawingProps) {
  const { design_um, limit_um } = input as { design_um: { min: number; max: number }; limit_um: number };
  const { min_um, max_um, verdict } = result as { min_um: number; max_um: number; verdict: string };
  return (
    <Strip
      bands={allowedBeside(design_um, { max: limit_um })}
      values={[
        { at: min_um, name: 'least' },
        { at: max_um, name: 'largest' },
      ]}
      unit="µm"
      label={`Clearance ${n(min_um)} to ${n(max_um)} µm: ${verdict}`}
    />
  );
}

function FloatStrip({ input, result }: DrawingProps) {
  const { limit_mm } = input as { limit_mm: { min: number; max: number } };
  const { float_mm, verdict } = result as { float_mm: number; verdict: string };
  return (
    <Strip
      bands={allowedBeside(limit_mm, {})}
      values={[{ at: float_mm, name: 'float' }]}
      unit="mm"
      label={`Float ${n(float_mm)} mm: ${verdict}`}
    />
  );
}

function LockNutStrip({ input, result }: DrawingProps) {
  const { window_nm, torque_nm: start } = input as { window_nm: { min: number; max: number }; torque_nm: number };
  const { torque_nm } = result as { torque_nm: number | null };
  return (
    <Strip
      bands={[{ from: window_nm.min, to: window_nm.max, name: 'window', look: 'solid' }]}
      values={[{ at: start, name: 'now' }, ...(torque_nm === null ? [] : [{ at: torque_nm, name: 'at the tab' }])]}
      unit="N·m"
      label={`From ${start} N·m to ${torque_nm ?? 'no'} N·m at the next tab`}
    />
  );
}

/** The stack of each gap to one scale: shims hatched, the rest that stays bare. */
function ShimStacks({ result }: DrawingProps) {
  const { gaps } = result as {
    gaps: readonly { gap_mm: number; met: boolean; stack_mm: readonly number[]; rest_mm: number }[];
  };
  const shown = gaps.slice(0, 24);
  const most = Math.max(...shown.map((gap) => Math.max(gap.gap_mm, gap.gap_mm - gap.rest_mm)), 1e-6);
  const width = Math.min(46, 440 / shown.length);
  const y = (mm: number) => n(150 - (mm / most) * 130);
  return (
    <svg
      viewBox="0 0 460 190"
      className="w-full max-w-[520px]"
      role="img"
      aria-label={shown
        .map((gap, i) => `gap ${i + 1}: ${gap.stack_mm.join(' + ') || 'no shim'}, ${gap.met ? 'met' : 'not met'}`)
        .join('; ')}
    >
      <line x1={4} x2={456} y1={150} y2={150} stroke="var(--ink)" strokeWidth={2} />
      {shown.map((gap, i) => {
        const left = 10 + i * width;
        let height = 0;
        return (
          <g key={i}>
            {gap.stack_mm.map((shim, k) => {
              const from = height;
              height += shim;
              return (
                <rect
                  key={k}
                  x={left + 3}
                  y={y(height)}
                  width={width - 8}
                  height={Math.max(1, y(from) - y(height))}
                  fill={k % 2 ? 'var(--line)' : 'var(--sand)'}
                  stroke="var(--ink)"
                />
              );
            })}
            <line
              x1={left}
              x2={left + width - 3}
              y1={y(gap.gap_mm)}
              y2={y(gap.gap_mm)}
              stroke={gap.met ? 'var(--moss)' : 'var(--jasper)'}
              strokeWidth={2.4}
              strokeDasharray={gap.met ? undefined : '4 2'}
            />
            <text x={left + width / 2 - 2} y={165} textAnchor="middle" fontSize={11} fill="var(--quiet)">
              {i + 1}
            </text>
            <text x={left + width / 2 - 2} y={180} textAnchor="middle" fontSize={11} fontWeight={700} fill="var(--ink)">
              {gap.met ? '✓' : '✕'}
            </text>
          </g>
        );
      })}
    </svg>
  );
}

interface Plotted {
  readonly name: string;
  readonly points: readonly (readonly [x: number, y: number])[];
  readonly dots?: boolean;
  readonly stroke: string;
}

/** Lines over a common pair of axes that begin at zero. */
function Plot({
  lines,
  xName,
  yName,
  label,
  cross,
}: {
  readonly lines: readonly Plotted[];
  readonly xName: string;
  readonly yName: string;
  readonly label: string;
  readonly cross?: { readonly x: readonly [number, number, number]; readonly y: readonly [number, number, number] };
}) {
  const points = lines.flatMap((line) => line.points);
  const xMost = Math.max(1e-9, ...points.map(([x]) => x), cross?.x[2] ?? 0) * 1.05;
  // Room above the lines for their names.
  const yMost = Math.max(1e-9, ...points.map(([, y]) => y), cross?.y[2] ?? 0) * (1.12 + 0.08 * lines.length);
  const x = (value: number) => n(44 + (value / xMost) * 400);
  const y = (value: number) => n(210 - (value / yMost) * 190);
  const ticks = [0.25, 0.5, 0.75, 1];
  const round = (value: number) => Number(value.toPrecision(2));
  return (
    <svg viewBox="0 0 460 250" className="w-full max-w-[520px]" role="img" aria-label={label}>
      <path d={`M44 14V210H450`} fill="none" stroke="var(--ink)" />
      {ticks.map((share) => (
        <g key={share} fontSize={11} fill="var(--quiet)">
          <line
            x1={44}
            x2={448}
            y1={y(yMost * share * 0.92)}
            y2={y(yMost * share * 0.92)}
            stroke="var(--line)"
            strokeDasharray="2 4"
          />
          <text x={40} y={y(yMost * share * 0.92) + 4} textAnchor="end">
            {round(yMost * share * 0.92)}
          </text>
          <text x={x(xMost * share * 0.95)} y={224} textAnchor="middle">
            {round(xMost * share * 0.95)}
          </text>
        </g>
      ))}
      {lines.map((line, i) => (
        <g key={line.name}>
          {line.dots ? (
            line.points.map(([a, b]) => <circle key={`${a} ${b}`} cx={x(a)} cy={y(b)} r={3.6} fill={line.stroke} />)
          ) : (
            <polyline
              points={line.points.map(([a, b]) => `${x(a)},${y(b)}`).join(' ')}
              fill="none"
              stroke={line.stroke}
              strokeWidth={2.4}
              strokeDasharray={i % 2 ? '7 4' : undefined}
            />
          )}
          {!line.dots && (
            <g>
              <line
                x1={300}
                x2={328}
                y1={22 + 16 * i}
                y2={22 + 16 * i}
                stroke={line.stroke}
                strokeWidth={2.4}
                strokeDasharray={i % 2 ? '7 4' : undefined}
              />
              <text x={334} y={26 + 16 * i} fontSize={12} fill="var(--ink)">
                {line.name}
              </text>
            </g>
          )}
        </g>
      ))}
      {cross && (
        <g stroke="var(--jasper)" strokeWidth={3}>
          <line x1={x(cross.x[0])} x2={x(cross.x[2])} y1={y(cross.y[1])} y2={y(cross.y[1])} />
          <line x1={x(cross.x[1])} x2={x(cross.x[1])} y1={y(cross.y[0])} y2={y(cross.y[2])} />
        </g>
      )}
      <text x={450} y={242} textAnchor="end" fontSize={12} fill="var(--quiet)">
        {xName}
      </text>
      <text x={4} y={10} fontSize={12} fill="var(--quiet)">
        {yName}
      </text>
    </svg>
  );
}

const valueAt = (coefficients: readonly number[], x: number) =>
  coefficients.reduceRight((sum, coefficient) => sum * x + coefficient, 0);

/** The measured curve and the cross of the tolerances. */
function AcceptanceCurve({ input, result }: DrawingProps) {
  const { points, guarantee } = input as {
    points: readonly { flow_m3h: number; head_m: number }[];
    guarantee: { flow_m3h: number; head_m: number };
  };
  const { curve, band, verdicts } = result as {
    curve: { coefficients: number[] };
    band: { flow_m3h: { min: number; max: number }; head_m: { min: number; max: number } };
    verdicts: { flow_head: string };
  };
  const most = Math.max(...points.map((point) => point.flow_m3h));
  const least = Math.min(...points.map((point) => point.flow_m3h));
  const drawn = Array.from({ length: 31 }, (_, i) => least + ((most - least) * i) / 30).map(
    (flow) => [flow, valueAt(curve.coefficients, flow)] as const,
  );
  return (
    <Plot
      lines={[
        { name: 'fitted', points: drawn, stroke: 'var(--lake)' },
        {
          name: 'measured',
          points: points.map((point) => [point.flow_m3h, point.head_m] as const),
          dots: true,
          stroke: 'var(--ink)',
        },
      ]}
      cross={{
        x: [band.flow_m3h.min, guarantee.flow_m3h, band.flow_m3h.max],
        y: [band.head_m.min, guarantee.head_m, band.head_m.max],
      }}
      xName="flow, m³/h"
      yName="head, m"
      label={`Head over flow with the cross of the tolerances: ${verdicts.flow_head}`}
    />
  );
}

const strokes = ['var(--lake)', 'var(--plum)', 'var(--moss)', 'var(--ochre)', 'var(--slate)'];

function CurvesBeside({ input }: DrawingProps) {
  const { curves } = input as {
    curves: readonly { name: string; points: readonly { flow_m3h: number; head_m: number }[] }[];
  };
  return (
    <Plot
      lines={curves.map((one, i) => ({
        name: one.name,
        points: one.points
          .toSorted((a, b) => a.flow_m3h - b.flow_m3h)
          .map((point) => [point.flow_m3h, point.head_m] as const),
        stroke: present(strokes[i % strokes.length]),
      }))}
      xName="flow, m³/h"
      yName="head, m"
      label={`Head over flow of ${curves.map((one) => one.name).join(', ')}`}
    />
  );
}

function TrimCurve({ input, result }: DrawingProps) {
  const { points, wanted } = input as {
    points: readonly { flow_m3h: number; head_m: number }[];
    wanted: { flow_m3h: number; head_m: number };
  };
  const { share_pct } = result as { share_pct: number };
  const scale = wanted.flow_m3h / (result as { from_flow_m3h: number }).from_flow_m3h;
  const full = points
    .toSorted((a, b) => a.flow_m3h - b.flow_m3h)
    .map((point) => [point.flow_m3h, point.head_m] as const);
  return (
    <Plot
      lines={[
        { name: 'as it is', points: full, stroke: 'var(--lake)' },
        {
          name: 'trimmed',
          points: full.map(([flow, head]) => [flow * scale, head * scale] as const),
          stroke: 'var(--plum)',
        },
        { name: 'wanted', points: [[wanted.flow_m3h, wanted.head_m]], dots: true, stroke: 'var(--jasper)' },
      ]}
      xName="flow, m³/h"
      yName="head, m"
      label={`Curve as it is and trimmed to ${n(share_pct)} % of the diameter`}
    />
  );
}

/** The series, the fitted course and where it ends. */
function TemperatureCourse({ input, result }: DrawingProps) {
  const { series } = input as { series: readonly { at_min: number; temperature_c: number }[] };
  const { steady } = result as { steady?: boolean };
  const points = series.map((one) => [one.at_min, one.temperature_c] as const);
  return (
    <Plot
      lines={[{ name: 'measured', points, stroke: 'var(--jasper)' }]}
      xName="minutes"
      yName="°C"
      label={steady ? 'Temperature over time, steady' : 'Temperature over time, not steady yet'}
    />
  );
}

/** Dial readings round the shaft, much enlarged, with the high spot. */
function DialRound({ input }: DrawingProps) {
  const { readings } = input as { readings: readonly { angle_deg: number; value_mm: number }[] };
  const values = readings.map((one) => one.value_mm);
  const [low, high] = [Math.min(...values), Math.max(...values)];
  const r = (value: number) => 62 + ((value - low) / (high - low || 1)) * 28;
  const corners = readings
    .toSorted((a, b) => a.angle_deg - b.angle_deg)
    .map((one) => polar(r(one.value_mm), one.angle_deg));
  const top = present(readings[values.indexOf(high)]);
  const [x, y] = polar(r(high) + 12, top.angle_deg);
  return (
    <svg
      viewBox="-120 -120 240 240"
      className="w-full max-w-[300px]"
      role="img"
      aria-label={`High spot at ${top.angle_deg}°, ${n((high - low) * 1000)} µm between least and largest`}
    >
      <circle r={62} fill="none" stroke="var(--line)" strokeDasharray="4 4" />
      <polygon
        points={corners.map(([a, b]) => `${n(a)},${n(b)}`).join(' ')}
        fill="var(--sand)"
        stroke="var(--ink)"
        strokeWidth={2}
      />
      {corners.map(([a, b], i) => (
        <circle key={i} cx={n(a)} cy={n(b)} r={3} fill="var(--ink)" />
      ))}
      <circle cx={n(x)} cy={n(y)} r={5} fill="var(--jasper)" />
      <text y={5} textAnchor="middle" fontSize={13} fill="var(--ink)">{`${n((high - low) * 1000)} µm`}</text>
    </svg>
  );
}

interface DrawingProps {
  readonly input: unknown;
  readonly result: unknown;
}

const drawings: Readonly<Record<string, (props: DrawingProps) => ReactNode>> = {
  fit: FitZones,
  'bolt-pattern': BoltCircle,
  'end-clearance': TurnArc,
  'preload-arc': TurnArc,
  packing: PackingBox,
  'balance-weight': Vectors,
  readings: ReadingsStrip,
  'running-clearance': ClearanceStrip,
  'end-float': FloatStrip,
  'lock-nut': LockNutStrip,
  'shim-stack': ShimStacks,
  acceptance: AcceptanceCurve,
  'curve-compare': CurvesBeside,
  trim: TrimCurve,
  'bearing-temperature': TemperatureCourse,
  'run-out': DialRound,
};

/** A drawing where a drawing tells more than the figures. */
export function SumDrawing({ id, input, result }: DrawingProps & { readonly id: string }) {
  const Drawing = drawings[id];
  return Drawing ? <Drawing input={input} result={result} /> : null;
}
