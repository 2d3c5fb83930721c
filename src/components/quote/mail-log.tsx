'use client';

import { useEffect, useState } from 'react';
import { getData } from '../act/get-data';
import { sayMoment, type JobView } from '../job/view';

interface Mail {
  readonly id: string;
  readonly to: string;
  readonly subject: string;
  readonly sentAt: string;
}

/** What went out by mail about this job; fetched when it is looked at. */
export function MailLog({ view }: { readonly view: JobView }) {
  const { record, zone } = view;
  const [isOpen, setOpen] = useState(false);
  const [mails, setMails] = useState<readonly Mail[] | null>(null);
  useEffect(() => {
    if (!isOpen) return undefined;
    const abort = new AbortController();
    getData<readonly Mail[]>(`/api/mails/${record.tag}`, abort.signal).then(
      (found) => setMails(found),
      () => undefined,
    );
    return () => abort.abort();
  }, [isOpen, record.tag, record.version]);
  return (
    <details onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary className="min-h-11 cursor-pointer content-center font-semibold">Mails about this job</summary>
      {mails?.length === 0 && <p className="text-13 text-quiet">None has gone out yet.</p>}
      <ul className="text-13">
        {mails?.map((mail) => (
          <li key={mail.id} className="row py-1 first:border-0">
            {mail.subject}{' '}
            <span className="text-quiet">
              to {mail.to}, {sayMoment(mail.sentAt, zone)}
            </span>
          </li>
        ))}
      </ul>
    </details>
  );
}
