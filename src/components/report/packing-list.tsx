'use client';

import { useState } from 'react';
import { packingGaps, packingOf, proposePacking } from '@/core/dispatch';
import { oldPartsFates, type OldPartsFate, type Packing } from '@/core/record';
import { useAct } from '../act/use-act';
import { useDraftState } from '../act/use-draft-state';
import type { JobView } from '../job/view';
import { Button, ErrorNote, issueFor, SelectField, TextField } from '../ui/form';

type Loose = Packing['loose'][number];

function LooseList({
  loose,
  onChange,
}: {
  readonly loose: readonly Loose[];
  readonly onChange: (loose: Loose[]) => void;
}) {
  const [more, setMore] = useState('');
  const set = (i: number, change: Partial<Loose>) =>
    onChange(loose.map((piece, k) => (k === i ? { ...piece, ...change } : piece)));
  return (
    <fieldset>
      <legend className="font-semibold">Goes back with it, ticked when it is in the crate</legend>
      <ul>
        {loose.map((piece, i) => (
          <li key={`${piece.what} ${i}`} className="row flex items-center gap-3 first:border-0">
            <label className="flex min-h-11 flex-1 items-center gap-2">
              <input
                type="checkbox"
                className="size-6 accent-(--ink)"
                checked={piece.isPacked}
                onChange={(event) => set(i, { isPacked: event.target.checked })}
              />
              {piece.what}
            </label>
            <span className="w-16 shrink-0">
              <input
                aria-label={`How many: ${piece.what}`}
                className="field num min-h-9"
                inputMode="numeric"
                value={piece.count}
                onChange={(event) => set(i, { count: Number(event.target.value.replaceAll(/\D/g, '') || 0) })}
              />
            </span>
          </li>
        ))}
        {!loose.length && <li className="text-quiet">It came with nothing besides.</li>}
      </ul>
      <div className="mt-1 flex items-end gap-2">
        <div className="flex-1">
          <TextField label="Also" value={more} onChange={(event) => setMore(event.target.value)} />
        </div>
        <Button
          disabled={!more.trim()}
          onClick={() => {
            onChange([...loose, { what: more.trim(), count: 1, isPacked: false }]);
            setMore('');
          }}
        >
          Add it
        </Button>
      </div>
    </fieldset>
  );
}

/** Ports against blanks: the one count that must agree. */
function Ports({
  packing,
  onChange,
}: {
  readonly packing: Packing;
  readonly onChange: (change: Partial<Packing>) => void;
}) {
  const read = (text: string) => Number(text.replaceAll(/\D/g, '') || 0);
  const agrees = packing.ports === packing.blanks;
  return (
    <div className="grid grid-cols-[1fr_1fr_1.4fr] items-end gap-2">
      <TextField
        label="Ports counted"
        inputMode="numeric"
        className="num"
        value={packing.ports}
        onChange={(event) => onChange({ ports: read(event.target.value) })}
      />
      <TextField
        label="Blanks fitted"
        inputMode="numeric"
        className="num"
        value={packing.blanks}
        onChange={(event) => onChange({ blanks: read(event.target.value) })}
      />
      <p role="status" className={`pb-3 font-semibold ${agrees ? 'text-moss' : 'text-jasper'}`}>
        {agrees ? 'They agree.' : `${Math.abs(packing.ports - packing.blanks)} do not agree.`}
      </p>
    </div>
  );
}

function PackingFields({
  packing,
  onChange,
}: {
  readonly packing: Packing;
  readonly onChange: (change: Partial<Packing>) => void;
}) {
  const text = (
    name:
      | 'preservedWith'
      | 'shaftBlocked'
      | 'inside'
      | 'carrier'
      | 'carrierNumber'
      | 'declaration'
      | 'wastePapers'
      | 'oldPartsSaidBy',
  ) => ({
    value: packing[name],
    onChange: (event: { readonly target: { readonly value: string } }) => onChange({ [name]: event.target.value }),
  });
  return (
    <>
      <div className="grid gap-3 sm:grid-cols-2">
        <TextField label="Preserved with" {...text('preservedWith')} />
        <TextField label="Inside it is" {...text('inside')} />
        <TextField label="Shaft blocked with" {...text('shaftBlocked')} />
        <label className="flex min-h-11 items-center gap-2 self-end">
          <input
            type="checkbox"
            className="size-6 accent-(--ink)"
            checked={packing.isTagged}
            onChange={(event) => onChange({ isTagged: event.target.checked })}
          />
          tagged “not filled with oil or grease”
        </label>
      </div>
      <div className="grid gap-3 sm:grid-cols-2">
        <SelectField
          label="The parts that were taken out"
          value={packing.oldParts}
          onChange={(event) => onChange({ oldParts: event.target.value as OldPartsFate })}
        >
          {oldPartsFates.map((one) => (
            <option key={one}>{one}</option>
          ))}
        </SelectField>
        <TextField label="The owner’s word on them, by" {...text('oldPartsSaidBy')} />
        <TextField label="Our cleaning declaration" {...text('declaration')} />
        <TextField label="Waste papers" {...text('wastePapers')} />
      </div>
      <div className="grid grid-cols-3 gap-3">
        <TextField label="Carrier" {...text('carrier')} />
        <TextField label="Its number" className="num" {...text('carrierNumber')} />
        <TextField
          label="Weight, kg"
          inputMode="decimal"
          className="num"
          value={packing.weightKg ?? ''}
          onChange={(event) =>
            onChange({ weightKg: event.target.value.trim() ? Number(event.target.value.replace(',', '.')) || 0 : null })
          }
        />
      </div>
    </>
  );
}

/** The packing list: what goes back, ports against blanks, how it is preserved, who carries it; then the release. */
export function PackingList({ view }: { readonly view: JobView }) {
  const { record } = view;
  const sheet = packingOf(record);
  const key = `${record.tag}.packing.${sheet?.version ?? 0}`;
  const [packing, change, forget] = useDraftState<Packing>(key, sheet?.body ?? proposePacking(record));
  const { run, error, isBusy } = useAct();
  const isKept = sheet !== null && JSON.stringify(sheet.body) === JSON.stringify(packing);
  const gaps = packingGaps(record);
  return (
    <div className="space-y-4">
      <LooseList loose={packing.loose} onChange={(loose) => change({ loose })} />
      <Ports packing={packing} onChange={change} />
      <PackingFields packing={packing} onChange={change} />
      <ErrorNote error={error} />
      {issueFor(error, 'blanks') && <p className="text-13 text-jasper">{issueFor(error, 'blanks')}</p>}
      <Button
        verb="pack"
        tone={isKept ? 'plain' : 'main'}
        disabled={isBusy || isKept}
        {...(!isKept && { 'data-next': true })}
        onClick={() =>
          void run('pack', { tag: record.tag, basedOn: sheet?.version ?? 0, packing }).then((kept) => kept && forget())
        }
      >
        {isKept ? 'The list is kept' : 'Keep the packing list'}
      </Button>
      {isKept && gaps.length > 0 && (
        <ul aria-label="Before it is released" className="list-disc border-l-4 border-ochre py-1 pl-8">
          {gaps.map((gap) => (
            <li key={gap}>{gap}</li>
          ))}
        </ul>
      )}
      {isKept && !gaps.length && (
        <Button
          verb="release-pump"
          tone="main"
          data-next
          disabled={isBusy}
          onClick={() => void run('release-pump', { tag: record.tag })}
        >
          Release{record.contact ? `, and write to ${record.contact.name}` : ''}
        </Button>
      )}
    </div>
  );
}
