'use client';

import { useState } from 'react';
import { sheetsOf } from '@/core/record';
import { useAct } from '../act/use-act';
import type { JobView } from '../job/view';
import { Button, ErrorNote, TextField } from '../ui/form';

const words: Readonly<Record<string, string>> = {
  'as listed': 'as the list has it',
  superseded: 'an earlier number of the same part',
  interchange: 'interchanges with the list’s',
  'another part': 'the number of another part: wrongly fitted before',
  question: 'nobody knows it yet',
};

/** The number that stands on a part, judged beside the list; one that nobody knows is settled by name. */
export function NumberFound({
  view,
  partRef,
  name,
  canFind,
}: {
  readonly view: JobView;
  readonly partRef: string;
  readonly name: string;
  readonly canFind: boolean;
}) {
  const { record } = view;
  const sheet = sheetsOf(record, 'number').find(({ key }) => key === partRef);
  const [found, setFound] = useState('');
  const [settled, setSettled] = useState('');
  const { run, error, isBusy } = useAct();
  const keep = () => {
    if (!found.trim() || found === sheet?.body.found) return;
    void run('find-number', { tag: record.tag, partRef, found, basedOn: sheet?.version ?? 0 });
  };
  const isOpen = sheet?.body.verdict === 'question' && !sheet.body.settled;
  return (
    <div className="min-w-[130px]">
      {canFind ? (
        <input
          aria-label={`Number on ${name}`}
          className="field num min-h-11"
          placeholder="number on it"
          defaultValue={sheet?.body.found ?? ''}
          disabled={isBusy}
          onChange={(event) => setFound(event.target.value)}
          onBlur={keep}
        />
      ) : (
        sheet && <span className="num">{sheet.body.found}</span>
      )}
      {sheet && sheet.body.verdict !== 'as listed' && (
        <span
          className={`block text-13 ${isOpen || sheet.body.verdict === 'another part' ? 'font-semibold text-jasper' : 'text-quiet'}`}
        >
          {words[sheet.body.verdict]}
          {sheet.body.settled && `: ${sheet.body.settled.words}, ${sheet.body.settled.personName}`}
        </span>
      )}
      {isOpen && (
        <div className="flex items-end gap-2">
          <TextField label="What it is" value={settled} onChange={(event) => setSettled(event.target.value)} />
          <Button
            verb="settle-number"
            disabled={isBusy || !settled.trim()}
            onClick={() =>
              void run('settle-number', { tag: record.tag, partRef, words: settled, basedOn: sheet.version })
            }
          >
            Settle
          </Button>
        </div>
      )}
      <ErrorNote error={error} />
    </div>
  );
}
