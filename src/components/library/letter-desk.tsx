'use client';

import { useRouter } from 'next/navigation';
import { useRef, useState } from 'react';
import {
  exampleOf,
  fillLetter,
  letterFaults,
  letterKinds,
  letterTable,
  lettersWords,
  usualLetter,
  type LetterKind,
  type LetterWords,
  type OwnLetters,
} from '@/core/letters';
import type { Catalogue } from '@/words';
import { useSpoken } from '../words/words';
import { useAct } from '../act/use-act';
import { useDraftState } from '../act/use-draft-state';
import { ChoiceRow } from '../ui/choice-row';
import { Button, ErrorNote, TextArea, TextField } from '../ui/form';

export interface LettersShown {
  readonly shop: string;
  readonly telephone: string;
  readonly letters: OwnLetters;
  /** The language of the shop's papers, where that is not English. */
  readonly catalogue: Catalogue | null;
}

/** How the letter reads, filled in with what a made-up job says. */
function Preview({
  kind,
  words,
  view,
}: {
  readonly kind: LetterKind;
  readonly words: LetterWords;
  readonly view: LettersShown;
}) {
  const { subject, body } = fillLetter(words, {
    ...exampleOf(kind, useSpoken(view.catalogue)),
    ...{ shop: view.shop, telephone: view.telephone || '0100 214' },
  });
  return (
    <section aria-label="How it reads" className="self-start border border-line bg-sheet p-4">
      <p className="text-13 text-quiet">How it reads, of a made-up pump</p>
      <p className="mt-1 border-b border-line pb-2 font-bold">{subject}</p>
      <p className="mt-2 whitespace-pre-wrap">{body}</p>
    </section>
  );
}

/** One letter: its words on the left, how it reads on the right. */
function Letter({ kind, view }: { readonly kind: LetterKind; readonly view: LettersShown }) {
  const { title, when, fields, must } = letterTable[kind];
  const spoken = useSpoken(view.catalogue);
  const usual = usualLetter(kind, spoken);
  const standing = lettersWords(kind, view.letters, spoken);
  const [words, change, forget] = useDraftState(`letter.${kind}.${spoken.language}`, standing);
  const body = useRef<HTMLTextAreaElement>(null);
  const router = useRouter();
  const { run, error, isBusy } = useAct();
  const faults = letterFaults(kind, words);
  const faultOf = (at: keyof LetterWords) => faults.find((fault) => fault.at === at)?.message;
  const isUsual = words.subject === usual.subject && words.body === usual.body;
  const keep = async () => {
    const own = isUsual ? null : { subject: words.subject, body: words.body };
    if (!(await run('change-settings', { letters: { [kind]: own } }))) return;
    forget();
    router.refresh();
  };
  const putIn = (name: string) => {
    const at = body.current?.selectionStart ?? words.body.length;
    change({ body: `${words.body.slice(0, at)}{${name}}${words.body.slice(at)}` });
    body.current?.focus();
  };
  return (
    <div className="grid gap-6 lg:grid-cols-2">
      <div className="space-y-3">
        <p className="text-13 text-quiet">
          {title}: {when}.
        </p>
        <TextField
          label="Subject"
          value={words.subject}
          error={faultOf('subject')}
          onChange={(event) => change({ subject: event.target.value })}
        />
        <TextArea
          ref={body}
          label="Letter"
          rows={14}
          value={words.body}
          error={faultOf('body')}
          onChange={(event) => change({ body: event.target.value })}
        />
        <div className="flex flex-wrap gap-2" role="group" aria-label="Put in what the record says">
          {Object.entries(fields).map(([name, means]) => (
            <button
              key={name}
              type="button"
              title={must.includes(name) ? `${means}; must stand in it` : means}
              className="min-h-9 border border-line px-2 text-13"
              onClick={() => putIn(name)}
            >
              {`{${name}}`}
              {must.includes(name) && ' !'}
            </button>
          ))}
        </div>
        <p className="text-13 text-quiet">A line whose fields say nothing is left out of the letter.</p>
        <ErrorNote error={error} />
        <div className="flex gap-3">
          <Button verb="change-settings" tone="main" disabled={isBusy || faults.length > 0} onClick={() => void keep()}>
            Keep these words
          </Button>
          {!isUsual && (
            <Button tone="quiet" onClick={() => change(usual)}>
              The usual words
            </Button>
          )}
        </div>
      </div>
      <Preview kind={kind} words={words} view={view} />
    </div>
  );
}

/** The letters to customers, each in the shop's own words or the usual ones, with a preview. */
export function LetterDesk({ view }: { readonly view: LettersShown }) {
  const [kind, setKind] = useState<LetterKind>('quote');
  return (
    <section aria-label="Letters" className="space-y-4">
      <h2 className="border-b border-ink font-bold">Letters</h2>
      <ChoiceRow label="Which letter" choices={letterKinds} chosen={kind} onChoose={setKind}>
        {(one) => (
          <>
            {letterTable[one].title}
            {view.letters[one] && <span className="ml-2 text-13">own words</span>}
          </>
        )}
      </ChoiceRow>
      <Letter key={kind} kind={kind} view={view} />
    </section>
  );
}
