'use client';

import { useState, type FormEvent } from 'react';
import { Button, TextField } from '../ui/form';

interface Props {
  /** The line that opens the form. */
  readonly words: string;
  readonly label: string;
  readonly button: string;
  readonly isBusy?: boolean;
  /** Sends the reason; the form closes where it was taken. */
  readonly send: (reason: string) => Promise<unknown>;
}

/** A line that opens into a reason and a button. */
export function WithReason({ words, label, button, isBusy = false, send }: Props) {
  const [isOpen, setOpen] = useState(false);
  const [reason, setReason] = useState('');
  const submit = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    if (await send(reason)) setOpen(false);
  };
  if (!isOpen)
    return (
      <button type="button" className="min-h-12 underline" onClick={() => setOpen(true)}>
        {words}
      </button>
    );
  return (
    <form onSubmit={submit} className="w-full space-y-2 border-l-4 border-ochre bg-sheet px-3 py-2">
      <TextField label={label} required value={reason} onChange={(event) => setReason(event.target.value)} />
      <div className="flex gap-2">
        <Button type="submit" tone="main" disabled={isBusy}>
          {button}
        </Button>
        <Button tone="quiet" onClick={() => setOpen(false)}>
          Leave it
        </Button>
      </div>
    </form>
  );
}
