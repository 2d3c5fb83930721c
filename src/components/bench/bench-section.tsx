'use client';

import { useEffect, useRef, useState } from 'react';
import { drawEnd, drawnPart, noteSection, sectionOf, type Family, type InHand, type StepAction } from '@/core/family';
import { EndView } from '../signs/end-view';
import { Section, type PartState } from '../signs/section';

interface Props {
  readonly family: Family;
  readonly hint: string;
  readonly title: string;
  readonly states: Readonly<Record<string, PartState>>;
  /** Parts of this action, named beneath the drawing. */
  readonly lit: readonly string[];
  /** Which way they move in it. */
  readonly moves: StepAction['moves'];
  readonly onPickPart: (ref: string) => void;
  /** The member of a set that is worked on. */
  readonly inHand: InHand | undefined;
}

/** How much larger than its column the section is drawn. */
const zooms = [1, 1.8, 3] as const;

const movements: Readonly<Record<StepAction['moves'], string>> = {
  none: '',
  'toward drive': ', toward the drive end',
  'toward wet end': ', toward the wet end',
  clockwise: ', clockwise seen from the drive end',
  anticlockwise: ', anticlockwise seen from the drive end',
};

/** Each body that lights up, once, with the part under whose name: its own before one that lies behind it. */
function shownOf(family: Family, lit: readonly string[]): readonly (readonly [drawn: string, ref: string])[] {
  const own = lit.flatMap((ref) => {
    const drawn = drawnPart(family.section, ref);
    return drawn === undefined || (drawn !== ref && lit.includes(drawn)) ? [] : [[drawn, ref] as const];
  });
  return own.filter(([drawn], i) => own.findIndex(([other]) => other === drawn) === i);
}

/** The section beside a bench sequence: what is off, what comes now; picking a part opens its step. */
export function BenchSection({ family, hint, title, states, lit, moves, onPickPart, inHand }: Props) {
  const nameOf = (ref: string) => family.parts.find((part) => part.ref === ref)?.name;
  const names = lit.flatMap((ref) => nameOf(ref) ?? []);
  // What is too small to be drawn lights up where the section says, under its own name.
  const shown = shownOf(family, lit);
  const namesShown = Object.fromEntries([
    ...family.parts.map((part) => [part.ref, part.name] as const),
    ...shown.map(([drawn, ref]) => [drawn, nameOf(ref) ?? ref] as const),
  ]);
  const statesShown = { ...states, ...Object.fromEntries(shown.map(([drawn]) => [drawn, 'now' as const])) };
  const end = drawEnd(family);
  const [zoom, setZoom] = useState<(typeof zooms)[number]>(1);
  const frame = useRef<HTMLDivElement>(null);
  const [first] = shown.map(([drawn]) => drawn);
  useEffect(() => {
    if (zoom > 1 && first !== undefined)
      frame.current?.querySelector(`[data-lit="${first}"]`)?.scrollIntoView({ block: 'nearest', inline: 'center' });
  }, [zoom, first, inHand]);
  return (
    <section aria-label="Section" className="border-line p-4 lg:border-r">
      <div className="lg:sticky lg:top-4">
        <div className="mb-1 flex items-center justify-between gap-2">
          <h2 className="font-bold">
            Section <small className="font-normal text-quiet">{hint}</small>
          </h2>
          <button
            type="button"
            onClick={() => setZoom(zooms[(zooms.indexOf(zoom) + 1) % zooms.length] ?? 1)}
            className="min-h-12 rounded border border-line px-3 text-13"
          >
            {zoom === 3 ? 'Whole section' : 'Larger'}
          </button>
        </div>
        <div ref={frame} className={zoom === 1 ? undefined : 'max-h-[58vh] overflow-auto'}>
          <div style={zoom === 1 ? undefined : { width: `${zoom * 100}%`, minWidth: `${zoom * 100}%` }}>
            <Section
              drawing={sectionOf(family, inHand)}
              pins={{}}
              showsPins={false}
              isWhole={zoom === 1}
              inHand={inHand}
              notes={noteSection(family, { lit: shown.map(([drawn]) => drawn), moves, inHand })}
              names={namesShown}
              parts={statesShown}
              onPickPart={onPickPart}
              title={title}
            />
          </div>
        </div>
        {end && (
          <EndView
            drawing={end}
            parts={statesShown}
            inHand={inHand}
            turns={moves === 'clockwise' || moves === 'anticlockwise' ? moves : null}
            onPickPart={onPickPart}
          />
        )}
        {names.length > 0 && (
          <p className="mt-1 text-13">
            Lit: {names.join(', ')}
            {movements[moves]}
          </p>
        )}
      </div>
    </section>
  );
}
