'use client';

import { present } from '@/core/present';
import { remembered } from '@/core/remembered';
import { useId, useMemo, useState, type KeyboardEvent } from 'react';
import {
  halvesOf,
  isOther,
  wavesOf,
  type InHand,
  type SectionArrow,
  type SectionDrawing,
  type SectionNotes,
  type SectionShape,
} from '@/core/family';
import { pebble } from './pebble';
import { fillOf, hatches, wordShare } from './section-colours';
import { linesOf, nameWidth, SectionNote } from './section-note';

export type PinState = 'to do' | 'measured' | 'near' | 'out';
export type PartState = 'here' | 'removed' | 'replace' | 'fitted' | 'now';

interface Props {
  readonly drawing: SectionDrawing;
  readonly pins: Readonly<Record<string, PinState>>;
  readonly parts?: Readonly<Record<string, PartState>>;
  readonly picked?: string | null;
  readonly onPick?: (pointId: string) => void;
  /** Parts are picked by pointer and by keyboard: one stop for Tab, arrow keys along the shaft. */
  readonly onPickPart?: (ref: string) => void;
  readonly showsPins?: boolean;
  /** Names on lit parts, and which way these move. */
  readonly notes?: SectionNotes;
  readonly names?: Readonly<Record<string, string>>;
  /** The member that is worked on: of what is lit of its set, only that one lights up. */
  readonly inHand?: InHand | undefined;
  /** Drawn so that the whole of it is seen; otherwise as wide as it may be. */
  readonly isWhole?: boolean;
  readonly title: string;
}

const pinFill: Readonly<Record<PinState, string>> = {
  'to do': 'var(--paper)',
  measured: 'var(--slate)',
  near: 'var(--ochre)',
  out: 'var(--jasper)',
};

/** An arrow along the shaft, or about it as seen from the drive end. */
function Movement({ arrow }: { readonly arrow: SectionArrow }) {
  const head = useId();
  const line = { fill: 'none', stroke: 'var(--jasper)', strokeWidth: 3, markerEnd: `url(#${head})` };
  return (
    <g className="pointer-events-none" data-movement={arrow.kind}>
      <defs>
        <marker id={head} viewBox="0 0 10 10" refX={6} refY={5} markerWidth={5} markerHeight={5} orient="auto">
          <path d="M0 0L10 5L0 10z" fill="var(--jasper)" />
        </marker>
      </defs>
      {arrow.kind === 'along' ? (
        <path d={`M${arrow.from.join(' ')}L${arrow.to.join(' ')}`} {...line} />
      ) : (
        <path
          d={
            arrow.isClockwise
              ? `M${arrow.at[0] - 10} ${arrow.at[1] + 6}a11 11 0 1 1 20 0`
              : `M${arrow.at[0] + 10} ${arrow.at[1] + 6}a11 11 0 1 0 -20 0`
          }
          {...line}
        />
      )}
    </g>
  );
}

function fillIn(shape: SectionShape, state: PartState, id: string): string {
  if (shape.fill === 'line') return 'none';
  if (state === 'replace') return 'var(--jasper)';
  return state === 'now' ? 'var(--ochre)' : fillOf(shape, (material) => id + material);
}

/** As it may stand between quotes; a path is made of letters and figures alone. */
const attribute = (words: string) => words.replace(/[&<"]/g, (sign) => `&#${sign.charCodeAt(0)};`);

/** Outlines on which nobody picks, as they stand in the page: the framework need not go through hundreds of them. */
function writeOutlines(
  shapes: readonly SectionShape[],
  stateOf: (shape: SectionShape) => PartState,
  id: string,
): string {
  return shapes
    .map((shape) => {
      const state = stateOf(shape);
      const lit = state === 'now' ? ` data-lit="${attribute(shape.part)}"` : '';
      const faint = state === 'removed' ? ' fill-opacity=".12" stroke-opacity=".3" stroke-dasharray="3 3"' : '';
      const look = `fill="${attribute(fillIn(shape, state, id))}"${lit}${faint}`;
      return halvesOf(shape)
        .map((mirror) => `<path d="${shape.d}" transform="translate(0 ${shape.line}) scale(1 ${mirror})" ${look}/>`)
        .join('');
    })
    .join('');
}

function stateIn({ part, member }: SectionShape, parts: Readonly<Record<string, PartState>>, inHand: Props['inHand']) {
  const own = parts[part] ?? 'here';
  return own === 'now' && isOther(member, inHand) ? 'here' : own;
}

const allHere: Readonly<Record<string, PartState>> = {};

/** Where an outline begins along the shaft. */
const startOf = (d: string) => Number(/^M(-?[\d.]+)/.exec(d)?.[1] ?? 0);

/** The first outline of each part, and the parts along the shaft; the same for whoever looks at a drawing. */
const alongShaft = remembered((shapes: SectionDrawing['shapes']) => {
  const firstOf = new Map([...shapes.entries()].toReversed().map(([i, { part }]) => [part, i]));
  const starts = [...firstOf].map(([part, i]) => ({ part, start: startOf(present(shapes[i]).d) }));
  return { firstOf, order: starts.toSorted((a, b) => a.start - b.start).map(({ part }) => part) };
});
const nobodyPicks: ReturnType<typeof alongShaft> = { firstOf: new Map(), order: [] };

/**
 * The longitudinal section with its numbered points. Points are picked by pointer and by keyboard; state shows by shape
 * as well as colour.
 */
export function Section({
  drawing,
  pins,
  parts = allHere,
  picked = null,
  onPick,
  onPickPart,
  showsPins = true,
  notes,
  names = {},
  inHand,
  isWhole = true,
  title,
}: Props) {
  const id = useId();
  const [x, y, width, height] = drawing.viewBox;
  const noteSize = drawing.isVertical ? height * wordShare.upright : width * wordShare.lying;
  // Names of more than one line reach over the drawing's own frame.
  const most = Math.max(1, ...(notes?.notes ?? []).map(({ part }) => linesOf(names[part] ?? part).length));
  const over = drawing.isVertical ? 0 : (most - 1) * noteSize;
  // Beside an upright pump they stand outside of it: the picture grows by what they need.
  const beside = drawing.isVertical
    ? Math.max(
        0,
        ...(notes?.notes ?? []).map(({ part, labelX }) => x - labelX + nameWidth(names[part] ?? part, noteSize)),
      )
    : 0;
  // One stop for Tab; the arrow keys go from part to part along the shaft, Enter picks.
  const [atPart, setAtPart] = useState<string | null>(null);
  const { firstOf, order } = onPickPart ? alongShaft(drawing.shapes) : nobodyPicks;
  const onPartKey = (part: string) => (event: KeyboardEvent<SVGPathElement>) => {
    if (event.key === 'Enter' || event.key === ' ') {
      event.preventDefault();
      return onPickPart?.(part);
    }
    const way = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[event.key];
    if (!way) return;
    event.preventDefault();
    const next = present(order[(order.indexOf(part) + way + order.length) % order.length]);
    setAtPart(next);
    event.currentTarget.closest('svg')?.querySelector<SVGPathElement>(`[data-part="${next}"]`)?.focus();
  };
  const partHandles = (part: string, isFirst: boolean) => ({
    onClick: () => onPickPart?.(part),
    className: 'cursor-pointer',
    ...(isFirst && {
      'data-part': part,
      role: 'button',
      tabIndex: part === (atPart ?? order[0]) ? 0 : -1,
      'aria-label': `${part.replaceAll('-', ' ')}: ${parts[part] ?? 'here'}`,
      onKeyDown: onPartKey(part),
    }),
  });
  const stateOf = (shape: SectionShape) => stateIn(shape, parts, inHand);
  const picksParts = onPickPart !== undefined;
  const outlines = useMemo(
    () => (picksParts ? '' : writeOutlines(drawing.shapes, (shape) => stateIn(shape, parts, inHand), id)),
    [picksParts, drawing.shapes, parts, inHand, id],
  );
  // Of what is lit in one colour no hatch is seen.
  const isPlain = (part: string) => parts[part] === 'replace';
  const hatched = new Set(drawing.shapes.flatMap(({ part, material }) => (isPlain(part) ? [] : [material])));
  return (
    <svg
      viewBox={`${x - beside} ${y - over} ${width + beside} ${height + over}`}
      className={`isolate ${drawing.isVertical && isWhole ? 'mx-auto max-h-[58vh] w-full' : 'w-full'}`}
      role="group"
      aria-label={title}
    >
      <defs>
        {Object.entries(hatches)
          .filter(([material]) => hatched.has(material))
          .map(([material, [ground, stroke, turn]]) => (
            <pattern
              key={material}
              id={id + material}
              width={6}
              height={6}
              patternTransform={`rotate(${turn})`}
              patternUnits="userSpaceOnUse"
            >
              <rect width={6} height={6} fill={ground} />
              <line x1={0} y1={0} x2={0} y2={6} stroke={stroke} strokeWidth={1} strokeOpacity={0.7} />
            </pattern>
          ))}
      </defs>
      <g transform={drawing.isVertical ? `translate(0 ${height}) rotate(-90)` : undefined}>
        {onPickPart ? (
          <g stroke="var(--ink)" strokeWidth={1.1} strokeLinejoin="round">
            {drawing.shapes.flatMap((shape, i) =>
              halvesOf(shape).map((mirror) => {
                const state = stateOf(shape);
                return (
                  <path
                    key={`${i} ${mirror}`}
                    d={shape.d}
                    data-lit={state === 'now' ? shape.part : undefined}
                    transform={`translate(0 ${shape.line}) scale(1 ${mirror})`}
                    {...partHandles(shape.part, i === firstOf.get(shape.part) && mirror === 1)}
                    fill={fillIn(shape, state, id)}
                    fillOpacity={state === 'removed' ? 0.12 : 1}
                    strokeOpacity={state === 'removed' ? 0.3 : 1}
                    strokeDasharray={state === 'removed' ? '3 3' : undefined}
                  />
                );
              }),
            )}
          </g>
        ) : (
          <g
            stroke="var(--ink)"
            strokeWidth={1.1}
            strokeLinejoin="round"
            dangerouslySetInnerHTML={{ __html: outlines }}
          />
        )}
        {drawing.axes.map((axis) => (
          <line
            key={axis.y}
            x1={axis.from}
            x2={axis.to}
            y1={axis.y}
            y2={axis.y}
            stroke="var(--ink)"
            strokeWidth={0.7}
            strokeDasharray="14 4 3 4"
          />
        ))}
        {drawing.breaks
          .map((one) => ({ ...one, ...wavesOf(drawing, one) }))
          .map(({ x: [from, to], words, radius, paths }) => (
            <g key={from}>
              <rect x={from} y={-radius - 4} width={to - from} height={2 * radius + 8} fill="var(--paper)" />
              {paths.map((path) => (
                <path key={path} d={path} fill="none" stroke="var(--ink)" strokeWidth={1} />
              ))}
              <text
                x={0}
                y={0}
                transform={
                  drawing.isVertical
                    ? `translate(${(from + to) / 2 - 5} 0) rotate(90)`
                    : `translate(${(from + to) / 2} ${-radius - 14})`
                }
                textAnchor="middle"
                fontSize={noteSize}
                fontWeight={700}
                fill="var(--ink)"
              >
                {words}
              </text>
            </g>
          ))}
      </g>
      {notes?.notes.map((note) => (
        <SectionNote
          key={note.part}
          note={note}
          name={names[note.part] ?? note.part}
          size={noteSize}
          across={[x, x + width]}
          isUpright={drawing.isVertical}
        />
      ))}
      {notes?.arrow && <Movement arrow={notes.arrow} />}
      {showsPins &&
        drawing.pins.map((pin) => {
          const state = pins[pin.id] ?? 'to do';
          const isPicked = picked === pin.id;
          const size = isPicked ? 16 : 12.5;
          return (
            <g
              key={pin.id}
              role={onPick ? 'button' : undefined}
              tabIndex={onPick ? 0 : undefined}
              aria-label={`Point ${pin.number}, ${pin.title}: ${state}`}
              aria-pressed={onPick ? isPicked : undefined}
              onClick={() => onPick?.(pin.id)}
              onKeyDown={(event) =>
                (event.key === 'Enter' || event.key === ' ') && (event.preventDefault(), onPick?.(pin.id))
              }
              className={onPick ? 'cursor-pointer' : undefined}
            >
              <line x1={pin.x} y1={pin.y} x2={pin.labelX} y2={pin.labelY} stroke="var(--ink)" strokeWidth={0.8} />
              <circle cx={pin.x} cy={pin.y} r={2.4} fill="var(--ink)" />
              {state === 'out' ? (
                <rect
                  x={pin.labelX - size}
                  y={pin.labelY - size * 0.85}
                  width={size * 2}
                  height={size * 1.7}
                  rx={3}
                  fill={pinFill.out}
                  stroke="var(--ink)"
                  strokeWidth={isPicked ? 2.4 : 0.8}
                />
              ) : (
                <path
                  d={pebble(pin.number, { cx: pin.labelX, cy: pin.labelY, rx: size, ry: size * 0.86 })}
                  fill={pinFill[state]}
                  stroke="var(--ink)"
                  strokeWidth={isPicked ? 2.4 : state === 'to do' ? 1.2 : 0.6}
                />
              )}
              <text
                x={pin.labelX}
                y={pin.labelY + 4.6}
                fontSize={13}
                fontWeight={700}
                textAnchor="middle"
                fill={state === 'to do' ? 'var(--ink)' : 'var(--onink)'}
              >
                {pin.number}
              </text>
            </g>
          );
        })}
    </svg>
  );
}
