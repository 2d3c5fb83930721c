import type { MadePart } from '../record';
import { sizeOf } from './sketch';

type Point = readonly [x: number, y: number];
export interface SketchCircle {
  readonly x: number;
  readonly y: number;
  readonly r: number;
  /** A line on which holes lie, not an edge. */
  readonly isCentreLine: boolean;
}
/** A sketch to scale, mm: its section along the axis from the origin, and its view from the end about the origin. */
export interface SketchDrawing {
  /** Closed outlines that are cut. */
  readonly section: readonly (readonly Point[])[];
  readonly end: readonly SketchCircle[];
  readonly length: number;
  readonly diameter: number;
}

type Sketch = Pick<MadePart, 'shape' | 'dimensions'>;
/** One step of a turned part: from where to where along the axis, and its radii. */
interface Turned {
  readonly from: number;
  readonly to: number;
  readonly inner: number;
  readonly outer: number;
}

function turnedOf(sketch: Sketch): readonly Turned[] {
  const size = (id: string) => sizeOf(sketch, id) ?? 0;
  const inner = size('bore') / 2;
  if (sketch.shape === 'cap') {
    const flange = { from: 0, to: size('flange'), inner, outer: size('outside') / 2 };
    return [flange, { from: flange.to, to: flange.to + size('depth'), inner, outer: size('spigot') / 2 }];
  }
  const length = sketch.shape === 'gasket' ? size('thickness') : size('length');
  return [{ from: 0, to: length, inner, outer: size('outside') / 2 }];
}

/** The cut of one step above the axis; where holes go through a flange, the two pieces beside a hole. */
function cutOf({ from, to, inner, outer }: Turned, hole: { readonly at: number; readonly r: number } | null) {
  const box = (low: number, high: number): readonly Point[] => [
    [from, low],
    [from, high],
    [to, high],
    [to, low],
  ];
  if (!hole || hole.at + hole.r >= outer || hole.at - hole.r <= inner) return [box(inner, outer)];
  return [box(inner, hole.at - hole.r), box(hole.at + hole.r, outer)];
}

function holesOf(sketch: Sketch): readonly SketchCircle[] {
  const [on, holes, hole] = ['circle', 'holes', 'hole'].map((id) => sizeOf(sketch, id) ?? 0) as [
    number,
    number,
    number,
  ];
  if (!on || !holes || !hole) return [];
  const around = Array.from({ length: holes }, (_, i) => {
    const angle = Math.PI / 2 + (2 * Math.PI * i) / holes;
    return { x: (on / 2) * Math.cos(angle), y: (on / 2) * Math.sin(angle), r: hole / 2, isCentreLine: false };
  });
  return [{ x: 0, y: 0, r: on / 2, isCentreLine: true }, ...around];
}

/** Draws a part from the dimensions of its sketch alone: dimensions that are missing are left out. */
export function drawSketch(sketch: Sketch): SketchDrawing {
  const turned = turnedOf(sketch);
  const holes = holesOf(sketch);
  const [centreLine, first] = holes;
  const hole = centreLine && first ? { at: centreLine.r, r: first.r } : null;
  const above = turned.flatMap((step, i) => cutOf(step, i === 0 ? hole : null));
  const below = above.map((outline) => outline.map(([x, y]): Point => [x, -y]));
  const radii = [...new Set(turned.flatMap(({ inner, outer }) => [outer, inner]))].filter((r) => r > 0);
  return {
    section: [...above, ...below],
    end: [...radii.map((r) => ({ x: 0, y: 0, r, isCentreLine: false })), ...holes],
    length: Math.max(...turned.map(({ to }) => to)),
    diameter: 2 * Math.max(...turned.map(({ outer }) => outer)),
  };
}
