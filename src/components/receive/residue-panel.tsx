'use client';

import { useState } from 'react';
import { useForm } from 'react-hook-form';
import type { InputOf } from '@/contract';
import { cleaningMethods, type LiquidState, type Residue, type Signed } from '@/core/record';
import { liquidStateOf, residueOf, residueUnknowns } from '@/core/residue';
import { useAct } from '../act/use-act';
import { readDraft, useFormDraft } from '../act/use-form-draft';
import { sayMoment, type JobView } from '../job/view';
import { Button, ErrorNote, issueFor, TextArea, TextField } from '../ui/form';
import { SidePanel } from '../ui/side-panel';

type Fields = InputOf<'write-residue'>['residue'];
const empty: Fields = {
  ...{ description: '', place: '', quarantine: '', sampleNumber: '', laboratory: '', sampledOn: '', result: '' },
  ...{ safetySheet: '', methods: [], waste: '' },
};
const fieldsOf = ({ sampling: _sampling, opening: _opening, ...fields }: Residue): Fields => fields;

function ResidueForm({ view }: { readonly view: JobView }) {
  const sheet = residueOf(view.record);
  const { run, error, isBusy } = useAct();
  const form = useForm<Fields>({ defaultValues: sheet ? fieldsOf(sheet.body) : empty });
  const forget = useFormDraft(`${view.record.tag}.residue.${sheet?.version ?? 0}`, form, readDraft<Fields>);
  const field = (name: Exclude<keyof Fields, 'methods'>) => ({
    ...form.register(name),
    error: issueFor(error, name),
  });
  const save = async (residue: Fields) => {
    if (await run('write-residue', { tag: view.record.tag, basedOn: sheet?.version ?? 0, residue })) forget();
  };
  return (
    <form onSubmit={form.handleSubmit(save)} className="space-y-3">
      <TextArea label="What it looks like: colour, hardness, smell from afar" {...field('description')} />
      <TextField label="Where in the pump" {...field('place')} />
      <TextField label="Where the pump stands apart" {...field('quarantine')} />
      <div className="grid grid-cols-2 gap-3">
        <TextField label="Sample number" className="num" {...field('sampleNumber')} />
        <TextField label="Taken on" type="date" {...field('sampledOn')} />
      </div>
      <TextField label="Laboratory" {...field('laboratory')} />
      <TextArea label="What the laboratory says it is" {...field('result')} />
      <TextField label="Its safety sheet" {...field('safetySheet')} />
      <fieldset>
        <legend className="text-13 text-quiet">How it may be removed</legend>
        <div className="grid grid-cols-2">
          {cleaningMethods.map((method) => (
            <label key={method} className="flex min-h-11 items-center gap-2">
              <input type="checkbox" className="size-6 accent-(--ink)" value={method} {...form.register('methods')} />
              {method}
            </label>
          ))}
        </div>
      </fieldset>
      <TextField label="Waste: how much, and to whom" {...field('waste')} />
      <ErrorNote error={error} />
      <Button verb="write-residue" type="submit" tone="main" disabled={isBusy}>
        Keep the residue record
      </Button>
    </form>
  );
}

function Allow({ view, what }: { readonly view: JobView; readonly what: 'sampling' | 'opening' }) {
  const sheet = residueOf(view.record);
  const { run, error, isBusy } = useAct();
  const [protection, setProtection] = useState('');
  if (!sheet) return null;
  return (
    <div className="space-y-2">
      <TextField
        label={`Protection for ${what === 'sampling' ? 'the sample: one port' : 'the opening'}`}
        value={protection}
        error={issueFor(error, 'protection')}
        onChange={(event) => setProtection(event.target.value)}
      />
      <ErrorNote error={error} />
      <Button
        verb="allow-opening"
        disabled={isBusy}
        onClick={() =>
          void run('allow-opening', { tag: view.record.tag, basedOn: sheet.version, what, protection }).then(
            (kept) => kept && setProtection(''),
          )
        }
      >
        {what === 'sampling' ? 'Allow one opening for the sample' : 'Allow that it is opened'}, as {view.person.name}
      </Button>
    </div>
  );
}

function Allowed({
  by,
  words,
  zone,
}: {
  readonly by: Signed & { readonly protection: string };
  readonly words: string;
  readonly zone: string;
}) {
  return (
    <p className="border-l-4 border-moss pl-3">
      {words} by <b>{by.personName}</b>, {sayMoment(by.at, zone)}; protection: {by.protection}. It is their word; the
      product declares nothing.
    </p>
  );
}

const stateWords: Readonly<Record<LiquidState, string>> = {
  named: 'something else than its liquid was found in it',
  'not known': 'nobody knows what it handled',
  'foreign substance': 'a foreign substance is in it',
};

/** What is in a pump that nobody can name: it stays shut until somebody allows it by name. */
export function ResiduePanel({ view }: { readonly view: JobView }) {
  const { record } = view;
  const sheet = residueOf(record);
  const state = liquidStateOf(record.intake);
  if (state === 'named' && !sheet) return null;
  const unknowns = sheet ? residueUnknowns(sheet.body) : [];
  const opening = sheet?.body.opening ?? null;
  return (
    <section
      id="residue"
      aria-label="Residue"
      className={`space-y-2 border-l-4 bg-sheet px-3 py-2 ${opening ? 'border-moss' : 'border-jasper'}`}
    >
      <h2 className="font-bold">
        {opening ? 'What is in it' : 'It stays shut'}{' '}
        <small className="font-normal text-quiet">{stateWords[state]}</small>
      </h2>
      {sheet ? (
        <>
          <p>
            {sheet.body.description}; {sheet.body.place}.
            {sheet.body.quarantine && <> Stands apart: {sheet.body.quarantine}.</>}
          </p>
          {sheet.body.sampleNumber && (
            <p className="text-13">
              Sample <span className="num">{sheet.body.sampleNumber}</span>
              {sheet.body.laboratory && `, ${sheet.body.laboratory}`}
            </p>
          )}
          {sheet.body.result && (
            <p>
              It is: <b>{sheet.body.result}</b>
              {sheet.body.methods.length > 0 && `. Removed by: ${sheet.body.methods.join(', ')}`}.
            </p>
          )}
        </>
      ) : (
        <p>Nobody opens it, also not for a look. Describe what is seen from outside first.</p>
      )}
      {sheet?.body.sampling && (
        <Allowed by={sheet.body.sampling} words="One opening for a sample was allowed" zone={view.zone} />
      )}
      {opening && <Allowed by={opening} words="The opening was allowed" zone={view.zone} />}
      {!record.closedAt && (
        <SidePanel
          label={sheet ? 'Change the residue record' : 'Describe the residue'}
          title={`What is in ${record.tag}`}
        >
          <ResidueForm key={sheet?.version ?? 0} view={view} />
        </SidePanel>
      )}
      {sheet && !opening && !record.closedAt && (
        <>
          {!sheet.body.result && !sheet.body.sampling && <Allow view={view} what="sampling" />}
          {unknowns.length ? (
            <p className="text-13">Still to be written down: {unknowns.join('; ')}.</p>
          ) : (
            <Allow view={view} what="opening" />
          )}
        </>
      )}
    </section>
  );
}
