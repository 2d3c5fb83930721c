'use client';

import { useEffect, useRef, useState } from 'react';
import { maskList, methodTable, spoiledBy } from '@/core/cleaning';
import type { Family } from '@/core/family';
import type { CleaningMethod, CleaningRun, Sight } from '@/core/record';
import { useAct } from '../act/use-act';
import { useDraftState } from '../act/use-draft-state';
import type { JobView } from '../job/view';
import { PictureTaker } from '../job/picture-taker';
import { Button, ErrorNote, TextField } from '../ui/form';
import { Cautions } from './cautions';

type FamilyPart = Family['parts'][number];
type Facts = Record<string, string | boolean>;

/** Facts as they are sent: figures read as figures, what is empty left out. */
function readFacts(method: CleaningMethod, facts: Facts): CleaningRun['facts'] {
  return Object.fromEntries(
    methodTable[method].questions.flatMap(({ id, kind }): [string, string | number | boolean][] => {
      const typed = facts[id];
      if (kind === 'tick') return typed === true ? [[id, true]] : [];
      if (typeof typed !== 'string' || !typed.trim()) return [];
      if (kind === 'text') return [[id, typed]];
      const figure = Number(typed.replace(',', '.'));
      return Number.isFinite(figure) ? [[id, figure]] : [];
    }),
  );
}

function Questions({
  method,
  facts,
  onChange,
}: {
  readonly method: CleaningMethod;
  readonly facts: Facts;
  readonly onChange: (facts: Facts) => void;
}) {
  const { questions } = methodTable[method];
  return (
    <>
      <div className="grid grid-cols-2 gap-3 sm:grid-cols-4">
        {questions
          .filter(({ kind }) => kind !== 'tick')
          .map(({ id, ask, kind, unit }) => (
            <TextField
              key={id}
              label={unit ? `${ask}, ${unit}` : ask}
              className={kind === 'number' ? 'num' : ''}
              {...(kind === 'number' && { inputMode: 'decimal' as const })}
              value={String(facts[id] ?? '')}
              onChange={(event) => onChange({ ...facts, [id]: event.target.value })}
            />
          ))}
      </div>
      <div className="flex flex-wrap gap-x-6">
        {questions
          .filter(({ kind }) => kind === 'tick')
          .map(({ id, ask, must }) => (
            <label key={id} className="flex min-h-11 items-center gap-2">
              <input
                type="checkbox"
                className="size-6 accent-(--ink)"
                checked={facts[id] === true}
                onChange={(event) => onChange({ ...facts, [id]: event.target.checked })}
              />
              {ask}
              {!must && <small className="text-quiet">if so</small>}
            </label>
          ))}
      </div>
    </>
  );
}

/** Two answers beside a name: one of them is pressed. */
function Pair<Word extends string>({
  name,
  words,
  value,
  onChoose,
}: {
  readonly name: string;
  readonly words: readonly (readonly [word: Word, said: string])[];
  readonly value: Word | undefined;
  readonly onChoose: (word: Word) => void;
}) {
  return (
    <span role="group" aria-label={name} className="flex gap-1">
      {words.map(([word, said]) => (
        <button
          key={word}
          type="button"
          aria-pressed={value === word}
          aria-label={`${name}: ${said}`}
          onClick={() => onChoose(word)}
          className={`min-h-11 border px-3 ${value === word ? 'border-ink bg-ink text-onink' : 'border-line'}`}
        >
          {said}
        </button>
      ))}
    </span>
  );
}

function Masks({
  masks,
  onChange,
}: {
  readonly masks: CleaningRun['masks'];
  readonly onChange: (masks: CleaningRun['masks']) => void;
}) {
  return (
    <fieldset>
      <legend className="font-semibold">Covered before it, each by itself</legend>
      <ul className="grid gap-x-8 sm:grid-cols-2">
        {maskList.map((mask) => (
          <li key={mask} className="flex items-center justify-between gap-3 py-0.5">
            {mask}
            <Pair
              name={mask}
              words={[
                ['masked', 'masked'],
                ['none here', 'none here'],
              ]}
              value={masks[mask]}
              onChoose={(word) => onChange({ ...masks, [mask]: word })}
            />
          </li>
        ))}
      </ul>
    </fieldset>
  );
}

interface Props {
  readonly view: JobView;
  readonly method: CleaningMethod;
  /** What may go into this run. */
  readonly parts: readonly FamilyPart[];
  readonly onKept: () => void;
}

/** One part of a run: in or out, why it must not be in, the look at it afterwards. */
function RunPart({
  view,
  part,
  spoiled,
  isIn,
  seen,
  words,
  onIn,
  onSeen,
  onWords,
}: {
  readonly view: JobView;
  readonly part: FamilyPart;
  readonly spoiled: string | null;
  readonly isIn: boolean;
  readonly seen: Sight | undefined;
  readonly words: string;
  readonly onIn: (isIn: boolean) => void;
  readonly onSeen: (seen: Sight) => void;
  readonly onWords: (words: string) => void;
}) {
  return (
    <li className="row py-1 first:border-0">
      <div className="flex flex-wrap items-center gap-x-3">
        <label className="flex min-h-11 flex-1 basis-64 items-center gap-2">
          <input
            type="checkbox"
            className="size-6 accent-(--ink)"
            disabled={spoiled !== null}
            checked={isIn && spoiled === null}
            onChange={(event) => onIn(event.target.checked)}
          />
          <span>
            <b>{part.name}</b> <small className="text-quiet">{part.material}</small>
            {spoiled && <small className="block font-semibold text-jasper">{spoiled}</small>}
          </span>
        </label>
        {isIn && spoiled === null && (
          <Pair
            name={`${part.name}, clean`}
            words={[
              ['nothing', 'nothing new'],
              ['something', 'damage seen'],
            ]}
            value={seen}
            onChoose={onSeen}
          />
        )}
      </div>
      {isIn && seen === 'something' && (
        <div className="mb-2 ml-8 grid gap-2 border-l-4 border-ochre pl-3 sm:grid-cols-2">
          <TextField
            label={`What is seen on the ${part.name.toLowerCase()}`}
            value={words}
            onChange={(event) => onWords(event.target.value)}
          />
          <PictureTaker
            tag={view.record.tag}
            about={`clean:${part.ref}`}
            partRef={part.ref}
            caption={`${part.name}, cleaned: ${words || 'damage'}`}
          />
        </div>
      )}
    </li>
  );
}

/** A run as it is being filled in. */
interface RunDraft {
  readonly facts: Facts;
  readonly masks: CleaningRun['masks'];
  /** Parts that are left out of it. */
  readonly out: readonly string[];
  readonly seen: CleaningRun['seen'];
  readonly damage: Readonly<Record<string, string>>;
}
const emptyRun: RunDraft = { facts: {}, masks: {}, out: [], seen: {}, damage: {} };

/** One run of cleaning: the basket, what the method asks, what was covered, the look at each part when it is clean. */
export function CleaningRunForm({ view, method, parts, onKept }: Props) {
  const { record } = view;
  const [{ facts, masks, out, seen, damage }, change, forget] = useDraftState(
    `${record.tag}.clean.${method}`,
    emptyRun,
  );
  const [cautionsRead, setRead] = useState<ReadonlySet<string>>(new Set());
  const form = useRef<HTMLElement>(null);
  // The list of baskets above it may be long.
  useEffect(() => {
    // What it gives back is no clean-up: a newer browser answers with a promise.
    void form.current?.scrollIntoView?.({ block: 'start' });
  }, []);
  const { attempt, error, isBusy } = useAct();
  const described = methodTable[method];
  const cautions = ['blasting-acid', ...(described.raisesDust ? ['old-linings'] : [])];
  const isRead = cautions.every((id) => cautionsRead.has(id));
  const read = readFacts(method, facts);
  const fits = parts.map((part) => ({ part, spoiled: spoiledBy(part, { method, facts: read }) }));
  const basket = fits
    .filter(({ part, spoiled }) => spoiled === null && !out.includes(part.ref))
    .map(({ part }) => part);
  const keep = async () => {
    const run: CleaningRun = {
      ...{ method, facts: read, masks: described.masks ? masks : {} },
      parts: basket.map(({ ref }) => ref),
      seen: Object.fromEntries(basket.flatMap(({ ref }) => (seen[ref] ? [[ref, seen[ref]]] : []))),
    };
    const said = Object.entries(damage).filter(([ref]) => run.seen[ref] === 'something');
    const sent = { tag: record.tag, cautionRead: isRead as true, run, damage: Object.fromEntries(said) };
    const names = basket.map(({ name }) => name).join(', ');
    const label = `${method}: ${names}`;
    if ((await attempt('clean-parts', sent, { label, place: `${record.tag} clean ${method}` })) === 'refused') return;
    forget();
    onKept();
  };
  return (
    <section ref={form} aria-label={`Run: ${method}`} className="scroll-mt-4 space-y-3 border border-ink bg-paper p-4">
      <h3 className="text-18 font-bold">
        {method.charAt(0).toUpperCase() + method.slice(1)}{' '}
        <small className="text-13 font-normal text-quiet">for {described.takes}</small>
      </h3>
      <p className="border-l-4 border-jasper pl-3 text-13">
        <b>Never:</b> {described.never}.
      </p>
      <Cautions
        ids={cautions}
        read={cautionsRead}
        onRead={(id, now) =>
          setRead(new Set(now ? [...cautionsRead, id] : [...cautionsRead].filter((one) => one !== id)))
        }
      />
      <Questions method={method} facts={facts} onChange={(next) => change({ facts: next })} />
      {described.masks && <Masks masks={masks} onChange={(next) => change({ masks: next })} />}
      <div>
        <div className="flex flex-wrap items-center justify-between gap-3">
          <h4 className="font-semibold">
            In this run, and looked at again now that it is clean{' '}
            <small className="font-normal text-quiet">
              {basket.length} {basket.length === 1 ? 'part' : 'parts'}
            </small>
          </h4>
          <Button
            onClick={() =>
              change({
                seen: { ...Object.fromEntries(basket.map(({ ref }) => [ref, 'nothing' as const])), ...seen },
              })
            }
          >
            Nothing new on the others
          </Button>
        </div>
        <ul>
          {fits.map(({ part, spoiled }) => (
            <RunPart
              key={part.ref}
              {...{ view, part, spoiled }}
              isIn={!out.includes(part.ref)}
              seen={seen[part.ref]}
              words={damage[part.ref] ?? ''}
              onIn={(isIn) => change({ out: isIn ? out.filter((ref) => ref !== part.ref) : [...out, part.ref] })}
              onSeen={(sight) => change({ seen: { ...seen, [part.ref]: sight } })}
              onWords={(words) => change({ damage: { ...damage, [part.ref]: words } })}
            />
          ))}
        </ul>
      </div>
      <ErrorNote error={error} />
      <Button verb="clean-parts" tone="main" data-next disabled={isBusy || !basket.length} onClick={() => void keep()}>
        Keep this run
      </Button>
    </section>
  );
}
