'use client';

import { useMemo } from 'react';
import { drawSection, type Family, type SectionDrawing } from '@/core/family';
import { judgePoints, type PointState } from '@/core/inspection';
import { isAlwaysNew, isHandMade } from '@/core/quoting';
import { partOfKey } from '@/core/scope';
import type { JobRecord, QuoteLine } from '@/core/record';
import { remembered } from '@/core/remembered';
import { LimitStrip } from '../signs/limit-strip';
import { Section, type PartState } from '../signs/section';
import type { JobView } from '../job/view';

/** The part that a line is about: what its items are done to, or what it buys. */
export function partOfLine(
  { itemKeys, parts }: Pick<QuoteLine, 'itemKeys' | 'parts'>,
  { parts: known }: Family,
): readonly string[] {
  const refs = [...itemKeys.map(partOfKey), ...parts.map(({ ref }) => ref)];
  return [...new Set(refs)].filter((ref) => known.some((part) => part.ref === ref));
}

/** The states of the points that a line's findings are of, the worst first. */
export function statesOfLine(line: QuoteLine, record: JobRecord, states: readonly PointState[]): readonly PointState[] {
  const ids = new Set<string | null>(
    record.findings.filter(({ id }) => line.findingIds.includes(id)).map(({ pointId }) => pointId),
  );
  const rank = (state: PointState) => (state.verdict === 'out' || state.verdict === 'tight' ? 0 : 1);
  return states.filter(({ point }) => ids.has(point.id)).toSorted((one, other) => rank(one) - rank(other));
}

/** The section of the pump without its points, as the lines of a quote show it. */
export const drawForLines = remembered((family: Family): SectionDrawing => drawSection({ ...family, points: [] }), 1);

/** The section that every line shows, drawn once; each line uses it by its id. */
export function SectionOfLines({ id, drawing }: { readonly id: string; readonly drawing: SectionDrawing }) {
  return (
    <svg width={0} height={0} className="absolute" aria-hidden="true">
      <g id={id}>
        <Section drawing={drawing} pins={{}} showsPins={false} isWhole={false} title="" />
      </g>
    </svg>
  );
}

interface LineSectionProps {
  readonly drawing: SectionDrawing;
  /** Id of the section that is drawn once. */
  readonly base: string;
  readonly refs: readonly string[];
}

/** The section of the pump, small, with the parts of a line lit over it. */
export function LineSection({ drawing, base, refs }: LineSectionProps) {
  const [, , width, height] = drawing.viewBox;
  const parts: Readonly<Record<string, PartState>> = Object.fromEntries(refs.map((ref) => [ref, 'replace' as const]));
  const lit = { ...drawing, axes: [], shapes: drawing.shapes.filter(({ part }) => refs.includes(part)) };
  return (
    <svg className="max-h-[104px] w-full" style={{ aspectRatio: `${width} / ${height}` }}>
      <use href={`#${base}`} />
      <Section drawing={lit} pins={{}} parts={parts} showsPins={false} isWhole={false} title="Where it sits" />
    </svg>
  );
}

/** What justifies a line: its limit strip, its picture, or how it came about. */
export function LineReason({
  view,
  line,
  states,
}: {
  readonly view: JobView;
  readonly line: QuoteLine;
  readonly states: readonly PointState[];
}) {
  const { record } = view;
  const [worst] = statesOfLine(line, record, states);
  const photo = record.findings.find(({ id, photoId }) => photoId && line.findingIds.includes(id))?.photoId;
  if (worst?.strip) {
    const isBad = worst.verdict === 'out' || worst.verdict === 'tight';
    return (
      <span className="block">
        <LimitStrip strip={worst.strip} width={124} label={worst.reason} isBad={isBad} />
        <b className="block text-13 leading-none">{worst.words}</b>
      </span>
    );
  }
  if (photo)
    return (
      <img
        src={`/files/photo/${photo}/thumb`}
        alt={line.plain}
        width={124}
        height={48}
        className="pebbly h-12 w-[124px] border border-line object-cover"
      />
    );
  if (isHandMade(line)) return <span className="pebbly border border-ink px-2 py-1 text-13">by hand, kept</span>;
  return (
    <span className="text-13 text-quiet">
      {isAlwaysNew(line) ? 'always new' : line.unit === 'h' ? `${line.quantity} h` : ''}
    </span>
  );
}

/** Judged once for all lines. */
export function useStates({ family, record }: Pick<JobView, 'family' | 'record'>): readonly PointState[] {
  return useMemo(
    () => judgePoints({ family, readings: record.readings, phase: 'as-found' }),
    [family, record.readings],
  );
}
