'use client';

import { Popover } from 'radix-ui';
import { useRouter } from 'next/navigation';
import { useState, type FormEvent } from 'react';
import { act, type ActError } from '../act/act';
import { textOf } from '../ui/form-data';
import { Button, ErrorNote, SelectField, TextField } from '../ui/form';
import { personButton } from './person-button';

interface Props {
  readonly name: string;
  readonly role: string;
  readonly others: readonly { readonly id: string; readonly name: string; readonly role: string }[];
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
