'use client';

import { useState, type FormEvent } from 'react';
import type { ResultOf } from '@/contract';
import { useAct } from '../act/use-act';
import { textOf } from '../ui/form-data';
import { Button, ErrorNote, issueFor, TextField } from '../ui/form';
import { CurrentPassword } from './current-password';

type Begun = ResultOf<'begin-second-factor'>;

/** The first code of the app makes it hold; then the words for a lost telephone are shown, once. */
function Confirm({ begun, onKept }: { readonly begun: Begun; readonly onKept: (words: readonly string[]) => void }) {
  const { run, error, isBusy } = useAct();
  const confirm = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const done = await run('confirm-second-factor', { code: textOf(new FormData(event.currentTarget), 'code') });
    if (done) onKept(done.recovery);
  };
  return (
    <form onSubmit={confirm} className="space-y-2" noValidate>
      <p className="text-13">Let the app for codes on your telephone read this:</p>
      <img
        src={`data:image/svg+xml,${encodeURIComponent(begun.picture)}`}
        alt="Square code for the app"
        className="mx-auto w-44 bg-white"
      />
      <p className="text-13">
        or type into it: <span className="num break-all">{begun.secret.replace(/(.{4})/g, '$1 ')}</span>
      </p>
      <TextField
        label="The six digits that it shows"
        name="code"
        inputMode="numeric"
        autoComplete="one-time-code"
        error={issueFor(error, 'code')}
      />
      <ErrorNote error={error} />
      <Button type="submit" verb="confirm-second-factor" disabled={isBusy}>
        It holds from now on
      </Button>
    </form>
  );
}

/** A second factor of one's own at sign-in: begun, confirmed by a first code, and ended, each with the password. */
export function SecondFactor() {
  const { run, error, isBusy } = useAct();
  const [begun, begin] = useState<Begun | null>(null);
  const [words, show] = useState<readonly string[] | null>(null);
  const [said, say] = useState('');
  const withPassword = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const current = textOf(new FormData(event.currentTarget), 'current');
    const wants = (event.nativeEvent as SubmitEvent).submitter?.getAttribute('value');
    if (wants !== 'end') return begin(await run('begin-second-factor', { current }));
    const done = await run('end-second-factor', { current });
    if (done) say(done.ended ? 'Ended: the password alone signs you in.' : 'There was none.');
  };
  if (words)
    return (
      <div className="space-y-2 text-13">
        <p>
          <b>It holds.</b> Write these down and keep them apart from the telephone: each signs you in once when it is
          lost. They are not shown again.
        </p>
        <ul className="num grid grid-cols-2 gap-1">
          {words.map((word) => (
            <li key={word}>{word}</li>
          ))}
        </ul>
      </div>
    );
  if (begun) return <Confirm begun={begun} onKept={show} />;
  return (
    <form onSubmit={withPassword} className="space-y-2" noValidate>
      <p className="text-13">
        Beside the password a code of an app on your telephone: whoever learns the password alone stays out.
      </p>
      <CurrentPassword error={error} />
      <ErrorNote error={error} />
      {said && <p role="status">{said}</p>}
      <div className="flex gap-2">
        <Button type="submit" value="begin" verb="begin-second-factor" disabled={isBusy}>
          Set it up
        </Button>
        <Button type="submit" value="end" tone="quiet" disabled={isBusy}>
          End it
        </Button>
      </div>
    </form>
  );
}
