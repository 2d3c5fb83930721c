'use client';

import { Link } from '../ui/link';
import { useRouter } from 'next/navigation';
import { useState, type FormEvent } from 'react';
import { roles, type PersonId, type Role } from '@/core/record';
import { useAct } from '../act/use-act';
import { sayMoment } from '../job/view';
import { Button, ErrorNote, issueFor, SelectField, TextField } from '../ui/form';
import { textOf } from '../ui/form-data';
import { AddPerson } from './add-person';
import { ListLink } from '../ui/list-link';
import { SignIns, type SignIn } from '../ui/sign-ins';

export interface Staff {
  readonly id: PersonId;
  readonly name: string;
  readonly email: string;
  readonly role: Role;
  readonly isActive: boolean;
  readonly hasPin: boolean;
  readonly hasSecondFactor: boolean;
  readonly passkeys: number;
  readonly since: string;
  /** On how many devices they are signed in, and when the last of them was. */
  readonly devices: number;
  readonly signedInAt: string | null;
}

export interface StaffView {
  /** The person whose doings are shown; null for what all did beside the jobs. */
  readonly of: PersonId | null;
  readonly self: PersonId | null;
  readonly zone: string;
  readonly staff: readonly Staff[];
  readonly sessions: readonly (SignIn & { readonly personId: PersonId })[];
  readonly tablets: readonly {
    readonly id: string;
    readonly name: string;
    readonly personName: string;
    readonly at: string;
  }[];
  readonly audits: readonly {
    readonly at: string;
    readonly kind: string;
    readonly personName: string;
    readonly client: string;
    readonly agent: string;
    readonly words: string;
  }[];
  readonly done: readonly {
    /** The last time, and the first of those that ran together. */
    readonly at: string;
    readonly from: string;
    readonly times: number;
    readonly tag: string | null;
    readonly words: string;
  }[];
}

const devicesOf = (count: number) =>
  count === 0 ? 'signed in nowhere' : count === 1 ? 'signed in on one device' : `signed in on ${count} devices`;

/** Name, address and role of a person, or that they are back. */
function WhoForm({ person }: { readonly person: Staff }) {
  const router = useRouter();
  const { run, error, isBusy } = useAct();
  const submit = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const data = new FormData(event.currentTarget);
    const role = roles.find((one) => one === textOf(data, 'role'));
    const change = { name: textOf(data, 'name'), email: textOf(data, 'email'), ...(role && { role }) };
    if (await run('change-person', { personId: person.id, ...change })) router.refresh();
  };
  return (
    <form onSubmit={submit} className="space-y-2" noValidate>
      <TextField label="Name" name="name" defaultValue={person.name} error={issueFor(error, 'name')} />
      <TextField label="Mail address" name="email" defaultValue={person.email} error={issueFor(error, 'email')} />
      <SelectField label="Role" name="role" defaultValue={person.role}>
        {roles.map((role) => (
          <option key={role}>{role}</option>
        ))}
      </SelectField>
      <ErrorNote error={error} />
      <Button type="submit" verb="change-person" disabled={isBusy}>
        Keep
      </Button>
    </form>
  );
}

/** Another password or PIN for whoever lost theirs. */
function SecretForm({ person }: { readonly person: Staff }) {
  const router = useRouter();
  const { run, error, isBusy } = useAct();
  const [said, say] = useState('');
  const submit = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = event.currentTarget;
    const data = new FormData(form);
    const [password, pin] = [textOf(data, 'password'), textOf(data, 'pin')];
    const sent = { personId: person.id, ...(password && { password }), ...(pin && { pin }) };
    const done = await run('reset-secret', sent);
    if (!done) return;
    form.reset();
    say(done.ended ? `Kept; ${person.name} signs in anew.` : 'Kept.');
    router.refresh();
  };
  return (
    <form onSubmit={submit} className="space-y-2" noValidate>
      <TextField
        label="Another password"
        name="password"
        type="password"
        autoComplete="new-password"
        hint="ten characters or more; it signs them out on every device"
        error={issueFor(error, 'password')}
      />
      <TextField
        label="Another PIN"
        name="pin"
        type="password"
        inputMode="numeric"
        autoComplete="off"
        hint="four to eight digits"
        error={issueFor(error, 'pin')}
      />
      <ErrorNote error={error} />
      {said && <p role="status">{said}</p>}
      <Button type="submit" verb="reset-secret" disabled={isBusy}>
        Set
      </Button>
    </form>
  );
}

interface GoingProps {
  readonly person: Staff;
  readonly isSelf: boolean;
  /** Who else works here, for what the plan had put into their hands. */
  readonly others: readonly Staff[];
}

/** Out everywhere, gone, or back. */
function Going({ person, isSelf, others }: GoingProps) {
  const router = useRouter();
  const { run, error, isBusy } = useAct();
  const [isAsked, ask] = useState(false);
  const { id, name, devices } = person;
  const end = async () => {
    if (await run('end-sessions', { personId: id })) router.refresh();
  };
  const dropPasskeys = async () => {
    if (await run('drop-passkeys', { personId: id })) router.refresh();
  };
  const drop = async () => {
    if (await run('drop-second-factor', { personId: id })) router.refresh();
  };
  const [to, handTo] = useState('');
  const go = async (isActive: boolean) => {
    const heir = others.find((one) => one.id === to);
    const sent = { personId: id, isActive, ...(!isActive && heir && { handTo: heir.id }) };
    if (!(await run('change-person', sent))) return;
    ask(false);
    router.refresh();
  };
  if (!person.isActive)
    return (
      <div className="space-y-2">
        <p>{name} left: what they signed stays, and nobody signs in as them.</p>
        <ErrorNote error={error} />
        <Button verb="change-person" disabled={isBusy} onClick={() => void go(true)}>
          Let {name} in again
        </Button>
      </div>
    );
  return (
    <div className="space-y-2">
      <ErrorNote error={error} />
      {devices > 0 && (
        <Button verb="end-sessions" disabled={isBusy} onClick={() => void end()}>
          Sign {name} out everywhere
        </Button>
      )}
      {person.hasSecondFactor && !isSelf && (
        <Button verb="drop-second-factor" tone="quiet" disabled={isBusy} onClick={() => void drop()}>
          {name} lost the telephone: end the second factor
        </Button>
      )}
      {person.passkeys > 0 && !isSelf && (
        <Button verb="drop-passkeys" tone="quiet" disabled={isBusy} onClick={() => void dropPasskeys()}>
          {name} lost a device: end the passkeys
        </Button>
      )}
      {!isSelf && !isAsked && (
        <Button verb="change-person" tone="quiet" onClick={() => ask(true)}>
          {name} has left
        </Button>
      )}
      {isAsked && (
        <div className="border-l-4 border-jasper pl-3">
          <p>{name} is signed out at once and plans no more. What they signed and measured keeps their name.</p>
          <SelectField
            label="Their planned work goes to"
            name="handTo"
            value={to}
            onChange={(event) => handTo(event.target.value)}
          >
            <option value="">whom the plan chooses</option>
            {others.map((one) => (
              <option key={one.id} value={one.id}>
                {one.name}, {one.role}
              </option>
            ))}
          </SelectField>
          <div className="mt-2 flex flex-wrap gap-2">
            <Button verb="change-person" tone="main" disabled={isBusy} onClick={() => void go(false)}>
              Yes, {name} left
            </Button>
            <Button onClick={() => ask(false)}>No</Button>
          </div>
        </div>
      )}
    </div>
  );
}

interface RowProps {
  readonly person: Staff;
  readonly others: readonly Staff[];
  readonly sessions: readonly SignIn[];
  readonly zone: string;
  readonly isSelf: boolean;
  /** Whether what they did is shown beside. */
  readonly isShown: boolean;
}

function PersonRow({ person, others, sessions, zone, isSelf, isShown }: RowProps) {
  const router = useRouter();
  const { run } = useAct();
  const end = async (session: SignIn) => {
    if (await run('end-session', { sessionId: session.id })) router.refresh();
  };
  const { id, name, role, email, hasPin, isActive, devices, signedInAt } = person;
  return (
    <li className="row py-2 first:border-0">
      <div className="flex flex-wrap items-baseline gap-x-3">
        <b className={isActive ? '' : 'font-normal text-quiet'}>{name}</b>
        <span>{isActive ? role : `${role}, left`}</span>
        {isSelf && <span className="text-13 text-quiet">you</span>}
        <Link
          href={isShown ? '/library/people' : `/library/people?of=${id}`}
          scroll={false}
          aria-current={isShown ? 'true' : undefined}
          className="ml-auto inline-flex min-h-6 items-center underline underline-offset-4"
        >
          {isShown ? 'All' : `What ${name.split(' ')[0]} did`}
        </Link>
      </div>
      <p className="text-13 text-quiet">
        {email} · {hasPin ? 'has a PIN' : 'no PIN: cannot take over or sign at the bench'} ·{' '}
        {person.hasSecondFactor && 'second factor · '}
        {person.passkeys > 0 && `${person.passkeys === 1 ? 'one passkey' : `${person.passkeys} passkeys`} · `}
        {devicesOf(devices)}
        {signedInAt && `, last ${sayMoment(signedInAt, zone)}`}
      </p>
      <details>
        <summary className="min-h-11 cursor-pointer content-center text-13 font-semibold">
          {isSelf ? 'Change' : isActive ? `Change, or let ${name} go` : `Let ${name} in again`}
        </summary>
        <div className="grid gap-x-6 gap-y-4 pb-3 sm:grid-cols-2">
          {isActive && <WhoForm key={`${name} ${email} ${role}`} person={person} />}
          <div className="space-y-4">
            {isActive && <SecretForm person={person} />}
            <SignIns {...{ sessions, zone }} onEnd={(session) => void end(session)} />
            <Going {...{ person, isSelf, others }} />
          </div>
        </div>
      </details>
    </li>
  );
}

/** The tablets of the bench, each with the way to end it. */
function Tablets({ tablets, zone }: { readonly tablets: StaffView['tablets']; readonly zone: string }) {
  const router = useRouter();
  const { run, error, isBusy } = useAct();
  const end = async (tabletId: string) => {
    if (await run('end-tablet', { tabletId })) router.refresh();
  };
  return (
    <section aria-label="Tablets of the bench" className="mt-6">
      <h2 className="border-b border-ink font-bold">Tablets of the bench</h2>
      <p className="text-13 text-quiet">
        People take over by PIN on these and nowhere else. A coordinator enrols one at the tablet itself, behind the
        name at the top right.
      </p>
      <ErrorNote error={error} />
      <ul>
        {tablets.map(({ id, name, personName, at }) => (
          <li key={id} className="row flex items-baseline gap-3 py-1 first:border-0">
            <span className="flex-1">
              <b>{name}</b>{' '}
              <span className="text-13 text-quiet">
                enrolled by {personName}, {sayMoment(at, zone)}
              </span>
            </span>
            <Button verb="end-tablet" tone="quiet" disabled={isBusy} onClick={() => void end(id)}>
              Lost or given away
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Who came in, who was refused, and what was taken out. */
function Audits({ audits, zone }: { readonly audits: StaffView['audits']; readonly zone: string }) {
  return (
    <details className="mt-6">
      <summary className="min-h-11 cursor-pointer content-center font-bold">
        Who came in, who was refused, what was taken out
      </summary>
      {audits.length === 0 && <p className="text-quiet">Nothing yet.</p>}
      <ol>
        {audits.map((one, i) => (
          <li key={i} className="row flex flex-wrap gap-x-3 py-1 text-13 first:border-0">
            <span className="num w-32 text-quiet">{sayMoment(one.at, zone)}</span>
            <span className={`w-20 ${one.kind === 'locked' || one.kind === 'refused' ? 'font-bold' : ''}`}>
              {one.kind}
            </span>
            <span className="min-w-0 flex-1">
              {[one.personName, one.words].filter(Boolean).join(': ')}
              <span className="text-quiet">
                {' '}
                {one.agent}
                {one.client && `, ${one.client}`}
              </span>
            </span>
          </li>
        ))}
      </ol>
    </details>
  );
}

/** The people of the shop: who may do what, who is signed in where, and who did what. */
export function StaffPage({ view }: { readonly view: StaffView }) {
  const { of, self, zone, staff, sessions, done } = view;
  const shown = staff.find(({ id }) => id === of);
  const gone = staff.filter(({ isActive }) => !isActive).length;
  return (
    <div className="space-y-4 p-6">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h1 className="text-24 font-bold">People</h1>
        <p>
          {staff.length - gone} work here{gone > 0 && `, ${gone} left`}
        </p>
        <ListLink list="people" />
        <ListLink list="hours" words="Hours worked on all jobs as CSV" />
        <Link href="/library/people/may" className="text-13 underline underline-offset-4">
          Who may do what
        </Link>
        <Link href="/library" className="ml-auto underline underline-offset-4">
          Library
        </Link>
      </div>
      <div className="grid gap-8 lg:grid-cols-2">
        <section aria-label="Who works here">
          <h2 className="border-b border-ink font-bold">Who works here</h2>
          <ul>
            {staff.map((person) => (
              <PersonRow
                key={person.id}
                {...{ person, zone }}
                others={staff.filter((one) => one.isActive && one.id !== person.id)}
                sessions={sessions.filter(({ personId }) => personId === person.id)}
                isSelf={person.id === self}
                isShown={person.id === of}
              />
            ))}
          </ul>
          <AddPerson />
          <Tablets tablets={view.tablets} zone={zone} />
        </section>
        <section aria-label="What was done">
          <h2 className="border-b border-ink font-bold">
            {shown ? `What ${shown.name} did last` : 'What was done beside the jobs'}
          </h2>
          {done.length ? (
            <ol>
              {done.map((one, i) => (
                <li key={i} className="row flex flex-wrap gap-x-3 py-1 first:border-0">
                  <span className="num w-32 text-13 text-quiet">{sayMoment(one.at, zone)}</span>
                  <span className="min-w-0 flex-1">
                    {one.tag && (
                      <Link href={`/jobs/${one.tag}`} className="num font-bold underline underline-offset-4">
                        {one.tag}
                      </Link>
                    )}{' '}
                    {one.words}
                    {one.times > 1 && (
                      <span className="text-13 text-quiet">
                        {' '}
                        {one.times} times, since {sayMoment(one.from, zone)}
                      </span>
                    )}
                  </span>
                </li>
              ))}
            </ol>
          ) : (
            <p className="text-quiet">
              Nothing yet. Whoever changes people, rates, ways of the shop or instruments stands here with the day and
              what it was before.
            </p>
          )}
          <Audits audits={view.audits} zone={zone} />
        </section>
      </div>
    </div>
  );
}
