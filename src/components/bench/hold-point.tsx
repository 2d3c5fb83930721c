'use client';

import { useState, type FormEvent } from 'react';
import { workersOf, type StepWork } from '@/core/bench';
import { useAct } from '../act/use-act';
import type { SheetProps } from '../job/view';
import { Button, ErrorNote } from '../ui/form';
import { NumberPad } from './number-pad';

type Signer = SheetProps['view']['signers'][number];

function SignForm({
  view,
  work,
  signers,
}: {
  readonly view: SheetProps['view'];
  readonly work: StepWork;
  readonly signers: readonly Signer[];
}) {
  const { run, error, isBusy } = useAct();
  const [signer, setSigner] = useState<Signer | null>(null);
  const [pin, setPin] = useState('');
  const { row, step } = work;
  const submit = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    if (!signer || !row) return;
    const signed = { personId: signer.personId, pin };
    await run('sign-hold-point', { tag: view.record.tag, stepId: step.id, basedOn: row.version, signer: signed });
    setPin('');
  };
  return (
    <form onSubmit={submit} className="space-y-2">
      <div role="group" aria-label="Who signs" className="flex flex-wrap gap-2">
        {signers.map((one) => (
          <button
            key={one.personId}
            type="button"
            aria-pressed={one === signer}
            onClick={() => setSigner(one)}
            className={`pebbly min-h-12 border px-3 text-left ${one === signer ? 'border-moss border-b-4 font-bold' : 'border-ink'}`}
          >
            {one.name} <span className="block text-13 font-normal text-quiet">{one.role}</span>
          </button>
        ))}
      </div>
      {signer && (
        <>
          <label className="block text-13 text-quiet">
            PIN of {signer.name}
            <input
              type="password"
              inputMode="numeric"
              autoComplete="off"
              className="field num min-h-12 max-w-[200px] text-24"
              value={pin}
              onChange={(event) => setPin(event.target.value)}
            />
          </label>
          <NumberPad text={pin} onType={setPin} />
        </>
      )}
      <ErrorNote error={error} />
      <Button type="submit" tone="main" data-next className="min-h-14 w-full" disabled={isBusy || !signer || !pin}>
        {signer ? `Sign as ${signer.name}` : 'Sign the hold point'}
      </Button>
    </form>
  );
}

/** A second person looks at what was done and signs it by PIN; who did any of it is named as not able to. */
export function HoldPoint({ view, isHere, work }: SheetProps & { readonly work: StepWork }) {
  const { row, step, isHeld, isDone } = work;
  if (!row || !step.hold_point || !isDone) return null;
  if (!isHeld)
    return (
      <p className="border-l-4 border-moss px-3">
        Hold point: done by {row.personName}, signed by {row.second?.personName}.
      </p>
    );
  const did = workersOf(work);
  const signers = view.signers.filter((one) => did.every(({ personId }) => personId !== one.personId));
  return (
    <div className="space-y-2 border-l-4 border-ochre bg-paper px-3 py-2">
      <p>
        <b>Hold point: {step.title}.</b> A second person looks at it and signs.{' '}
        {did.map(({ personName }) => personName).join(' and ')} worked on this step and cannot sign it.
      </p>
      {typeof row.data.voided === 'string' && (
        <p className="font-semibold text-jasper">
          The signature of {row.data.voided} is void: something changed since.
        </p>
      )}
      {isHere && <SignForm view={view} work={work} signers={signers} />}
    </div>
  );
}
