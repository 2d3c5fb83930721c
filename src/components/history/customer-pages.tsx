'use client';

import { useRouter } from 'next/navigation';
import { useId, useState } from 'react';
import { useAct } from '../act/use-act';
import { Button, ErrorNote, issueFor, TextField } from '../ui/form';

/** A link under which somebody of a customer reads how its pumps stand. */
export interface CustomerPageLink {
  readonly id: string;
  readonly madeFor: string;
  readonly personName: string;
  readonly on: string;
}

interface Props {
  readonly customerId: string;
  readonly pages: readonly CustomerPageLink[];
  readonly contacts: readonly string[];
}

/** The customer's own page of all its pumps: links are made for a person, shown once, and ended here. */
export function CustomerPages({ customerId, pages, contacts }: Props) {
  const router = useRouter();
  const { run, error, isBusy } = useAct();
  const [madeFor, setMadeFor] = useState(contacts[0] ?? '');
  const [made, setMade] = useState<string | null>(null);
  const names = useId();
  const make = async () => {
    const done = await run('make-customer-page', { customerId, madeFor });
    if (!done) return;
    setMade(`${window.location.origin}${done.path}`);
    router.refresh();
  };
  const end = async (id: string) => {
    if (await run('end-customer-page', { id })) router.refresh();
  };
  return (
    <details className="border-t border-line pt-2 print:hidden" open={pages.length > 0}>
      <summary className="min-h-11 cursor-pointer content-center font-bold">Their own page of all their pumps</summary>
      <p className="text-13 text-quiet">
        Whoever has the link reads without signing in which pumps are here, how they stand and when they are likely to
        be ready: no prices, no readings. It is shown once, and ends when you end it here.
      </p>
      <form
        className="mt-2 flex flex-wrap items-end gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          void make();
        }}
      >
        <TextField
          label="For whom"
          name="madeFor"
          list={names}
          value={madeFor}
          onChange={(event) => setMadeFor(event.target.value)}
          error={issueFor(error, 'madeFor')}
        />
        <datalist id={names}>
          {contacts.map((name) => (
            <option key={name} value={name} />
          ))}
        </datalist>
        <Button verb="make-customer-page" type="submit" disabled={isBusy}>
          Make a link
        </Button>
      </form>
      {made && (
        <p role="status" className="mt-2 border-l-4 border-moss bg-sheet px-3 py-2 break-all">
          {made}
        </p>
      )}
      <ErrorNote error={error} />
      <ul className="mt-2">
        {pages.map(({ id, madeFor: whom, personName, on }) => (
          <li key={id} className="row flex flex-wrap items-center gap-x-4 first:border-0">
            <b>{whom}</b>
            <span className="text-13 text-quiet">
              made by {personName}, {on}
            </span>
            <Button verb="end-customer-page" tone="quiet" disabled={isBusy} onClick={() => void end(id)}>
              End it
            </Button>
          </li>
        ))}
      </ul>
    </details>
  );
}
