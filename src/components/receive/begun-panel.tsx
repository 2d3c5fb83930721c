'use client';

import { useForm } from 'react-hook-form';
import type { InputOf } from '@/contract';
import { stepsOf } from '@/core/bench';
import { actionTitle, partsOn, type Family } from '@/core/family';
import { foundStates, sheetOf, type Begun, type FoundState } from '@/core/record';
import { useAct } from '../act/use-act';
import { readDraft, useFormDraft } from '../act/use-form-draft';
import { sayMoment, type JobView } from '../job/view';
import { Button, ErrorNote, issueFor, TextArea, TextField } from '../ui/form';
import { SidePanel } from '../ui/side-panel';

interface Text {
  readonly by: string;
  readonly on: string;
  readonly done: string;
  readonly whyStopped: string;
  readonly fragments: string;
  readonly states: Readonly<Record<string, FoundState>>;
  readonly notes: Readonly<Record<string, string>>;
  /** From what it is taken instead, by action; empty where it can still be taken. */
  readonly lost: Readonly<Record<string, string>>;
}

/** What a teardown takes that cannot be seen any more once its parts are off: positions, marks, counts, pictures. */
const taking: ReadonlySet<string> = new Set(['value', 'mark', 'count', 'turn', 'photo', 'choice', 'record', 'measure']);

function captures(family: Family) {
  return stepsOf(family, 'teardown').flatMap(({ title, actions }) =>
    actions
      .filter(({ answer }) => answer && taking.has(answer.kind))
      .map((action) => ({ id: action.id, title: actionTitle(action), step: title })),
  );
}

function textOf(begun: Begun | undefined): Text {
  return {
    ...{ by: begun?.by ?? '', on: begun?.on ?? '', done: begun?.done ?? '', whyStopped: begun?.whyStopped ?? '' },
    fragments: begun?.fragments ? String(begun.fragments) : '',
    states: Object.fromEntries(begun?.parts.map(({ ref, state }) => [ref, state]) ?? []),
    notes: Object.fromEntries(begun?.parts.map(({ ref, note }) => [ref, note]) ?? []),
    lost: Object.fromEntries(begun?.lost.map(({ actionId, instead }) => [actionId, instead]) ?? []),
  };
}

function readText(text: Text, family: Family): InputOf<'write-begun'>['begun'] {
  return {
    ...{ by: text.by, on: text.on, done: text.done, whyStopped: text.whyStopped },
    fragments: Number(text.fragments || 0),
    parts: partsOn(family.parts, 'came').map(({ ref }) => ({
      ...{ ref, state: text.states[ref] ?? 'on', note: text.notes[ref] ?? '' },
    })),
    lost: Object.entries(text.lost).flatMap(([actionId, instead]) =>
      instead.trim() ? [{ actionId, instead: instead.trim() }] : [],
    ),
  };
}

function BegunForm({ view }: { readonly view: JobView }) {
  const { record, family } = view;
  const sheet = sheetOf(record, 'begun');
  const { run, error, isBusy } = useAct();
  const form = useForm<Text>({ defaultValues: textOf(sheet?.body) });
  const forget = useFormDraft(`${record.tag}.begun.${sheet?.version ?? 0}`, form, readDraft<Text>);
  const save = async (text: Text) => {
    const begun = readText(text, family);
    if (await run('write-begun', { tag: record.tag, basedOn: sheet?.version ?? 0, begun })) forget();
  };
  return (
    <form onSubmit={form.handleSubmit(save)} className="space-y-4">
      <div className="grid grid-cols-2 gap-3">
        <TextField label="Who began" error={issueFor(error, 'begun.by')} {...form.register('by')} />
        <TextField label="When" type="date" error={issueFor(error, 'on')} {...form.register('on')} />
      </div>
      <TextArea
        label="What they did, and how far they came"
        error={issueFor(error, 'done')}
        {...form.register('done')}
      />
      <TextField
        label="Why they stopped, in their words"
        error={issueFor(error, 'whyStopped')}
        {...form.register('whyStopped')}
      />
      <TextField
        label="Fragments counted in the bag"
        inputMode="numeric"
        className="num"
        error={issueFor(error, 'fragments')}
        {...form.register('fragments')}
      />
      <section aria-label="Each part">
        <h3 className="font-bold">Each part</h3>
        <ul>
          {partsOn(family.parts, 'came').map(({ ref, name }) => (
            <li key={ref} className="row grid grid-cols-[1fr_150px] items-center gap-2 py-1 first:border-0">
              <span>{name}</span>
              <select aria-label={name} className="field min-h-11" {...form.register(`states.${ref}`)}>
                {foundStates.map((state) => (
                  <option key={state}>{state}</option>
                ))}
              </select>
              <input
                aria-label={`Note on ${name}`}
                placeholder="note"
                className="field col-span-2 min-h-9 text-13"
                {...form.register(`notes.${ref}`)}
              />
            </li>
          ))}
        </ul>
      </section>
      <section aria-label="Lost">
        <h3 className="font-bold">What can no longer be taken</h3>
        <p className="text-13 text-quiet">
          Write from what it is taken instead: a drawing, a like unit. At teardown one press says so.
        </p>
        <ul>
          {captures(family).map(({ id, title, step }) => (
            <li key={id} className="row py-1 first:border-0">
              <label className="text-13" htmlFor={`lost-${id}`}>
                <b>{title}</b> <span className="text-quiet">{step}</span>
              </label>
              <input
                id={`lost-${id}`}
                placeholder="can still be taken"
                className="field min-h-9"
                {...form.register(`lost.${id}`)}
              />
            </li>
          ))}
        </ul>
      </section>
      <ErrorNote error={error} />
      <Button verb="write-begun" type="submit" tone="main" disabled={isBusy}>
        Keep what was begun elsewhere
      </Button>
    </form>
  );
}

const counted = (count: number, what: string) => `${count || 'no'} ${what}${count === 1 ? '' : 's'}`;

/** A pump that did not come whole: who began, how far, what is in the bag, what can no longer be taken. */
export function BegunPanel({ view }: { readonly view: JobView }) {
  const { record, family } = view;
  const arrival = record.intake.arrival ?? 'complete';
  if (arrival === 'complete') return null;
  const sheet = sheetOf(record, 'begun');
  const nameOf = (ref: string) => family.parts.find((part) => part.ref === ref)?.name ?? ref;
  const off = sheet?.body.parts.filter(({ state }) => state !== 'on') ?? [];
  const isOpen = ['receive', 'teardown'].includes(record.station) && !record.closedAt;
  return (
    <section
      id="begun"
      aria-label="Begun elsewhere"
      className={`space-y-2 border-l-4 bg-sheet px-3 py-2 ${sheet ? 'border-slate' : 'border-jasper'}`}
    >
      <h2 className="font-bold">
        Begun elsewhere <small className="font-normal text-quiet">it came {arrival}</small>
      </h2>
      {sheet ? (
        <>
          <p>
            {sheet.body.by}
            {sheet.body.on && `, ${sheet.body.on}`}: {sheet.body.done}
            {sheet.body.whyStopped && <>. Stopped because: {sheet.body.whyStopped}</>}.
          </p>
          <ul className="text-13">
            {off.map(({ ref, state, note }) => (
              <li key={ref}>
                <b>{nameOf(ref)}</b>: {state}
                {note && `, ${note}`}
              </li>
            ))}
          </ul>
          <p className="text-13">
            {counted(sheet.body.fragments, 'fragment')} in the bag; {counted(sheet.body.lost.length, 'thing')} can no
            longer be taken.{' '}
            <span className="text-quiet">
              {sheet.personName}, {sayMoment(sheet.at, view.zone)}
            </span>
          </p>
        </>
      ) : (
        <p>Write down who began, how far they came, and how each part came: the steps open as “verify”.</p>
      )}
      {isOpen && (
        <SidePanel label={sheet ? 'Change it' : 'Write it down'} title={`${record.tag}: what was done before us`}>
          <BegunForm key={sheet?.version ?? 0} view={view} />
        </SidePanel>
      )}
    </section>
  );
}
