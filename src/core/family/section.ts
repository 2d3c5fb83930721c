import type { Family, SectionBody } from './schema';

/** One outline of the drawing, in drawing millimetres with the centre line at y = 0; the upper half is negative. */
export interface SectionShape {
  readonly part: string;
  readonly symbol: SectionBody['symbol'];
  readonly material: string;
  readonly d: string;
  readonly fill: 'hatched' | 'solid' | 'open' | 'line';
}

export interface SectionPin {
  readonly id: string;
  readonly number: number;
  readonly title: string;
  readonly part: string;
  /** Where the point is. */
  readonly x: number;
  readonly y: number;
  /** Where its number stands; numbers never overlap. */
  readonly labelX: number;
  readonly labelY: number;
}

export interface SectionDrawing {
  readonly viewBox: readonly [x: number, y: number, width: number, height: number];
  readonly shapes: readonly SectionShape[];
  readonly pins: readonly SectionPin[];
  readonly axis: { readonly from: number; readonly to: number };
}

type Outline = (body: SectionBody) => readonly { readonly d: string; readonly fill: SectionShape['fill'] }[];
const n = (value: number) => Number(value.toFixed(2));
const polygon = (...corners: readonly (readonly [number, number])[]) => `M${corners.map(([x, y]) => `${n(x)} ${n(y)}`).join('L')}Z`;
const rectangle = (x0: number, x1: number, r0: number, r1: number) => polygon([x0, -r0], [x1, -r0], [x1, -r1], [x0, -r1]);
const circle = (x: number, y: number, r: number) => `M${n(x - r)} ${n(y)}a${n(r)} ${n(r)} 0 1 0 ${n(2 * r)} 0a${n(r)} ${n(r)} 0 1 0 ${n(-2 * r)} 0Z`;
const box: Outline = ({ x, r }) => [{ d: rectangle(x[0], x[1], r[0], r[1]), fill: 'hatched' }];

/** Outlines of the upper half by symbol; the lower half is their mirror. Proportions come from the data alone. */
const outlines: Readonly<Record<SectionBody['symbol'], Outline>> = {
  casing({ x: [a, b], r: [inner, outer] }) {
    const w = b - a;
    const neck = a + w * 0.39;
    const shell = w * 0.11;
    const back = b - w * 0.09;
    const d = `M${n(a)} ${n(-inner)}H${n(a + w * 0.29)}V${n(-(inner + 18))}H${n(neck)}V${n(-(outer - 24))}Q${n(neck)} ${n(-outer)} ${n(neck + 22)} ${n(-outer)}H${n(back - 18)}Q${n(back)} ${n(-outer)} ${n(back)} ${n(-(outer - 20))}V${n(-(inner + 48))}H${n(b)}V${n(-(inner + 34))}H${n(back - shell)}V${n(-(outer - 22))}H${n(neck + shell)}V${n(-(inner + 16))}H${n(neck + shell * 0.6)}V${n(-(inner + 16))}H${n(a + w * 0.46)}V${n(-(inner + 16))}H${n(a + w * 0.29 + 4)}V${n(-(inner + 12))}H${n(a)}Z`;
    return [{ d, fill: 'hatched' }];
  },
  impeller({ x: [a, b], r: [bore, outer] }) {
    const w = b - a;
    const eye = bore + (outer - bore) * 0.3;
    const front = `M${n(a)} ${n(-(eye + 4))}H${n(a + 16)}Q${n(a + w * 0.55)} ${n(-(eye + 8))} ${n(a + w * 0.62)} ${n(-outer)}H${n(a + w * 0.56)}Q${n(a + w * 0.48)} ${n(-(eye + 18))} ${n(a + 8)} ${n(-(eye + 12))}H${n(a)}Z`;
    const back = `M${n(a + w * 0.38)} ${n(-bore)}H${n(b)}V${n(-(bore + 10))}H${n(a + w * 0.92)}Q${n(a + w * 0.86)} ${n(-(eye + 10))} ${n(a + w * 0.84)} ${n(-outer)}H${n(a + w * 0.78)}Q${n(a + w * 0.76)} ${n(-(eye + 6))} ${n(a + w * 0.6)} ${n(-(bore + 12))}Q${n(a + w * 0.5)} ${n(-(bore + 6))} ${n(a + w * 0.38)} ${n(-(bore + 6))}Z`;
    const vane = `M${n(a + w * 0.62)} ${n(-outer)}H${n(a + w * 0.78)}Q${n(a + w * 0.74)} ${n(-(eye + 6))} ${n(a + w * 0.58)} ${n(-(bore + 14))}Q${n(a + w * 0.42)} ${n(-(eye - 4))} ${n(a + 20)} ${n(-(eye + 4))}Q${n(a + w * 0.55)} ${n(-(eye + 8))} ${n(a + w * 0.62)} ${n(-outer)}Z`;
    return [{ d: vane, fill: 'open' }, { d: front, fill: 'hatched' }, { d: back, fill: 'hatched' }];
  },
  ring: box,
  sleeve: box,
  gasket: ({ x, r }) => [{ d: rectangle(x[0], x[1], r[0], r[1]), fill: 'solid' }],
  'o-ring': ({ x, r }) => [{ d: circle((x[0] + x[1]) / 2, -(r[0] + r[1]) / 2, Math.min(x[1] - x[0], r[1] - r[0]) / 2), fill: 'solid' }],
  nut: ({ x: [a, b], r: [, outer] }) => [{ d: `M${n(a + 4)} 0V${n(-outer)}H${n(b)}V0Z`, fill: 'open' }, { d: `M${n(a)} 0V${n(-outer + 5)}L${n(a + 4)} ${n(-outer)}V0Z`, fill: 'open' }],
  key: ({ x, r }) => [{ d: rectangle(x[0], x[1], r[0], r[1]), fill: 'solid' }],
  shaft: ({ steps = [], x, r }) => [{ d: shaftOutline(steps.length ? steps : [[x[0], r[1]], [x[1], r[1]]]), fill: 'open' }],
  spring({ x: [a, b], r: [inner, outer] }) {
    const turns = 4;
    const zig = Array.from({ length: turns * 2 + 1 }, (_, i) => `${i ? 'L' : 'M'}${n(a + ((b - a) * i) / (turns * 2))} ${n(i % 2 ? -outer : -inner)}`);
    return [{ d: zig.join(''), fill: 'line' }];
  },
  'seal-rotary': ({ x: [a, b], r: [inner, outer] }) => [{ d: polygon([a, -inner], [b, -inner], [b, -(outer - 4)], [b - 4, -(outer - 4)], [b - 4, -outer], [a, -outer]), fill: 'hatched' }],
  'seal-seat': ({ x: [a, b], r: [inner, outer] }) => [{ d: polygon([a, -inner], [b, -inner], [b, -outer], [a + 4, -outer], [a + 4, -(outer - 4)], [a, -(outer - 4)]), fill: 'solid' }],
  cover: ({ x: [a, b], r: [inner, outer] }) => [{ d: polygon([a, -inner], [b - 4, -inner], [b - 4, -(inner + 8)], [b, -(inner + 8)], [b, -outer], [a + 12, -outer], [a + 12, -(inner + 26)], [a, -(inner + 26)]), fill: 'hatched' }],
  deflector: ({ x: [a, b], r: [inner, outer] }) => [{ d: polygon([a, -inner], [b, -inner], [b, -(inner + 6)], [b - 2, -outer], [a + 2, -outer], [a, -(inner + 6)]), fill: 'solid' }],
  bracket({ x: [a, b], r: [inner, outer] }) {
    const wall = 14;
    const seat = inner + 10;
    const first = a + (b - a) * 0.24;
    const second = b - (b - a) * 0.055;
    const d = `M${n(a)} ${n(-(inner + 16))}H${n(a + 50)}V${n(-outer)}H${n(first + 14)}V${n(-(outer - wall))}H${n(second - 40)}V${n(-outer)}H${n(b)}V${n(-seat)}H${n(second - 32)}V${n(-inner)}H${n(first + 26)}V${n(-seat)}H${n(first - 1)}V${n(-inner)}H${n(a)}Z`;
    return [{ d, fill: 'hatched' }];
  },
  'ball-bearing'({ x: [a, b], r: [inner, outer] }) {
    const h = outer - inner;
    const race = h * 0.27;
    return [
      { d: rectangle(a, b, inner, inner + race), fill: 'hatched' },
      { d: rectangle(a, b, outer - race, outer), fill: 'hatched' },
      { d: circle((a + b) / 2, -(inner + outer) / 2, h * 0.29), fill: 'open' },
    ];
  },
  'retaining-ring': ({ x, r }) => [{ d: rectangle(x[0], x[1], r[0], r[1]), fill: 'solid' }],
  'bearing-cover': ({ x: [a, b], r: [inner, outer] }) => [{ d: polygon([a, -inner], [b, -inner], [b, -outer], [a, -outer]), fill: 'hatched' }],
  'lip-seal': ({ x: [a, b], r: [inner, outer] }) => [{ d: `M${n(a)} ${n(-outer)}H${n(b)}V${n(-(outer - 4))}H${n(a + 4)}V${n(-(inner + 8))}L${n(b - 2)} ${n(-inner)}L${n(a)} ${n(-(inner + 6))}Z`, fill: 'solid' }],
  coupling: ({ x: [a, b], r: [inner, outer] }) => [{ d: polygon([a, -inner], [b, -inner], [b, -outer], [b - 12, -outer], [b - 12, -(inner + 16)], [a, -(inner + 16)]), fill: 'hatched' }],
  bolt: ({ x: [a, b], r: [inner, outer] }) => [{ d: `${rectangle(a + 6, b, inner + 1, outer - 1)}${rectangle(a, a + 6, inner - 2, outer + 2)}`, fill: 'open' }],
  spacer: ({ x: [a, b], r: [inner, outer] }) => [{ d: polygon([a, -inner], [b, -inner], [b, -(inner + 8)], [a + 8, -(inner + 8)], [a + 8, -outer], [a, -outer]), fill: 'hatched' }],
};

function shaftOutline(steps: readonly (readonly [number, number])[]): string {
  const last = steps[steps.length - 1]!;
  const corners = steps.slice(1).map(([x, r], i) => `H${n(x)}${i < steps.length - 2 || r !== steps[i]![1] ? `V${n(-r)}` : ''}`);
  return `M${n(steps[0]![0])} 0V${n(-steps[0]![1])}${corners.join('')}H${n(last[0])}V0Z`;
}

/** Spreads labels along a line so that neighbours keep `gap`, moving each as little as a single pass each way can. @example spreadLabels([10, 12, 50], { gap: 20, from: 0, to: 100 }) // [10, 30, 50] */
export function spreadLabels(wanted: readonly number[], { gap, from, to }: { readonly gap: number; readonly from: number; readonly to: number }): number[] {
  const order = wanted.map((x, i) => ({ x, i })).sort((one, other) => one.x - other.x);
  const room = order.length > 1 ? Math.min(gap, (to - from) / (order.length - 1)) : gap;
  const placed = order.map(({ x }) => Math.min(Math.max(x, from), to));
  for (let i = 1; i < placed.length; i++) placed[i] = Math.max(placed[i]!, placed[i - 1]! + room);
  if (placed.length) placed[placed.length - 1] = Math.min(placed[placed.length - 1]!, to);
  for (let i = placed.length - 2; i >= 0; i--) placed[i] = Math.min(placed[i]!, placed[i + 1]! - room);
  const result = new Array<number>(wanted.length);
  order.forEach(({ i }, k) => (result[i] = placed[k]!));
  return result;
}

function pinsOf(family: Family, half: 'top' | 'bottom', labelY: number): SectionPin[] {
  const points = family.points.filter((point) => point.half === half);
  const xs = spreadLabels(points.map((point) => point.at[0]), { gap: 36, from: 16, to: family.section.length - 12 });
  return points.map((point, i) => ({ id: point.id, number: point.number, title: point.title, part: point.part, x: point.at[0], y: half === 'top' ? -point.at[1] : point.at[1], labelX: xs[i]!, labelY }));
}

/**
 * The longitudinal section of a family, from its `section` data alone: outlines of the upper half with their mirror
 * below the shaft line, and numbered points whose labels never overlap.
 */
export function drawSection(family: Family): SectionDrawing {
  const { length, radius, bodies } = family.section;
  const classOf = new Map(family.parts.map((part) => [part.ref, part.class]));
  const order = [...bodies].sort((one, other) => Number(one.symbol === 'shaft') - Number(other.symbol === 'shaft') || Number(Boolean(one.inside)) - Number(Boolean(other.inside)));
  const later = new Set<string>(['key', 'nut', 'lip-seal', 'spring']);
  const sorted = [...order.filter((b) => !later.has(b.symbol)), ...order.filter((b) => later.has(b.symbol))];
  const margin = 44;
  return {
    viewBox: [0, -(radius + margin), length, 2 * (radius + margin)],
    shapes: sorted.flatMap((body) => outlines[body.symbol](body).map(({ d, fill }) => ({ part: body.part, symbol: body.symbol, material: classOf.get(body.part) ?? 'steel', d, fill }))),
    pins: [...pinsOf(family, 'top', -(radius + margin - 18)), ...pinsOf(family, 'bottom', radius + margin - 18)],
    axis: { from: 4, to: length - 4 },
  };
}
