'use client';

import { useState, type FormEvent } from 'react';
import { useAct } from '../act/use-act';
import { PictureTaker } from '../job/picture-taker';
import type { SheetProps } from '../job/view';
import { Button, ErrorNote, SelectField, TextField } from '../ui/form';
import type { PhotoId } from '@/core/record';

/** What is seen, on which part, with a picture. */
export function FoundForm({
  view,
  parts,
  onClose,
}: {
  readonly view: SheetProps['view'];
  readonly parts: readonly string[];
  readonly onClose: () => void;
}) {
  const { record, family } = view;
  const { attempt, error, isBusy } = useAct();
  const [ref, setRef] = useState(parts[0] ?? family.parts[0]?.ref ?? '');
  const [words, setWords] = useState('');
  const [photoId, setPhotoId] = useState<PhotoId | null>(null);
  const seen = family.damage.filter((one) => one.part === ref);
  const match = seen.find((one) => one.seen === words);
  const submit = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const finding = { tag: record.tag, partRef: ref, words, plain: '', photoId };
    const about = { label: `Found: ${words}`, place: `${record.tag} finding ${ref} ${words}` };
    if ((await attempt('record-finding', finding, about)) === 'refused') return;
    onClose();
  };
  return (
    <form onSubmit={submit} className="w-full space-y-2 border-l-4 border-ochre bg-sheet px-3 py-2">
      <SelectField label="On" value={ref} onChange={(event) => setRef(event.target.value)}>
        {[...parts, ...family.parts.map((part) => part.ref).filter((one) => !parts.includes(one))].map((one) => (
          <option key={one} value={one}>
            {family.parts.find((part) => part.ref === one)?.name ?? one}
          </option>
        ))}
      </SelectField>
      {seen.length > 0 && (
        <div role="group" aria-label="Known damage" className="flex flex-wrap gap-2">
          {seen.map((one) => (
            <Button key={one.seen} tone="quiet" onClick={() => setWords(one.seen)}>
              {one.seen}
            </Button>
          ))}
        </div>
      )}
      {match && (
        <p className="text-13">
          Points to {match.points_to}.{match.usual && ` Usually: ${match.usual}.`}
        </p>
      )}
      <TextField label="What is seen" required value={words} onChange={(event) => setWords(event.target.value)} />
      <PictureTaker
        tag={record.tag}
        about={`part:${ref}`}
        partRef={ref}
        caption={words || 'found'}
        onTaken={setPhotoId}
      />
      <ErrorNote error={error} />
      <div className="flex gap-2">
        <Button type="submit" tone="main" verb="record-finding" disabled={isBusy}>
          Keep the finding
        </Button>
        <Button tone="quiet" onClick={onClose}>
          Leave it
        </Button>
      </div>
    </form>
  );
}
