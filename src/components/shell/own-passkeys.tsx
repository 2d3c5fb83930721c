'use client';

import { useState, type FormEvent } from 'react';
import type { ActError } from '../act/act';
import { getData } from '../act/get-data';
import { useAct } from '../act/use-act';
import { sayMoment } from '../job/view';
import { textOf } from '../ui/form-data';
import { Button, ErrorNote, issueFor, TextField } from '../ui/form';
import { CurrentPassword } from './current-password';
import { makePasskey } from './passkey';

interface PasskeysView {
  readonly zone: string;
  readonly passkeys: readonly {
    readonly id: string;
    readonly name: string;
    readonly at: string;
    readonly usedAt: string | null;
  }[];
}

/** Passkeys of one's own: made by the browser or a telephone, named, listed, ended. */
export function OwnPasskeys() {
  const { run, error, isBusy } = useAct();
  const [view, show] = useState<PasskeysView | null>(null);
  const [fault, setFault] = useState<ActError | null>(null);
  const load = async () => {
    show(await getData<PasskeysView>('/api/sessions'));
  };
  const add = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = event.currentTarget;
    const data = new FormData(form);
    const name = textOf(data, 'name');
    setFault(null);
    const begun = await run('begin-passkey', { current: textOf(data, 'current') });
    if (!begun) return;
    const made = await makePasskey(begun.options);
    if (!made.ok) return setFault(made.error);
    if (!(await run('add-passkey', { token: begun.token, name, answer: made.answer }))) return;
    form.reset();
    await load();
  };
  const end = async (passkeyId: string) => {
    if (await run('end-passkey', { passkeyId })) await load();
  };
  return (
    <details className="row mt-1 pt-1" onToggle={(event) => event.currentTarget.open && void load()}>
      <summary className="min-h-11 cursor-pointer content-center text-13 font-semibold">Passkeys</summary>
      <p className="text-13">
        A passkey signs you in by the finger, face or PIN that opens your own device, in place of password and code.
        Nothing to learn, nothing to type in a wrong place.
      </p>
      {view && (
        <ul className="mt-1">
          {view.passkeys.map(({ id, name, at, usedAt }) => (
            <li key={id} className="row flex items-baseline gap-3 py-1 text-13 first:border-0">
              <span className="min-w-0 flex-1">
                <b>{name}</b>
                <span className="block text-quiet">
                  since {sayMoment(at, view.zone)}
                  {usedAt ? `; last used ${sayMoment(usedAt, view.zone)}` : '; not used yet'}
                </span>
              </span>
              <button
                type="button"
                aria-label={`End ${name}`}
                className="min-h-11 font-semibold underline"
                onClick={() => void end(id)}
              >
                End
              </button>
            </li>
          ))}
        </ul>
      )}
      <form onSubmit={add} className="mt-2 space-y-2 pb-2" noValidate>
        <TextField label="Name of the device" name="name" hint="such as Telephone" error={issueFor(error, 'name')} />
        <CurrentPassword error={error} />
        <ErrorNote error={fault ?? error} />
        <Button type="submit" verb="add-passkey" disabled={isBusy}>
          Add a passkey
        </Button>
      </form>
    </details>
  );
}
