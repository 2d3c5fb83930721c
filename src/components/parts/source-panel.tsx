'use client';

import { useEffect, useState } from 'react';
import { chosenSources, type ChosenSource } from '@/core/record';
import { sourceOf, type Need } from '@/core/supply';
import { getData } from '../act/get-data';
import { useAct } from '../act/use-act';
import { useDraftState } from '../act/use-draft-state';
import { sayMoment, type JobView } from '../job/view';
import { Button, ErrorNote, issueFor, SelectField, TextField } from '../ui/form';
import { MadePanel } from './made-panel';
import { sourceNames } from './source-words';

/** A part of another unit that could go in, as the server reads it. */
interface DonorShown {
  readonly id: string;
  readonly tag: string;
  readonly number: string;
  readonly verdict: string;
  readonly look: string;
  readonly isCracked: boolean;
  readonly wearPct: number | null;
  readonly condition: string;
  readonly tray: string;
  readonly owner: string;
}

interface Choosing {
  readonly source: ChosenSource;
  readonly count: string;
  readonly from: string;
  readonly dueOn: string;
  readonly reason: string;
}

function DonorList({
  view,
  partRef,
  chosen,
  onChoose,
}: {
  readonly view: JobView;
  readonly partRef: string;
  readonly chosen: string | null;
  readonly onChoose: (id: string) => void;
}) {
  const { tag } = view.record;
  const [donors, setDonors] = useState<readonly DonorShown[] | null>(null);
  useEffect(() => {
    const abort = new AbortController();
    void getData<readonly DonorShown[]>(`/api/donors/${tag}/${partRef}`, abort.signal).then(
      (found) => setDonors(found ?? []),
      () => undefined,
    );
    return () => abort.abort();
  }, [tag, partRef]);
  if (!donors) return <p className="text-13 text-quiet">Looking through the units and the donor stock …</p>;
  if (!donors.length) return <p>No other unit and no donor in the house has this part.</p>;
  return (
    <fieldset>
      <legend className="mb-1 font-semibold">Out of which unit</legend>
      <ul>
        {donors.map((donor) => (
          <li key={donor.id} className="row first:border-0">
            <label className="grid min-h-12 grid-cols-[auto_.7fr_1fr_1.6fr_1fr] items-center gap-3">
              <input
                type="radio"
                name={`donor-${partRef}`}
                className="size-6 accent-(--ink)"
                disabled={
                  donor.isCracked || (donor.wearPct ?? 0) > 100 || ['another part', 'question'].includes(donor.verdict)
                }
                checked={chosen === donor.id}
                onChange={() => onChoose(donor.id)}
              />
              <b className="num">{donor.tag}</b>
              <span>
                <span className="num">{donor.number}</span>{' '}
                <span className="block text-13 text-quiet">{donor.verdict}</span>
              </span>
              <span>{donor.isCracked ? `not offered: ${donor.look}` : donor.look || 'nobody has looked at it'}</span>
              <span className="num text-13">
                {donor.wearPct === null ? 'not measured' : `${donor.wearPct} % of its wear used`}
                {donor.tray && `, tray ${donor.tray}`}
              </span>
            </label>
          </li>
        ))}
      </ul>
    </fieldset>
  );
}

const fromLabels: Readonly<Partial<Record<ChosenSource, string>>> = { shelf: 'Bin', customer: 'Who brings it' };

/** Says where a part comes from in place of what was proposed. */
function ChooseSource({ view, need }: { readonly view: JobView; readonly need: Need }) {
  const { record } = view;
  const sheet = sourceOf(record, need.ref);
  const first: Choosing = {
    source: need.source === 'outside' ? 'bought' : need.source,
    ...{ count: String(sheet?.body.count ?? need.quantity), from: sheet?.body.from ?? '' },
    ...{ dueOn: sheet?.body.dueOn ?? '', reason: sheet?.body.reason ?? '' },
  };
  const [typed, change, forget] = useDraftState<Choosing>(
    `${record.tag}.source.${need.ref}.${sheet?.version ?? 0}`,
    first,
  );
  const [donorId, setDonorId] = useState<string | null>(sheet?.body.donor?.id ?? null);
  const { run, error, isBusy } = useAct();
  const fromLabel = fromLabels[typed.source];
  // A soft part is always new, or kept in its own pump.
  const isSoft = view.family.parts.some(({ ref, soft }) => ref === need.ref && soft);
  const text = (name: 'count' | 'from' | 'dueOn' | 'reason') => ({
    value: typed[name],
    error: issueFor(error, name),
    onChange: (event: { readonly target: { readonly value: string } }) => change({ [name]: event.target.value }),
  });
  const keep = async () => {
    const { source, from, dueOn, reason } = typed;
    const count = Number(typed.count);
    const input = { tag: record.tag, partRef: need.ref, basedOn: sheet?.version ?? 0, donorId };
    if (await run('choose-source', { ...input, source: { source, count, from, dueOn, reason } })) forget();
  };
  return (
    <div className="space-y-3">
      <div className="grid grid-cols-[1fr_90px_1fr_1fr] items-start gap-3">
        <SelectField
          label="Comes from"
          value={typed.source}
          onChange={(event) => change({ source: event.target.value as ChosenSource })}
        >
          {chosenSources
            .filter((source) => source !== 'donor' || !isSoft)
            .map((source) => (
              <option key={source} value={source}>
                {sourceNames[source]}
              </option>
            ))}
        </SelectField>
        <TextField label="How many" inputMode="numeric" className="num" {...text('count')} />
        {fromLabel ? <TextField label={fromLabel} {...text('from')} /> : <span />}
        {typed.source === 'customer' || typed.source === 'shelf' ? (
          <TextField label="When it is here" placeholder="2026-12-09" {...text('dueOn')} />
        ) : (
          <span />
        )}
      </div>
      {typed.source === 'donor' && <DonorList view={view} partRef={need.ref} chosen={donorId} onChoose={setDonorId} />}
      <div className="grid grid-cols-[1fr_auto] items-start gap-3">
        <TextField label="Why so" {...text('reason')} />
        <Button
          verb="choose-source"
          className="mt-[22px]"
          disabled={isBusy || (typed.source === 'donor' && !donorId)}
          onClick={() => void keep()}
        >
          It comes so
        </Button>
      </div>
      <ErrorNote error={error} />
    </div>
  );
}

/** Counts and looks at what came by another way than an order. The count starts empty: somebody counts. */
function LayReady({ view, need }: { readonly view: JobView; readonly need: Need }) {
  const { record } = view;
  const sheet = sourceOf(record, need.ref);
  const [typed, change] = useDraftState(`${record.tag}.ready.${need.ref}.${sheet?.version ?? 0}`, {
    ...{ count: '', number: '', elastomer: '', lot: '', note: '' },
    accept: false,
  });
  const { run, error, isBusy } = useAct();
  const part = view.family.parts.find(({ ref }) => ref === need.ref);
  if (!sheet) return null;
  const { here, donor } = sheet.body;
  if (here)
    return (
      <p>
        <b>Laid ready</b>: {here.count}
        {here.number && (
          <>
            , <span className="num">{here.number}</span>
          </>
        )}
        {here.note && `, ${here.note}`} — {here.personName}, {sayMoment(here.at, view.zone)}
      </p>
    );
  const text = (name: 'count' | 'number' | 'elastomer' | 'lot' | 'note') => ({
    value: typed[name],
    error: issueFor(error, name),
    onChange: (event: { readonly target: { readonly value: string } }) => change({ [name]: event.target.value }),
  });
  const lay = () => {
    const { accept, count, ...seen } = typed;
    void run('lay-ready', {
      ...{ tag: record.tag, partRef: need.ref, basedOn: sheet.version, accept },
      here: { ...seen, count: Number(count || Number.NaN) },
    });
  };
  return (
    <div className="border-l-4 border-lake bg-sheet px-3 py-2">
      <p className="mb-1 font-semibold">
        Count it, and read its number
        {donor && (
          <span className="font-normal text-quiet">
            {' '}
            — out of {donor.tag}: {donor.look || 'nobody has looked at it'}
            {donor.wearPct !== null && `, ${donor.wearPct} % of its wear used`}
          </span>
        )}
      </p>
      <div className="grid grid-cols-[90px_1fr_1fr_1fr] gap-3">
        <TextField label="Counted" inputMode="numeric" className="num" {...text('count')} />
        <TextField label="Number on it" className="num" {...text('number')} />
        {part?.elastomer ? <TextField label="Elastomer" {...text('elastomer')} /> : <span />}
        <TextField label="Lot" className="num" {...text('lot')} />
      </div>
      <div className="mt-2 grid grid-cols-[1fr_auto_auto] items-end gap-3">
        <TextField label="What is seen on it" {...text('note')} />
        <label className="flex min-h-11 items-center gap-2">
          <input
            type="checkbox"
            className="size-6 accent-(--ink)"
            checked={typed.accept}
            onChange={(event) => change({ accept: event.target.checked })}
          />
          the other number is right, by my name
        </label>
        <Button verb="lay-ready" tone="main" disabled={isBusy || !typed.count} onClick={lay}>
          Lay it ready
        </Button>
      </div>
      <ErrorNote error={error} />
    </div>
  );
}

/** How one part is had: its source, and what that source asks for. */
export function SourcePanel({
  view,
  need,
  canAct,
}: {
  readonly view: JobView;
  readonly need: Need;
  readonly canAct: boolean;
}) {
  const sheet = sourceOf(view.record, need.ref);
  const isElsewhere = sheet !== null && sheet.body.source !== 'bought' && sheet.body.source !== 'made';
  const [isChanging, setChanging] = useState(false);
  const asks = !sheet && need.source !== 'made' && need.source !== 'bought';
  return (
    <div className="space-y-4 pb-5">
      {sheet && (
        <p className="text-13 text-quiet">
          {sourceNames[sheet.body.source]}
          {sheet.body.from && `, ${sheet.body.from}`}: {sheet.body.reason} — {sheet.personName}
        </p>
      )}
      {canAct && isElsewhere && <LayReady view={view} need={need} />}
      {need.source === 'made' && <MadePanel view={view} partRef={need.ref} canWork={canAct} />}
      {canAct && !sheet?.body.here && !asks && !isChanging && (
        <Button onClick={() => setChanging(true)}>It comes from somewhere else</Button>
      )}
      {canAct && (asks || isChanging) && !sheet?.body.here && <ChooseSource view={view} need={need} />}
    </div>
  );
}
