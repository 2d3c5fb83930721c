'use client';

import { fateOf, leavesHouse } from '@/core/dispatch';
import { fates, outcomeNames } from '@/core/record';
import { useAct } from '../act/use-act';
import { useDraft } from '../act/use-draft';
import { useDraftState } from '../act/use-draft-state';
import { sayMoment, type JobView } from '../job/view';
import { Button, ErrorNote, issueFor, TextField } from '../ui/form';

type FateWord = (typeof fates)[number];
const means: Readonly<Record<FateWord, string>> = {
  declined: 'in parts, bagged by tray; no warranty',
  reassembled: 'put together without new parts, not tested; tagged so; no warranty',
  scrapped: 'by us, with its waste papers; nothing goes back',
  donor: 'it stays here; its parts are free for other pumps',
};

function FateForm({ view }: { readonly view: JobView }) {
  const { record } = view;
  const sheet = fateOf(record);
  const { run, error, isBusy } = useAct();
  const [{ fate, saidBy, words }, change, forget] = useDraftState(`fate.${record.tag}.${sheet?.version ?? 0}`, {
    fate: sheet?.body.fate ?? 'declined',
    saidBy: sheet?.body.saidBy ?? record.contact?.name ?? '',
    words: sheet?.body.words ?? '',
  });
  const keep = async () => {
    const said = { tag: record.tag, basedOn: sheet?.version ?? 0, fate: { fate, saidBy, words } };
    if (await run('choose-fate', said)) forget();
  };
  return (
    <div className="space-y-3">
      <div role="radiogroup" aria-label="What becomes of it">
        {fates.map((one) => (
          <label key={one} className="row flex min-h-12 items-center gap-3 first:border-0">
            <input
              type="radio"
              name="fate"
              className="size-5 accent-(--ink)"
              checked={fate === one}
              onChange={() => change({ fate: one })}
            />
            <span>
              <b>{outcomeNames[one]}</b> <span className="text-13 text-quiet">{means[one]}</span>
            </span>
          </label>
        ))}
      </div>
      <div className="grid gap-3 sm:grid-cols-2">
        <TextField
          label="Who says so"
          value={saidBy}
          error={issueFor(error, 'saidBy')}
          onChange={(event) => change({ saidBy: event.target.value })}
        />
        <TextField
          label="When, and in their words"
          value={words}
          error={issueFor(error, 'words')}
          onChange={(event) => change({ words: event.target.value })}
        />
      </div>
      <ErrorNote error={error} />
      <Button verb="choose-fate" disabled={isBusy} onClick={() => void keep()}>
        Keep the owner’s word
      </Button>
    </div>
  );
}

function Reassemble({ view }: { readonly view: JobView }) {
  const { record } = view;
  const sheet = fateOf(record);
  const { run, error, isBusy } = useAct();
  const [words, setWords] = useDraft(`reassembled.${record.tag}`);
  if (sheet?.body.fate !== 'reassembled') return null;
  if (sheet.body.reassembled)
    return (
      <p className="border-l-4 border-moss pl-3">
        Put together by {sheet.body.reassembled.personName}, {sayMoment(sheet.body.reassembled.at, view.zone)}:{' '}
        {sheet.body.reassembled.words}
      </p>
    );
  return (
    <div className="space-y-2 border-l-4 border-ochre pl-3">
      <TextField
        label="Put together: with what, and what is missing"
        value={words}
        error={issueFor(error, 'words')}
        onChange={(event) => setWords(event.target.value)}
      />
      <ErrorNote error={error} />
      <Button
        verb="reassemble"
        data-next
        disabled={isBusy}
        onClick={() =>
          void run('reassemble', { tag: record.tag, basedOn: sheet.version, words }).then(
            (kept) => kept && setWords(null),
          )
        }
      >
        It is put together, not repaired
      </Button>
    </div>
  );
}

/** What becomes of a pump that is not repaired, by its owner's word. */
export function FatePanel({ view, isHere }: { readonly view: JobView; readonly isHere: boolean }) {
  const { record } = view;
  const sheet = fateOf(record);
  const { run, error, isBusy } = useAct();
  if (record.outcome === 'repaired' || record.outcome === 'open') return null;
  return (
    <section id="fate" aria-label="What becomes of it" className="space-y-3">
      <h2 className="text-18 font-bold">
        Not repaired{' '}
        <small className="text-13 font-normal text-quiet">what becomes of it is the owner’s word, never ours</small>
      </h2>
      {sheet && (
        <p className="border-l-4 border-slate pl-3">
          <b>{outcomeNames[sheet.body.fate]}</b>, says {sheet.body.saidBy}: {sheet.body.words}.{' '}
          <span className="text-13 text-quiet">
            {sheet.personName}, {sayMoment(sheet.at, view.zone)}
          </span>
        </p>
      )}
      {isHere && !record.returned && <FateForm key={sheet?.version ?? 0} view={view} />}
      {isHere && <Reassemble key={`put-${sheet?.version ?? 0}`} view={view} />}
      {isHere && sheet && !leavesHouse(record) && (
        <>
          <ErrorNote error={error} />
          <Button
            verb="close-unreturned"
            tone="main"
            data-next
            disabled={isBusy}
            onClick={() => void run('close-unreturned', { tag: record.tag })}
          >
            Close the job: {outcomeNames[record.outcome]}
          </Button>
        </>
      )}
    </section>
  );
}
