'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { ShopOrder, ShopOrderLine } from '@/core/purchasing';
import { useAct } from '../act/use-act';
import { Button, ErrorNote, issueFor, TextArea, TextField } from '../ui/form';

/** Asks for more of a line; what no job needs of it goes on the shelf. */
export function RaiseLine({ number, line }: { readonly number: string; readonly line: ShopOrderLine }) {
  const [more, setMore] = useState('');
  const [words, setWords] = useState('');
  const [answer, setAnswer] = useState('');
  const { run, error, isBusy } = useAct();
  const router = useRouter();
  const ask = async () => {
    const done = await run('raise-order-line', { number, position: line.position, more: Number(more), words });
    if (!done) return;
    setAnswer(`${done.added} more. ${done.words}`);
    router.refresh();
  };
  return (
    <details>
      <summary className="min-h-11 cursor-pointer content-center text-13 underline underline-offset-4">
        order more
      </summary>
      <div className="flex flex-wrap items-end gap-2">
        <TextField
          label={`How many more of ${line.title}`}
          inputMode="numeric"
          value={more}
          error={issueFor(error, 'more')}
          onChange={(event) => setMore(event.target.value)}
        />
        <TextField
          label={`Why more of ${line.title}`}
          value={words}
          error={issueFor(error, 'words')}
          onChange={(event) => setWords(event.target.value)}
        />
        <Button verb="raise-order-line" disabled={isBusy} onClick={() => void ask()}>
          Ask for more
        </Button>
      </div>
      {answer && <p role="status">{answer}</p>}
      <ErrorNote error={error} />
    </details>
  );
}

/** A letter to the supplier about the order; what came wrong is proposed as its words. */
export function WriteAbout({ order, email }: { readonly order: ShopOrder; readonly email: string }) {
  const wrong = order.history.filter(({ words }) => words.startsWith('Came wrong: ')).at(-1)?.words ?? '';
  const draft = wrong
    ? `Of our order ${order.number}, not as ordered:\n${wrong.slice('Came wrong: '.length).split('; ').join('\n')}\n\nPlease send it again as ordered, and say whether the wrong pieces come back to you.`
    : '';
  const [words, setWords] = useState(draft);
  const { run, error, isBusy } = useAct();
  const router = useRouter();
  const write = async () => {
    if (!(await run('write-about-order', { number: order.number, words }))) return;
    setWords('');
    router.refresh();
  };
  return (
    <details open={draft !== ''}>
      <summary className="min-h-11 cursor-pointer content-center font-semibold">Write to {order.supplier}</summary>
      <div className="max-w-[720px] space-y-2">
        <TextArea
          label={`To ${email}, about ${order.number}`}
          rows={5}
          value={words}
          onChange={(event) => setWords(event.target.value)}
        />
        <Button verb="write-about-order" disabled={isBusy || !words.trim()} onClick={() => void write()}>
          Send it
        </Button>
        <ErrorNote error={error} />
      </div>
    </details>
  );
}
