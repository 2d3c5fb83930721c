'use client';

import { Popover } from 'radix-ui';
import { Link } from '../ui/link';
import { useRouter } from 'next/navigation';
import { useState, type FormEvent } from 'react';
import { act, lost, type ActError } from '../act/act';
import { getData } from '../act/get-data';
import { come, leave } from '../act/leaving';
import { useAct } from '../act/use-act';
import { letGo, stopAsking } from '../held/hold-bench';
import { textOf } from '../ui/form-data';
import { Button, ErrorNote, issueFor, SelectField, TextField } from '../ui/form';
import { CurrentPassword } from './current-password';
import { SignIns, type SignIn } from '../ui/sign-ins';
import { OwnPasskeys } from './own-passkeys';
import { personButton } from './person-button';
import { SecondFactor } from './second-factor';

export interface PersonAtScreen {
  readonly name: string;
  readonly role: string;
  readonly others: readonly { readonly id: string; readonly name: string; readonly role: string }[];
  /** The tablet of the bench that this device is; null for none. */
  readonly tablet: string | null;
}

/** Makes this device a tablet of the bench. */
function EnrolTablet() {
  const router = useRouter();
  const { run, error, isBusy } = useAct();
  const enrol = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    if (await run('enrol-tablet', { name: textOf(new FormData(event.currentTarget), 'tablet') })) router.refresh();
  };
  return (
    <form onSubmit={enrol} className="mt-2 space-y-2" noValidate>
      <TextField
        label="Make this device a tablet of the bench"
        name="tablet"
        hint="where it stands, such as Bench 2; for devices that stay in the shop"
        error={issueFor(error, 'name')}
      />
      <ErrorNote error={error} />
      <Button type="submit" verb="enrol-tablet" disabled={isBusy}>
        Enrol it
      </Button>
    </form>
  );
}

interface OwnSessionsView {
  readonly zone: string;
  readonly sessions: readonly SignIn[];
}

/** Where one is signed in; each can be ended. */
function OwnSignIns() {
  const router = useRouter();
  const { run, error } = useAct();
  const [view, show] = useState<OwnSessionsView | null>(null);
  const load = async () => {
    show(await getData<OwnSessionsView>('/api/sessions'));
  };
  const end = async (sessionId: string, isThis: boolean) => {
    if (!(await run('end-session', { sessionId }))) return;
    if (isThis) router.refresh();
    else await load();
  };
  return (
    <details className="row mt-1 pt-1" onToggle={(event) => event.currentTarget.open && void load()}>
      <summary className="min-h-11 cursor-pointer content-center text-13 font-semibold">
        Where you are signed in
      </summary>
      <ErrorNote error={error} />
      {view && <SignIns sessions={view.sessions} zone={view.zone} onEnd={(one) => void end(one.id, !!one.isThis)} />}
    </details>
  );
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
        <CurrentPassword error={error} />
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
export function PersonPanel({ name, role, others, tablet }: PersonAtScreen) {
  const router = useRouter();
  const [error, setError] = useState<ActError | null>(null);
  const [stays, setStays] = useState<ActError | null>(null);
  const [isOpen, setOpen] = useState(true);
  const switchTo = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const data = new FormData(event.currentTarget);
    stopAsking();
    // What the page asks by itself meanwhile would come from nobody: the session before is parked.
    leave();
    const answer = await act('switch-person', { personId: textOf(data, 'person'), pin: textOf(data, 'pin') });
    come();
    if (answer.ok) {
      setOpen(false);
      setError(null);
      router.refresh();
    } else setError(answer.error);
  };
  const signOut = async () => {
    stopAsking();
    leave();
    const answer = await fetch('/api/sign-out', { method: 'POST' }).catch(() => null);
    if (!answer?.ok) {
      come();
      return setStays({ ...lost, kept: 'You are still signed in.' });
    }
    // What this device holds of the shop goes with the person; what they entered and nobody took yet stays.
    await letGo().catch(() => undefined);
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
          className="z-50 max-h-(--radix-popover-content-available-height) w-[320px] overflow-y-auto rounded-[12px_10px_13px_9px] border border-ink bg-sheet p-4 shadow-lg"
        >
          {tablet === null ? (
            <div className="text-13">
              <p>People take over by PIN on a tablet of the bench; this device is none.</p>
              {['owner', 'coordinator'].includes(role) && <EnrolTablet />}
            </div>
          ) : (
            <form onSubmit={switchTo} className="space-y-3">
              <p className="text-13 text-quiet">{tablet}</p>
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
          )}
          <Link
            href="/held"
            className="mt-2 inline-block min-h-11 content-center text-13 font-semibold underline underline-offset-4"
            onClick={() => setOpen(false)}
          >
            What this device holds without a line
          </Link>
          <OwnSecret />
          {['owner', 'coordinator'].includes(role) && (
            <details className="row mt-1 pt-1">
              <summary className="min-h-11 cursor-pointer content-center text-13 font-semibold">
                A second factor at sign-in
              </summary>
              <SecondFactor />
            </details>
          )}
          <OwnPasskeys />
          <OwnSignIns />
          <ErrorNote error={stays} />
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
