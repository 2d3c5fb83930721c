'use client';

import { useState } from 'react';
import { closedSteps } from '@/core/bench';
import { actions, comesBefore, openSupplements, type Action, type PhotoId, type Station } from '@/core/record';
import { stepsNeeding } from '@/core/supply';
import { useAct } from '../act/use-act';
import { useDraft } from '../act/use-draft';
import { Button, ErrorNote, issueFor, SelectField, TextArea, TextField } from '../ui/form';
import { SidePanel } from '../ui/side-panel';
import { PictureTaker } from './picture-taker';
import { stationHref, type JobView } from './view';

/** Stations from which something can be found later. */
const stations: ReadonlySet<Station> = new Set(['clean', 'inspect', 'quote', 'approve', 'parts', 'rebuild', 'test']);

function Done({ view, supplement }: { readonly view: JobView; readonly supplement: number | null }) {
  if (supplement === null)
    return <p role="status">Kept as a finding. It goes into the quote, which has not been sent yet.</p>;
  const isOpen = openSupplements(view.record).some(({ revision }) => revision === supplement);
  return (
    <p role="status" className="border-l-4 border-moss pl-3">
      Kept.{' '}
      {isOpen
        ? `Supplement ${supplement} is drafted, and the coordinator sends it.`
        : `Supplement ${supplement} is approved by the limit agreed beforehand.`}{' '}
      What does not need the part goes on.{' '}
      <a className="font-semibold underline" href={stationHref(view.record, 'approve', `supplement-${supplement}`)}>
        See it
      </a>
    </p>
  );
}

function FoundLaterForm({ view }: { readonly view: JobView }) {
  const { record, family } = view;
  const { run, error, isBusy } = useAct();
  const key = `found-later.${record.tag}`;
  const [partRef, setPart] = useState(family.parts[0]?.ref ?? '');
  const [words, setWords] = useDraft(`${key}.words`);
  const [why, setWhy] = useDraft(`${key}.why`);
  const [action, setAction] = useState<Action>('replace');
  const [photoId, setPhoto] = useState<PhotoId | null>(null);
  const [named, setNamed] = useState<readonly string[] | null>(null);
  const [kept, setKept] = useState<{ readonly supplement: number | null } | null>(null);
  const closed = closedSteps(record, family);
  const left = family.rebuild.filter(({ id }) => !closed.has(id));
  const needed = stepsNeeding(family, partRef);
  const stops = named ?? needed.filter((id) => left.some((step) => step.id === id));
  const known = family.damage.filter(({ part }) => part === partRef);
  const isSupplement = !comesBefore(record.station, 'approve');
  if (kept) return <Done view={view} supplement={kept.supplement} />;
  const toggle = (id: string) => setNamed(stops.includes(id) ? stops.filter((one) => one !== id) : [...stops, id]);
  const send = async () => {
    const answer = await run('find-later', {
      ...{ tag: record.tag, partRef, words, whyOnlyNow: why, action, photoId },
      ...(isSupplement && { stops: [...stops] }),
    });
    if (!answer) return;
    setWords(null);
    setWhy(null);
    setKept(answer);
  };
  return (
    <div className="space-y-3">
      <SelectField
        label="On which part"
        value={partRef}
        onChange={(event) => {
          setPart(event.target.value);
          setNamed(null);
        }}
      >
        {family.parts.map(({ ref, name }) => (
          <option key={ref} value={ref}>
            {name}
          </option>
        ))}
      </SelectField>
      <TextField
        label="What is seen"
        list={`${key}-damage`}
        value={words}
        onChange={(event) => {
          setWords(event.target.value);
          const usual = known.find(({ seen }) => seen === event.target.value)?.usual;
          if (usual) setAction(usual);
        }}
        error={issueFor(error, 'words')}
      />
      <datalist id={`${key}-damage`}>
        {known.map(({ seen }) => (
          <option key={seen}>{seen}</option>
        ))}
      </datalist>
      <TextArea
        label="Why only now, as the customer reads it"
        value={why}
        onChange={(event) => setWhy(event.target.value)}
        error={issueFor(error, 'whyOnlyNow')}
      />
      <PictureTaker
        tag={record.tag}
        about={`part:${partRef}`}
        partRef={partRef}
        caption={words || 'Found later'}
        onTaken={setPhoto}
      />
      <SelectField
        label="What is to be done"
        value={action}
        onChange={(event) => setAction(event.target.value as Action)}
      >
        {actions.map((one) => (
          <option key={one}>{one}</option>
        ))}
      </SelectField>
      {isSupplement && (
        <fieldset>
          <legend className="text-13 text-quiet">What it stops until the answer is here; the rest goes on</legend>
          <div className="max-h-[180px] overflow-y-auto border-y border-line">
            {left
              .toSorted((one, other) => Number(needed.includes(other.id)) - Number(needed.includes(one.id)))
              .map(({ id, title }) => (
                <label key={id} className="flex min-h-11 items-center gap-2">
                  <input
                    type="checkbox"
                    className="size-5 accent-(--ink)"
                    checked={stops.includes(id)}
                    onChange={() => toggle(id)}
                  />
                  {title}
                </label>
              ))}
          </div>
        </fieldset>
      )}
      <ErrorNote error={error} />
      <Button verb="find-later" tone="main" disabled={isBusy} onClick={send}>
        {isSupplement ? 'Keep it and draft the supplement' : 'Keep it: it goes into the quote'}
      </Button>
    </div>
  );
}

/** Something found after the inspection: part, what is seen, picture, what it stops; from any station and the bench. */
export function FoundLater({ view }: { readonly view: JobView }) {
  const { record } = view;
  if (record.closedAt || record.hold || !stations.has(record.station)) return null;
  return (
    <SidePanel label="Found later" title={`Found later on ${record.tag}`}>
      <FoundLaterForm view={view} />
    </SidePanel>
  );
}
