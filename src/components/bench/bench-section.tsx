'use client';

import { drawSection, noteSection, type Family, type StepAction } from '@/core/family';
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
}

const movements: Readonly<Record<StepAction['moves'], string>> = {
  none: '',
  'toward drive': ', toward the drive end',
  'toward wet end': ', toward the wet end',
  clockwise: ', clockwise seen from the drive end',
  anticlockwise: ', anticlockwise seen from the drive end',
};

/** The section beside a bench sequence: what is off, what comes now; picking a part opens its step. */
export function BenchSection({ family, hint, title, states, lit, moves, onPickPart }: Props) {
  const names = lit.flatMap((ref) => family.parts.find((part) => part.ref === ref)?.name ?? []);
  return (
    <section aria-label="Section" className="border-line p-4 lg:border-r">
      <div className="lg:sticky lg:top-4">
        <h2 className="mb-2 font-bold">
          Section <small className="font-normal text-quiet">{hint}</small>
        </h2>
        <Section
          drawing={drawSection(family)}
          pins={{}}
          showsPins={false}
          notes={noteSection(family, { lit, moves })}
          names={Object.fromEntries(family.parts.map((part) => [part.ref, part.name]))}
          parts={states}
          onPickPart={onPickPart}
          title={title}
        />
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
