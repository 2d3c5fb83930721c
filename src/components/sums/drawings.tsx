import type { ReactNode } from 'react';

type Numbers = Readonly<Record<string, number>>;
const polar = (r: number, deg: number) => [r * Math.sin((deg * Math.PI) / 180), -r * Math.cos((deg * Math.PI) / 180)] as const;
const n = (value: number) => Number(value.toFixed(2));

/** Tolerance zones of hole and shaft about the nominal size. */
function FitZones({ input, result }: DrawingProps) {
  const nominal = (input as { nominal_mm: number }).nominal_mm;
  const { hole_mm, shaft_mm } = result as { hole_mm: { min: number; max: number }; shaft_mm: { min: number; max: number } };
  const um = (mm: number) => (mm - nominal) * 1000;
  const most = Math.max(1, ...[hole_mm.min, hole_mm.max, shaft_mm.min, shaft_mm.max].map((mm) => Math.abs(um(mm))));
  const y = (mm: number) => 100 - (um(mm) / most) * 80;
  const zone = (x: number, band: { min: number; max: number }, name: string, fill: string) => (
    <g key={name}>
      <rect x={x} y={y(band.max)} width={90} height={Math.max(1, y(band.min) - y(band.max))} fill={fill} stroke="var(--ink)" />
      <text x={x + 45} y={y(band.max) - 5} textAnchor="middle" fontSize={12} fill="var(--ink)">{`${name} ${n(um(band.max))} µm`}</text>
      <text x={x + 45} y={y(band.min) + 14} textAnchor="middle" fontSize={12} fill="var(--quiet)">{`${n(um(band.min))} µm`}</text>
    </g>
  );
  return (
    <svg viewBox="0 -6 300 216" className="w-full max-w-[420px]" role="img" aria-label="Tolerance zones of hole and shaft about the nominal size">
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
    <svg viewBox="-110 -110 220 220" className="w-full max-w-[320px]" role="img" aria-label={`Bolts in the order ${order.join(', ')}`}>
      <circle r={84} fill="none" stroke="var(--line)" />
      <polyline points={order.map((bolt) => polar(84, ((bolt - 1) * 360) / order.length).map(n).join(',')).join(' ')} fill="none" stroke="var(--lake)" strokeOpacity={0.35} />
      {order.map((bolt, i) => {
        const [x, y] = polar(84, ((bolt - 1) * 360) / order.length);
        const [tx, ty] = polar(62, ((bolt - 1) * 360) / order.length);
        return (
          <g key={bolt}>
            <circle cx={n(x)} cy={n(y)} r={order.length > 24 ? 6 : 11} fill={i < 2 ? 'var(--ink)' : 'var(--sheet)'} stroke="var(--ink)" />
            <text x={n(x)} y={n(y) + 4} textAnchor="middle" fontSize={order.length > 24 ? 7 : 11} fill={i < 2 ? 'var(--onink)' : 'var(--ink)'}>{bolt}</text>
            <text x={n(tx)} y={n(ty) + 4} textAnchor="middle" fontSize={order.length > 24 ? 6 : 10} fill="var(--quiet)">{i + 1}.</text>
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
    <svg viewBox="-110 -110 220 220" className="w-full max-w-[300px]" role="img" aria-label={`Turn by ${n(turn_deg)}°, ${n(arc_mm)} mm on the mark`}>
      <circle r={84} fill="var(--sand)" stroke="var(--ink)" />
      <circle r={34} fill="var(--paper)" stroke="var(--ink)" />
      <path d={`M0 -84A84 84 0 ${shown > 180 ? 1 : 0} 0 ${n(x)} ${n(y)}`} fill="none" stroke="var(--jasper)" strokeWidth={6} />
      <line x1={0} y1={-94} x2={0} y2={-66} stroke="var(--ink)" strokeWidth={2} />
      <line x1={n(x * 0.79)} y1={n(y * 0.79)} x2={n(x * 1.12)} y2={n(y * 1.12)} stroke="var(--jasper)" strokeWidth={2} />
      <text y={5} textAnchor="middle" fontSize={13} fill="var(--ink)">{`${n(turn_deg)}°`}</text>
    </svg>
  );
}

/** Rings and lantern in the box, bottom at the left. */
function PackingBox({ input, result }: DrawingProps) {
  const { depth_mm, lantern_mm = 0, port_from_bottom_mm } = input as { depth_mm: number; lantern_mm?: number; port_from_bottom_mm?: number };
  const { section_mm: s, rings_below, rings } = result as Numbers as { section_mm: number; rings_below: number; rings: number };
  const k = 300 / depth_mm;
  const h = Math.min(46, s * k);
  const ring = (x: number, name: string, width: number, fill: string) => <rect key={name} x={n(x * k)} y={10} width={n(width * k)} height={h} fill={fill} stroke="var(--ink)" />;
  const places = Array.from({ length: rings }, (_, i) => (i < rings_below ? i * s : i * s + lantern_mm));
  return (
    <svg viewBox={`-4 -16 310 ${h + 60}`} className="w-full max-w-[460px]" role="img" aria-label={`${rings_below} rings below the lantern, ${rings - rings_below} above`}>
      <rect x={0} y={10} width={300} height={h} fill="none" stroke="var(--ink)" />
      {places.map((x, i) => ring(x, `ring ${i}`, s, 'var(--line)'))}
      {lantern_mm > 0 && ring(rings_below * s, 'lantern', lantern_mm, 'var(--lake)')}
      {port_from_bottom_mm !== undefined && <path d={`M${n(port_from_bottom_mm * k)} 8l-6 -12h12z`} fill="var(--jasper)" />}
      <rect x={0} y={h + 14} width={300} height={16} fill="var(--sand)" stroke="var(--ink)" />
      <text x={0} y={h + 44} fontSize={12} fill="var(--quiet)">bottom of the box</text>
    </svg>
  );
}

/** Unbalance before, with the trial weight, and where the correction goes. */
function Vectors({ input, result }: DrawingProps) {
  const { original, response } = input as { original: { amplitude: number; angle_deg: number }; response: { amplitude: number; angle_deg: number } };
  const { angle_deg, mass_g } = result as Numbers as { angle_deg: number; mass_g: number };
  const k = 80 / Math.max(original.amplitude, response.amplitude, 1e-9);
  const arrow = (r: number, deg: number, name: string, stroke: string) => {
    const [x, y] = polar(r, deg);
    return (
      <g key={name}>
        <line x2={n(x)} y2={n(y)} stroke={stroke} strokeWidth={3} />
        <circle cx={n(x)} cy={n(y)} r={4} fill={stroke} />
        <text x={n(x * 1.16)} y={n(y * 1.16) + 4} textAnchor="middle" fontSize={12} fill="var(--ink)">{name}</text>
      </g>
    );
  };
  return (
    <svg viewBox="-112 -112 224 224" className="w-full max-w-[320px]" role="img" aria-label={`Correction ${n(mass_g)} g at ${n(angle_deg)}°`}>
      <circle r={80} fill="none" stroke="var(--line)" />
      {arrow(original.amplitude * k, original.angle_deg, 'O', 'var(--slate)')}
      {arrow(response.amplitude * k, response.angle_deg, 'R', 'var(--ochre)')}
      {arrow(90, angle_deg, 'C', 'var(--jasper)')}
    </svg>
  );
}

interface DrawingProps {
  readonly input: unknown;
  readonly result: unknown;
}

const drawings: Readonly<Record<string, (props: DrawingProps) => ReactNode>> = { fit: FitZones, 'bolt-pattern': BoltCircle, 'end-clearance': TurnArc, 'preload-arc': TurnArc, packing: PackingBox, 'balance-weight': Vectors };

/** A drawing where a drawing tells more than the figures. */
export function SumDrawing({ id, input, result }: DrawingProps & { readonly id: string }) {
  const Drawing = drawings[id];
  return Drawing ? <Drawing input={input} result={result} /> : null;
}
