'use client';

import { Popover } from 'radix-ui';
import { useRouter } from 'next/navigation';
import { useState, type FormEvent } from 'react';
import { act, type ActError } from '../act/act';
import { useAct } from '../act/use-act';
import { textOf } from '../ui/form-data';
import { Button, ErrorNote, issueFor, SelectField, TextField } from '../ui/form';
import { personButton } from './person-button';

interface Props {
  readonly name: string;
  readonly role: string;
  readonly others: readonly { readonly id: string; readonly name: string; readonly role: string }[];
}

/** Another password or PIN of one's own. */
function OwnSecret() {
  const { run, error, isBusy } = useAct();
  const [isKept, keep] = useState(false);
  const change = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = event.currentTarget;
    const data = new FormData(form);
    const [password, pin] = [textOf(data, 'password'), textOf(data, 'pin')];
    const sent = { current: textOf(data, 'current'), ...(password && { password }), ...(pin && { pin }) };
    keep(false);
    if (!(await run('change-own-secret', sent))) return;
    form.reset();
    keep(true);
  };
  const secret = { type: 'password', autoComplete: 'new-password' } as const;
  return (
    <details className="row mt-3 pt-1">
      <summary className="min-h-11 cursor-pointer content-center text-13 font-semibold">
        Your own password or PIN
      </summary>
      <form onSubmit={change} className="space-y-2" noValidate>
        <TextField
          label="The password that you have now"
          name="current"
          type="password"
          autoComplete="current-password"
          error={issueFor(error, 'current')}
        />
        <TextField label="Another password" name="password" error={issueFor(error, 'password')} {...secret} />
        <TextField label="Another PIN" name="pin" inputMode="numeric" error={issueFor(error, 'pin')} {...secret} />
        <ErrorNote error={error} />
        {isKept && <p role="status">Kept.</p>}
        <Button type="submit" disabled={isBusy}>
          Change
        </Button>
      </form>
    </details>
  );
}

/** The panel behind the person's name; fetched when it is first opened. */
export function PersonPanel({ name, role, others }: Props) {
  const router = useRouter();
  const [error, setError] = useState<ActError | null>(null);
  const [isOpen, setOpen] = useState(true);
  const switchTo = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const data = new FormData(event.currentTarget);
    const answer = await act('switch-person', { personId: textOf(data, 'person'), pin: textOf(data, 'pin') });
    if (answer.ok) {
      setOpen(false);
      setError(null);
      router.refresh();
    } else setError(answer.error);
  };
  const signOut = async () => {
    await fetch('/api/sign-out', { method: 'POST' });
    router.push('/sign-in');
    router.refresh();
  };
  const toggleTheme = () => {
    const next = document.documentElement.dataset.theme === 'dark' ? 'light' : 'dark';
    document.documentElement.dataset.theme = next;
    document.cookie = `theme=${next}; path=/; max-age=31536000; samesite=lax`;
  };
  return (
    <Popover.Root open={isOpen} onOpenChange={setOpen}>
      <Popover.Trigger className={personButton}>
        <b className="block">{name}</b>
        <span className="text-quiet">{role}</span>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={6}
          aria-label="Person at this screen"
          className="z-50 w-[320px] rounded-[12px_10px_13px_9px] border border-ink bg-sheet p-4 shadow-lg"
        >
          <form onSubmit={switchTo} className="space-y-3">
            <SelectField label="Take over as" name="person" required>
              {others.map((person) => (
                <option key={person.id} value={person.id}>
                  {person.name}, {person.role}
                </option>
              ))}
            </SelectField>
            <TextField label="PIN" name="pin" type="password" inputMode="numeric" required />
            <ErrorNote error={error} />
            <Button type="submit" tone="main" className="w-full">
              Take over
            </Button>
          </form>
          <OwnSecret />
          <div className="row mt-3 flex justify-between pt-2">
            <Button tone="quiet" onClick={toggleTheme}>
              Light or dark
            </Button>
            <Button tone="quiet" onClick={signOut}>
              Sign out
            </Button>
          </div>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
