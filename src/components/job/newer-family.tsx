'use client';

import { useAct } from '../act/use-act';
import { Button, ErrorNote } from '../ui/form';
import type { JobView } from './view';

/** A newer version of the job's family is offered here, and taken only when a person says so. */
export function NewerFamily({ view }: { readonly view: JobView }) {
  const { run, error, isBusy } = useAct();
  const { record } = view;
  if (!view.newerFamily) return null;
  return (
    <div className="border-b border-line bg-sheet px-6 py-2">
      <p>
        Version <b className="num">{view.newerFamily}</b> of this family is here; this job was opened with{' '}
        <span className="num">{record.familyVersion.split('+')[0]}</span> and keeps it unless you take the newer one.{' '}
        <Button
          verb="take-newer-family"
          disabled={isBusy}
          onClick={() => void run('take-newer-family', { tag: record.tag })}
        >
          Take version {view.newerFamily}
        </Button>
      </p>
      <ErrorNote error={error} />
    </div>
  );
}
