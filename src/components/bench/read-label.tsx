'use client';

import { useRef, useState } from 'react';
import { sheetsOf } from '@/core/record';
import { useAct } from '../act/use-act';
import type { JobView } from '../job/view';
import { Button, ErrorNote, issueFor } from '../ui/form';

/** Reads labels into a job: a scanner types the code and Enter. A label of another pump is refused by name. */
export function ReadLabel({ view }: { readonly view: JobView }) {
  const { record, family } = view;
  const field = useRef<HTMLInputElement>(null);
  const [code, setCode] = useState('');
  const [said, setSaid] = useState('');
  const { run, error, isBusy } = useAct();
  const laid = sheetsOf(record, 'tray');
  if (!laid.length) return null;
  const unread = laid.filter(({ body }) => !body.scans.some(({ station }) => station === record.station));
  const nameOf = (ref: string) => family.parts.find((part) => part.ref === ref)?.name ?? ref;
  const read = async () => {
    setSaid('');
    const answer = await run('read-label', { tag: record.tag, code });
    if (answer) {
      setSaid(answer.parts.length === 1 ? nameOf(answer.parts[0] ?? '') : `${answer.parts.length} parts of its tray`);
      setCode('');
    }
    field.current?.focus();
  };
  return (
    <form
      aria-label="Read a label"
      className="border-b border-line bg-sheet px-6 py-2"
      onSubmit={(event) => {
        event.preventDefault();
        void read();
      }}
    >
      <div className="flex flex-wrap items-center gap-3">
        <label className="flex items-center gap-2 font-semibold">
          Label
          <input
            ref={field}
            className="field num w-56"
            placeholder={`${record.tag}#1`}
            value={code}
            onChange={(event) => setCode(event.target.value)}
          />
        </label>
        <Button verb="read-label" type="submit" disabled={isBusy || !code.trim()}>
          It is here
        </Button>
        <p role="status" className="flex-1">
          {said && (
            <>
              <b>{said}</b>, of {record.tag}.{' '}
            </>
          )}
          <span className="text-13 text-quiet">
            {unread.length
              ? `${unread.length} of ${laid.length} labels not read at this station`
              : 'Every label is read at this station'}
          </span>
        </p>
      </div>
      {error && issueFor(error, 'code') ? (
        <p role="alert" className="font-bold text-jasper">
          {error.what}
        </p>
      ) : (
        <ErrorNote error={error} />
      )}
    </form>
  );
}
