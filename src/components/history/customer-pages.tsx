'use client';

import { useId, useState } from 'react';
import { Links, useLinks } from '../act/links';
import { Button, issueFor, TextField } from '../ui/form';

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
  const state = useLinks('make-customer-page');
  const [madeFor, setMadeFor] = useState(contacts[0] ?? '');
  const names = useId();
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
          void state.make({ customerId, madeFor });
        }}
      >
        <TextField
          label="For whom"
          name="madeFor"
          list={names}
          value={madeFor}
          onChange={(event) => setMadeFor(event.target.value)}
          error={issueFor(state.error, 'madeFor')}
        />
        <datalist id={names}>
          {contacts.map((name) => (
            <option key={name} value={name} />
          ))}
        </datalist>
        <Button verb="make-customer-page" type="submit" disabled={state.isBusy}>
          Make a link
        </Button>
      </form>
      <Links
        links={pages.map(({ madeFor: name, ...page }) => ({ ...page, name }))}
        state={state}
        ending="end-customer-page"
      />
    </details>
  );
}
