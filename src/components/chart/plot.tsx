'use client';

import type { ReactNode } from 'react';
import { ComposedChart, ResponsiveContainer, useXAxisScale, useYAxisScale, XAxis, YAxis } from 'recharts';
import { sayMark } from './round-axis';

/** Where a point of the axes stands in the picture, in pixels. */
export type Place = (x: number, y: number) => readonly [number, number];

type Places = readonly (readonly [number, number])[];
type Marks = readonly number[];

interface Props {
  /** In pixels. */
  readonly height: number;
  /** Marks of the axis below, from the least to the most: it reaches from the first to the last. */
  readonly xs: Marks;
  /** Those of the axis at the left. */
  readonly ys: Marks;
  /** Those of a second axis at the right, where there is one. */
  readonly right?: Marks | undefined;
  /** Draws on the scales of the axes; `placeAtRight` is on that of the right one. */
  readonly children: (place: Place, placeAtRight: Place) => ReactNode;
}

/**
 * A picture over axes of figures, drawn on their scales at once. Each visible axis, line, dot and area of the package's
 * own enters itself with the chart when it stands, and each entry draws the others anew.
 */
export function Plot({ height, xs, ys, right, children }: Props) {
  return (
    <ResponsiveContainer width="100%" height={height}>
      <ComposedChart margin={{ top: 6, right: right ? 42 : 16, bottom: 30, left: 46 }} accessibilityLayer={false}>
        <XAxis dataKey="x" domain={endsOf(xs)} {...scaleOnly} />
        <YAxis dataKey="y" domain={endsOf(ys)} {...scaleOnly} />
        <Drawn xs={xs} ys={ys} right={right}>
          {children}
        </Drawn>
      </ComposedChart>
    </ResponsiveContainer>
  );
}

/** An axis of which only the scale is used; without data it has one where it may leave some out. */
const scaleOnly = { hide: true, type: 'number', allowDataOverflow: true, niceTicks: 'none' } as const;

const endsOf = (marks: Marks): [number, number] => [marks[0] ?? 0, marks.at(-1) ?? 1];

function Drawn({ xs, ys, right, children }: Omit<Props, 'height'>) {
  const xOf = useXAxisScale();
  const yOf = useYAxisScale();
  if (!xOf || !yOf) return null;
  const place: Place = (x, y) => [xOf(x) ?? 0, yOf(y) ?? 0];
  const [low, high] = endsOf(ys);
  const [lowAtRight, highAtRight] = endsOf(right ?? ys);
  const placeAtRight: Place = (x, y) => place(x, low + ((y - lowAtRight) / (highAtRight - lowAtRight)) * (high - low));
  const [first, last] = endsOf(xs);
  return (
    <>
      <Frame place={place} xs={xs} ys={ys} />
      {right && <path d={through([place(last, low), place(last, high)])} stroke="var(--quiet)" />}
      {right && <SideMarks place={(y) => placeAtRight(last, y)} marks={right} anchor="start" />}
      <SideMarks place={(y) => place(first, y)} marks={ys} anchor="end" />
      {children(place, placeAtRight)}
    </>
  );
}

/** A line through places of a picture, for the `d` of a path. */
export const through = (places: Places): string =>
  places.map(([x, y], i) => `${i ? 'L' : 'M'}${x.toFixed(1)},${y.toFixed(1)}`).join('');

const markStyle = { fill: 'var(--quiet)', fontSize: 13 } as const;

/** Both axes, lines at their marks, and the marks below. */
function Frame({ place, xs, ys }: { readonly place: Place; readonly xs: Marks; readonly ys: Marks }) {
  const [left, right] = endsOf(xs);
  const [bottom, top] = endsOf(ys);
  const lines = [
    ...xs.slice(1).map((x) => through([place(x, bottom), place(x, top)])),
    ...ys.slice(1).map((y) => through([place(left, y), place(right, y)])),
  ];
  return (
    <>
      <path d={lines.join('')} stroke="var(--line)" strokeDasharray="2 4" />
      <path
        d={through([place(left, top), place(left, bottom), place(right, bottom)])}
        fill="none"
        stroke="var(--quiet)"
      />
      {xs.map((x) => {
        const [across, down] = place(x, bottom);
        return (
          <text key={x} x={across} y={down + 18} textAnchor="middle" {...markStyle}>
            {sayMark(x)}
          </text>
        );
      })}
    </>
  );
}

interface SideMarksProps {
  readonly place: (y: number) => readonly [number, number];
  readonly marks: Marks;
  /** Which end of its text stands at the axis. */
  readonly anchor: 'start' | 'end';
}

const SideMarks = ({ place, marks, anchor }: SideMarksProps) =>
  marks.map((y) => {
    const [across, down] = place(y);
    return (
      <text key={y} x={across + (anchor === 'end' ? -7 : 7)} y={down + 4.5} textAnchor={anchor} {...markStyle}>
        {sayMark(y)}
      </text>
    );
  });

interface DotsProps {
  readonly places: Places;
  readonly radius: number;
  readonly fill: string;
  readonly stroke?: string;
  readonly strokeWidth?: number;
}

export const Dots = ({ places, radius, ...drawn }: DotsProps) =>
  places.map(([x, y], i) => <circle key={i} cx={x} cy={y} r={radius} {...drawn} />);

interface MeasuredProps {
  readonly places: Places;
  readonly stroke: string;
  readonly strokeDasharray?: string;
}

/** A line through what was measured, with a ring at each of it. */
export const Measured = ({ places, stroke, strokeDasharray }: MeasuredProps) => (
  <>
    <path d={through(places)} fill="none" stroke={stroke} strokeWidth={2.2} strokeDasharray={strokeDasharray} />
    <Dots places={places} radius={3} fill="var(--paper)" stroke={stroke} strokeWidth={2.2} />
  </>
);
