'use client';

import type { ReactNode } from 'react';
import { useXAxisScale, useYAxisScale, type XAxisTickContentProps } from 'recharts';

/** Where a point of the axes stands in the picture, in pixels. */
export type Place = (x: number, y: number) => readonly [number, number];

interface Props {
  /** Where a chart has two axes at its sides, the one that is meant. */
  readonly yAxisId?: string;
  readonly children: (place: Place) => ReactNode;
}

/**
 * What a chart shows between its axes, drawn on their scales at once. Each line, dot and area of the package's own enters
 * itself with the chart when it stands, and each entry draws the others anew.
 */
export function Drawn({ yAxisId, children }: Props) {
  const xOf = useXAxisScale();
  const yOf = useYAxisScale(yAxisId);
  return xOf && yOf ? children((x, y) => [xOf(x) ?? 0, yOf(y) ?? 0]) : null;
}

/** A line through places of a picture, for the `d` of a path. */
export const through = (places: readonly (readonly [number, number])[]): string =>
  places.map(([x, y], i) => `${i ? 'L' : 'M'}${x.toFixed(1)},${y.toFixed(1)}`).join('');

interface GridProps {
  readonly place: Place;
  readonly xs: readonly number[];
  readonly ys: readonly number[];
}

/** Lines at the marks of both axes. */
export function Grid({ place, xs, ys }: GridProps) {
  const [left = 0, right = 0] = [xs[0], xs.at(-1)];
  const [bottom = 0, top = 0] = [ys[0], ys.at(-1)];
  const lines = [
    ...xs.map((x) => through([place(x, bottom), place(x, top)])),
    ...ys.map((y) => through([place(left, y), place(right, y)])),
  ];
  return <path d={lines.join('')} stroke="var(--line)" strokeDasharray="2 4" fill="none" />;
}

interface DotsProps {
  readonly places: readonly (readonly [number, number])[];
  readonly radius: number;
  readonly fill: string;
  readonly stroke?: string;
}

export const Dots = ({ places, radius, fill, stroke }: DotsProps) =>
  places.map(([x, y], i) => <circle key={i} cx={x} cy={y} r={radius} fill={fill} stroke={stroke} />);

type MarkProps = Pick<
  XAxisTickContentProps,
  'x' | 'y' | 'payload' | 'textAnchor' | 'verticalAnchor' | 'tickFormatter' | 'index'
>;

/** A mark of an axis as plain text: the package's own measures each of its words to see whether they have room. */
function AxisMark({ x, y, payload, textAnchor, verticalAnchor, tickFormatter, index }: MarkProps) {
  return (
    <text
      x={x}
      y={y}
      dy={verticalAnchor === 'middle' ? '0.355em' : '0.71em'}
      textAnchor={textAnchor}
      fill="var(--quiet)"
      fontSize={13}
    >
      {tickFormatter ? tickFormatter(payload.value, index) : payload.value}
    </text>
  );
}

/** Of an axis whose marks all have room: none is measured to see whether it fits. */
export const axis = { stroke: 'var(--quiet)', tick: AxisMark, interval: 0 } as const;
