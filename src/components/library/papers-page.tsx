'use client';

import { Link } from '../ui/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { ActError } from '../act/act';
import { useAct } from '../act/use-act';
import { Button, ErrorNote, issueFor, TextField } from '../ui/form';
import { PictureFiles } from '../ui/picture-files';
import { sendPicture } from '../job/send-picture';
import { LetterDesk, type LettersShown } from './letter-desk';

interface Numbered {
  readonly series: 'tag' | 'report' | 'order' | 'lot';
  readonly title: string;
  readonly next: number;
  readonly written: string;
}

interface View extends LettersShown {
  readonly numbers: readonly Numbered[];
  readonly mark: { readonly width: number; readonly height: number } | null;
}

/** The next number of a series; it can only go up. */
function NumberRow({ numbered: { series, title, next, written } }: { readonly numbered: Numbered }) {
  const { run, error, isBusy } = useAct();
  const router = useRouter();
  const [typed, setTyped] = useState(String(next));
  const keep = async () => {
    if (await run('set-number', { series, next: Number(typed), basedOn: next })) router.refresh();
  };
  return (
    <li className="row grid grid-cols-[1fr_120px_auto] items-end gap-3 py-2 first:border-0">
      <span>
        {title}{' '}
        <span className="block text-13 text-quiet">
          next: <b className="num">{written}</b>
        </span>
      </span>
      <TextField
        label={`${title} go on at`}
        className="num"
        inputMode="numeric"
        value={typed}
        error={issueFor(error, 'next')}
        onChange={(event) => setTyped(event.target.value)}
      />
      <Button verb="set-number" disabled={isBusy || typed === String(next)} onClick={() => void keep()}>
        Go on there
      </Button>
      {error && !issueFor(error, 'next') && <ErrorNote error={error} />}
    </li>
  );
}

/** The mark at the head of quotes, orders and reports. */
function Mark({ mark }: Pick<View, 'mark'>) {
  const router = useRouter();
  const { run, error, isBusy } = useAct();
  const [fault, setFault] = useState<ActError | null>(null);
  const [shown, setShown] = useState(0);
  const [isSending, setSending] = useState(false);
  const send = async (file: File) => {
    setSending(true);
    const answer = await sendPicture({ door: '/api/mark', about: {}, file });
    setSending(false);
    setFault(answer.ok ? null : answer.error);
    setShown(shown + 1);
    router.refresh();
  };
  return (
    <section aria-label="Mark">
      <h2 className="border-b border-ink font-bold">Mark</h2>
      {mark ? (
        <img
          key={shown}
          src={`/files/mark?${shown}`}
          alt="The mark at the head of our papers"
          className="my-3 h-16 border border-line bg-white object-contain p-1"
        />
      ) : (
        <p className="my-3 text-quiet">Papers go out with our name alone.</p>
      )}
      <div className="flex gap-3">
        <PictureFiles
          label="The shop’s mark from a file"
          isBusy={isSending}
          onChosen={([file]) => file && void send(file)}
        >
          {mark ? 'Another one' : 'Choose a picture'}
        </PictureFiles>
        {mark && (
          <Button
            verb="remove-mark"
            tone="quiet"
            disabled={isBusy}
            onClick={() => void run('remove-mark', {}).then((done) => done && router.refresh())}
          >
            Take it off
          </Button>
        )}
      </div>
      <p className="mt-2 text-13 text-quiet">
        PNG, JPEG or WebP; it stands at the right of the head, at most 42 mm wide and 12 mm high. What was issued before
        keeps the head that it had.
      </p>
      <ErrorNote error={fault ?? error} />
    </section>
  );
}

/** What the owner settles of papers: the words of letters with a preview, numbers, and the mark. */
export function PapersPage({ view }: { readonly view: View }) {
  return (
    <div className="space-y-6 p-6">
      <h1 className="text-24 font-bold">
        Papers and letters{' '}
        <Link href="/library" className="ml-3 text-15 font-normal underline underline-offset-4">
          Library
        </Link>
      </h1>
      <LetterDesk key={JSON.stringify(view.letters)} view={view} />
      <div className="grid gap-x-10 gap-y-6 lg:grid-cols-2">
        <section aria-label="Numbers">
          <h2 className="border-b border-ink font-bold">Numbers</h2>
          <ul>
            {view.numbers.map((numbered) => (
              <NumberRow key={`${numbered.series} ${numbered.next}`} numbered={numbered} />
            ))}
          </ul>
          <p className="text-13 text-quiet">They only go up: a number that was given is never given again.</p>
        </section>
        <Mark mark={view.mark} />
      </div>
    </div>
  );
}
