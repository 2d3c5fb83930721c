/* eslint-disable max-lines -- one outline for each symbol of a section */
import { present } from '../present';
import type { SectionBody } from './format';
import type { SectionShape } from './section-drawing';

type Outline = (body: SectionBody) => readonly { readonly d: string; readonly fill: SectionShape['fill'] }[];
const n = (value: number) => Number(value.toFixed(2));
const polygon = (...corners: readonly (readonly [number, number])[]) =>
  `M${corners.map(([x, y]) => `${n(x)} ${n(y)}`).join('L')}Z`;
const rectangle = (x0: number, x1: number, r0: number, r1: number) =>
  polygon([x0, -r0], [x1, -r0], [x1, -r1], [x0, -r1]);
const circle = (x: number, y: number, r: number) =>
  `M${n(x - r)} ${n(y)}a${n(r)} ${n(r)} 0 1 0 ${n(2 * r)} 0a${n(r)} ${n(r)} 0 1 0 ${n(-2 * r)} 0Z`;
const box: Outline = ({ x, r }) => [{ d: rectangle(x[0], x[1], r[0], r[1]), fill: 'hatched' }];

/** A wall that turns in at both ends. */
function shell(least: number): Outline {
  return ({ x: [a, b], r: [inner, outer] }) => {
    const wall = Math.max(least, (outer - inner) * 0.22);
    const end = Math.min(wall * 1.2, (b - a) * 0.2);
    return [
      {
        d: polygon(
          [a, -inner],
          [a, -outer],
          [b, -outer],
          [b, -inner],
          [b - end, -inner],
          [b - end, -(outer - wall)],
          [a + end, -(outer - wall)],
          [a + end, -inner],
        ),
        fill: 'hatched',
      },
    ];
  };
}

/** Outlines of the upper half by symbol; the lower half is their mirror. Proportions come from the data alone. */
export const outlines: Readonly<Record<SectionBody['symbol'], Outline>> = {
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
    return [
      { d: vane, fill: 'open' },
      { d: front, fill: 'hatched' },
      { d: back, fill: 'hatched' },
    ];
  },
  ring: box,
  sleeve: box,
  gasket: ({ x, r }) => [{ d: rectangle(x[0], x[1], r[0], r[1]), fill: 'solid' }],
  'o-ring': ({ x, r }) => [
    { d: circle((x[0] + x[1]) / 2, -(r[0] + r[1]) / 2, Math.min(x[1] - x[0], r[1] - r[0]) / 2), fill: 'solid' },
  ],
  nut: ({ x: [a, b], r: [, outer] }) => [
    { d: `M${n(a + 4)} 0V${n(-outer)}H${n(b)}V0Z`, fill: 'open' },
    { d: `M${n(a)} 0V${n(-outer + 5)}L${n(a + 4)} ${n(-outer)}V0Z`, fill: 'open' },
  ],
  key: ({ x, r }) => [{ d: rectangle(x[0], x[1], r[0], r[1]), fill: 'solid' }],
  shaft: ({ steps = [], x, r }) => [
    {
      d: shaftOutline(
        steps.length
          ? steps
          : [
              [x[0], r[1]],
              [x[1], r[1]],
            ],
      ),
      fill: 'open',
    },
  ],
  spring({ x: [a, b], r: [inner, outer] }) {
    const turns = 4;
    const zig = Array.from(
      { length: turns * 2 + 1 },
      (_, i) => `${i ? 'L' : 'M'}${n(a + ((b - a) * i) / (turns * 2))} ${n(i % 2 ? -outer : -inner)}`,
    );
    return [{ d: zig.join(''), fill: 'line' }];
  },
  'seal-rotary': ({ x: [a, b], r: [inner, outer] }) => [
    {
      d: polygon([a, -inner], [b, -inner], [b, -(outer - 4)], [b - 4, -(outer - 4)], [b - 4, -outer], [a, -outer]),
      fill: 'hatched',
    },
  ],
  'seal-seat': ({ x: [a, b], r: [inner, outer] }) => [
    {
      d: polygon([a, -inner], [b, -inner], [b, -outer], [a + 4, -outer], [a + 4, -(outer - 4)], [a, -(outer - 4)]),
      fill: 'solid',
    },
  ],
  cover: ({ x: [a, b], r: [inner, outer] }) => [
    {
      d: polygon(
        [a, -inner],
        [b - 4, -inner],
        [b - 4, -(inner + 8)],
        [b, -(inner + 8)],
        [b, -outer],
        [a + 12, -outer],
        [a + 12, -(inner + 26)],
        [a, -(inner + 26)],
      ),
      fill: 'hatched',
    },
  ],
  deflector: ({ x: [a, b], r: [inner, outer] }) => [
    {
      d: polygon([a, -inner], [b, -inner], [b, -(inner + 6)], [b - 2, -outer], [a + 2, -outer], [a, -(inner + 6)]),
      fill: 'solid',
    },
  ],
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
  'bearing-cover': ({ x: [a, b], r: [inner, outer] }) => [
    { d: polygon([a, -inner], [b, -inner], [b, -outer], [a, -outer]), fill: 'hatched' },
  ],
  'lip-seal': ({ x: [a, b], r: [inner, outer] }) => [
    {
      d: `M${n(a)} ${n(-outer)}H${n(b)}V${n(-(outer - 4))}H${n(a + 4)}V${n(-(inner + 8))}L${n(b - 2)} ${n(-inner)}L${n(a)} ${n(-(inner + 6))}Z`,
      fill: 'solid',
    },
  ],
  coupling: ({ x: [a, b], r: [inner, outer] }) => [
    {
      d: polygon([a, -inner], [b, -inner], [b, -outer], [b - 12, -outer], [b - 12, -(inner + 16)], [a, -(inner + 16)]),
      fill: 'hatched',
    },
  ],
  bolt: ({ x: [a, b], r: [inner, outer] }) => [
    { d: `${rectangle(a + 6, b, inner + 1, outer - 1)}${rectangle(a, a + 6, inner - 2, outer + 2)}`, fill: 'open' },
  ],
  housing: shell(6),
  barrel: shell(4),
  stator: ({ x: [a, b], r: [inner, outer] }) => [
    { d: rectangle(a, b, inner, outer), fill: 'hatched' },
    { d: rectangle(a - (b - a) * 0.1, a, inner + (outer - inner) * 0.3, outer - 2), fill: 'solid' },
    { d: rectangle(b, b + (b - a) * 0.1, inner + (outer - inner) * 0.3, outer - 2), fill: 'solid' },
  ],
  plate: box,
  chamber({ x: [a, b], r: [inner, outer] }) {
    const wall = (outer - inner) * 0.2;
    return [
      {
        d: polygon(
          [a, -(outer - wall)],
          [a, -outer],
          [b, -outer],
          [b, -inner],
          [b - (b - a) * 0.14, -inner],
          [b - (b - a) * 0.14, -(outer - wall)],
        ),
        fill: 'hatched',
      },
    ];
  },
  diffuser: ({ x: [a, b], r: [inner, outer] }) => [
    {
      d: `M${n(a)} ${n(-outer)}H${n(b)}V${n(-inner)}Q${n(a + (b - a) * 0.3)} ${n(-(inner + outer) / 2)} ${n(a)} ${n(-(outer - (outer - inner) * 0.25))}Z`,
      fill: 'open',
    },
  ],
  washer: ({ x, r }) => [{ d: rectangle(x[0], x[1], r[0], r[1]), fill: 'solid' }],
  cone: ({ x: [a, b], r: [inner, outer] }) => [
    { d: polygon([a, -inner], [b, -inner], [b, -outer], [a, -(inner + (outer - inner) * 0.35)]), fill: 'solid' },
  ],
  strap: ({ x, r }) => [{ d: rectangle(x[0], x[1], r[0], r[1]), fill: 'open' }],
  bushing: ({ x: [a, b], r: [inner, outer] }) => [
    { d: rectangle(a, b, inner, outer), fill: 'hatched' },
    { d: `M${n(a)} ${n(-(inner + (outer - inner) * 0.35))}H${n(b)}`, fill: 'line' },
  ],
  'tapered-bearing'({ x: [a, b], r: [inner, outer] }) {
    const h = outer - inner;
    return [
      { d: polygon([a, -inner], [b, -inner], [b, -(inner + h * 0.18)], [a, -(inner + h * 0.36)]), fill: 'hatched' },
      { d: polygon([a, -(outer - h * 0.16)], [b, -(outer - h * 0.36)], [b, -outer], [a, -outer]), fill: 'hatched' },
      {
        d: polygon(
          [a + 1.5, -(inner + h * 0.4)],
          [b - 1.5, -(inner + h * 0.24)],
          [b - 1.5, -(outer - h * 0.4)],
          [a + 1.5, -(outer - h * 0.2)],
        ),
        fill: 'open',
      },
    ];
  },
  packing({ x: [a, b], r: [inner, outer] }) {
    const count = Math.max(2, Math.round((b - a) / (outer - inner)));
    const w = (b - a) / count;
    return Array.from({ length: count }, (_, i) => ({
      d: `${rectangle(a + i * w + 0.6, a + (i + 1) * w - 0.6, inner, outer)}M${n(a + i * w + 0.6)} ${n(-inner)}L${n(a + (i + 1) * w - 0.6)} ${n(-outer)}M${n(a + i * w + 0.6)} ${n(-outer)}L${n(a + (i + 1) * w - 0.6)} ${n(-inner)}`,
      fill: 'open' as const,
    }));
  },
  lantern: ({ x: [a, b], r: [inner, outer] }) => [
    {
      d: polygon(
        [a, -inner],
        [b, -inner],
        [b, -(inner + (outer - inner) * 0.3)],
        [a + (b - a) * 0.65, -(inner + (outer - inner) * 0.3)],
        [a + (b - a) * 0.65, -(outer - (outer - inner) * 0.3)],
        [b, -(outer - (outer - inner) * 0.3)],
        [b, -outer],
        [a, -outer],
        [a, -(outer - (outer - inner) * 0.3)],
        [a + (b - a) * 0.35, -(outer - (outer - inner) * 0.3)],
        [a + (b - a) * 0.35, -(inner + (outer - inner) * 0.3)],
        [a, -(inner + (outer - inner) * 0.3)],
      ),
      fill: 'hatched',
    },
  ],
  gland: ({ x: [a, b], r: [inner, outer] }) => [
    {
      d: polygon(
        [a, -inner],
        [b, -inner],
        [b, -outer],
        [a + (b - a) * 0.6, -outer],
        [a + (b - a) * 0.6, -(inner + (outer - inner) * 0.38)],
        [a, -(inner + (outer - inner) * 0.38)],
      ),
      fill: 'hatched',
    },
  ],
  'rotor-gear'({ x: [a, b], r: [inner, outer] }) {
    const root = inner + (outer - inner) * 0.55;
    return [
      { d: rectangle(a, b, inner, root), fill: 'hatched' },
      { d: rectangle(a, b, root, outer), fill: 'open' },
    ];
  },
  idler({ x: [a, b], r: [inner, outer] }) {
    const root = inner + (outer - inner) * 0.45;
    return [
      { d: rectangle(a, b, inner, root), fill: 'hatched' },
      { d: rectangle(a, b, root, outer), fill: 'open' },
    ];
  },
  pin: ({ x: [a, b], r: [, outer] }) => [
    { d: `M${n(a)} 0V${n(-outer)}H${n(b - 2)}L${n(b)} ${n(-(outer - 2))}V0Z`, fill: 'open' },
  ],
  crescent: ({ x, r }) => [{ d: rectangle(x[0], x[1], r[0], r[1]), fill: 'hatched' }],
  lobe({ x: [a, b], r: [inner, outer] }) {
    const hub = inner + (outer - inner) * 0.4;
    return [
      { d: rectangle(a, b, inner, hub), fill: 'hatched' },
      {
        d: `M${n(a)} ${n(-hub)}V${n(-(outer - 6))}Q${n(a)} ${n(-outer)} ${n(a + 6)} ${n(-outer)}H${n(b - 6)}Q${n(b)} ${n(-outer)} ${n(b)} ${n(-(outer - 6))}V${n(-hub)}Z`,
        fill: 'open',
      },
    ];
  },
  screw({ x: [a, b], r: [inner, outer] }) {
    const turns = Math.max(3, Math.round((b - a) / ((outer - inner) * 1.1)));
    const w = (b - a) / turns;
    const flights = Array.from({ length: turns }, (_, i) =>
      polygon(
        [a + i * w + w * 0.15, -inner],
        [a + i * w + w * 0.32, -outer],
        [a + i * w + w * 0.68, -outer],
        [a + i * w + w * 0.85, -inner],
      ),
    );
    return [{ d: flights.join(''), fill: 'open' }];
  },
  'timing-gear'({ x: [a, b], r: [inner, outer] }) {
    const root = outer - Math.min(6, (outer - inner) * 0.2);
    return [
      {
        d: polygon(
          [a, -inner],
          [b, -inner],
          [b, -root],
          [b - (b - a) * 0.3, -root],
          [b - (b - a) * 0.3, -(root - 4)],
          [a + (b - a) * 0.3, -(root - 4)],
          [a + (b - a) * 0.3, -root],
          [a, -root],
        ),
        fill: 'hatched',
      },
      { d: rectangle(a, b, root, outer), fill: 'open' },
    ];
  },
  'motor-rotor': ({ x: [a, b], r: [inner, outer] }) => [
    { d: rectangle(a, b, inner, outer), fill: 'hatched' },
    { d: rectangle(a - 4, a, inner + 4, outer), fill: 'solid' },
    { d: rectangle(b, b + 4, inner + 4, outer), fill: 'solid' },
  ],
  magnet: ({ x: [a, b], r: [inner, outer] }) => [
    { d: rectangle(a, b, inner, outer), fill: 'solid' },
    { d: `M${n((a + b) / 2)} ${n(-inner)}V${n(-outer)}`, fill: 'line' },
  ],
  fan: ({ x: [a, b], r: [inner, outer] }) => [
    {
      d: polygon(
        [a, -inner],
        [b, -inner],
        [b, -(inner + 8)],
        [a + (b - a) * 0.6, -(inner + 10)],
        [b, -outer],
        [a + (b - a) * 0.2, -outer],
        [a, -(inner + 8)],
      ),
      fill: 'open',
    },
  ],
  pulley({ x: [a, b], r: [inner, outer] }) {
    const groove = Math.min(10, (outer - inner) * 0.3);
    const rim = outer - groove;
    const w = (b - a) / 2;
    const top = [0, 1].flatMap(
      (i) =>
        [
          [a + i * w + w * 0.1, -outer],
          [a + i * w + w * 0.32, -rim],
          [a + i * w + w * 0.68, -rim],
          [a + i * w + w * 0.9, -outer],
        ] as const,
    );
    return [
      {
        d: polygon(
          [a, -inner],
          [a, -outer],
          ...top,
          [b, -outer],
          [b, -(rim - 6)],
          [a + (b - a) * 0.6, -(rim - 6)],
          [a + (b - a) * 0.6, -(inner + 8)],
          [b, -(inner + 8)],
          [b, -inner],
        ),
        fill: 'hatched',
      },
    ];
  },
  cable: ({ x: [a, b], r: [inner, outer] }) => [
    {
      d: `M${n(a)} ${n(-inner)}Q${n((a + b) / 2)} ${n(-inner)} ${n((a + b) / 2)} ${n(-(inner + outer) / 2)}T${n(b)} ${n(-outer)}`,
      fill: 'line',
    },
  ],
  valve: ({ x: [a, b], r: [inner, outer] }) => [
    { d: rectangle(a, b, inner, outer), fill: 'open' },
    {
      d: `M${n(a + 2)} ${n(-(inner + 2))}L${n(b - 2)} ${n(-(outer - 2))}M${n(a + 2)} ${n(-(outer - 2))}L${n(b - 2)} ${n(-(inner + 2))}`,
      fill: 'line',
    },
  ],
  tube: ({ x: [a, b], r: [inner, outer] }) => [
    { d: `${rectangle(a, b, outer - 2, outer)}${rectangle(a, b, inner, inner + 2)}`, fill: 'open' },
  ],
  spacer: ({ x: [a, b], r: [inner, outer] }) => [
    {
      d: polygon([a, -inner], [b, -inner], [b, -(inner + 8)], [a + 8, -(inner + 8)], [a + 8, -outer], [a, -outer]),
      fill: 'hatched',
    },
  ],
};

function shaftOutline(steps: readonly (readonly [number, number])[]): string {
  const last = present(steps[steps.length - 1]);
  const corners = steps
    .slice(1)
    .map(([x, r], i) => `H${n(x)}${i < steps.length - 2 || r !== present(steps[i])[1] ? `V${n(-r)}` : ''}`);
  return `M${n(present(steps[0])[0])} 0V${n(-present(steps[0])[1])}${corners.join('')}H${n(last[0])}V0Z`;
}
