'use client';

import { Link } from '../ui/link';
import { useState, type ChangeEvent } from 'react';
import { act, type ActError } from '../act/act';
import { useRouter } from 'next/navigation';

/** Takes a family file in; what is wrong with it is said by line and path, and the file stays as it was. */
export function ImportFamily() {
  const router = useRouter();
  const [error, setError] = useState<ActError | null>(null);
  const [taken, setTaken] = useState<string | null>(null);
  const take = async (event: ChangeEvent<HTMLInputElement>) => {
    const file = event.target.files?.[0];
    if (!file) return;
    const answer = await act('import-family', { text: await file.text() });
    event.target.value = '';
    setError(answer.ok ? null : answer.error);
    setTaken(answer.ok ? answer.data.familyId : null);
    if (answer.ok) router.refresh();
  };
  return (
    <div className="mt-3">
      <label className="inline-flex min-h-11 flex-wrap items-center gap-3 font-semibold">
        Take in a family file
        <input
          type="file"
          accept="application/json,.json"
          onChange={(event) => void take(event)}
          className="text-13 font-normal"
        />
      </label>
      <p className="text-13 text-quiet">
        The format is{' '}
        <a href="/files/schema/family" className="underline">
          published as JSON Schema
        </a>
        ; a file is checked against it and for closure: that every part comes off, goes on and is measured.
      </p>
      {taken && (
        <p role="status" className="border-l-4 border-moss bg-sheet px-3 py-1">
          Taken in as{' '}
          <Link href={`/library/${taken}`} className="num underline">
            {taken}
          </Link>
          .
        </p>
      )}
      {error && (
        <div role="alert" className="border-l-4 border-jasper bg-sheet px-3 py-1">
          <p>
            <b>{error.what}</b> {error.todo}
          </p>
          <ol className="list-inside list-decimal text-13">
            {error.issues.map((issue, i) => (
              <li key={i}>{issue.message}</li>
            ))}
          </ol>
        </div>
      )}
    </div>
  );
}
