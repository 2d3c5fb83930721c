'use client';

import { Link } from '../ui/link';
import { useEffect, useRef, useState } from 'react';
import { FormProvider, useForm } from 'react-hook-form';
import type { InputOf } from '@/contract';
import { chooseField, mergeDraft, type Draft } from '../act/merge-draft';
import { useAct } from '../act/use-act';
import { useDraft } from '../act/use-draft';
import { Cautions } from '../bench/cautions';
import { PhotoRow, PictureTaker } from '../job/picture-taker';
import { sayDate, sayMoment, type SheetProps } from '../job/view';
import { outcomeNames } from '@/core/record';
import { Button, ErrorNote, issueFor, TextField } from '../ui/form';
import { issuesUnder, resolverOf, type ReadForm } from '../ui/form-resolver';
import { Later } from '../ui/later';
import { useAskedPlace } from '../ui/use-asked-place';
import { IntakeFields, type IntakeValues } from './intake-fields';
import { BegunPanel } from './begun-panel';
import { ResiduePanel } from './residue-panel';
import { ConstructionLine } from './construction-line';
import { LotPanel } from './lot-panel';
import { intakeFieldNames, readIntakeText, writeIntakeText, type IntakeText } from './intake-text';

type IntakeDraft = Draft<IntakeText>;

/** A draft as it was stored; null for none, and for one from before drafts kept what they were begun from. */
function readDraft(text: string): IntakeDraft | null {
  try {
    const draft = text ? (JSON.parse(text) as Partial<IntakeDraft> | null) : null;
    return draft?.base && draft.mine ? { base: draft.base, mine: draft.mine } : null;
  } catch {
    return null;
  }
}

const say = (value: IntakeText[keyof IntakeText]) =>
  typeof value === 'string' ? value : JSON.stringify(value).replaceAll(/["{}[\]]/g, '');

/** What both sides changed while a draft lay here: a person chooses field by field. */
function Conflicts({
  conflicts,
  now,
  mine,
  onChoose,
}: {
  readonly conflicts: readonly (keyof IntakeText)[];
  readonly now: IntakeText;
  readonly mine: IntakeText;
  readonly onChoose: (key: keyof IntakeText, stands: 'mine' | 'theirs') => void;
}) {
  if (!conflicts.length) return null;
  return (
    <section aria-label="Changed meanwhile" role="alert" className="mb-2 border-l-4 border-ochre px-3">
      <p className="font-semibold">Somebody else changed this meanwhile. Choose which one stands:</p>
      <ul className="text-13">
        {conflicts.map((key) => (
          <li key={key} className="flex flex-wrap items-center gap-x-3">
            <b>{intakeFieldNames[key]}</b>
            <Button tone="quiet" onClick={() => onChoose(key, 'mine')}>
              Yours: {say(mine[key]) || 'empty'}
            </Button>
            <Button tone="quiet" onClick={() => onChoose(key, 'theirs')}>
              Theirs: {say(now[key]) || 'empty'}
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}

function readForm({ intake: text }: IntakeValues): ReadForm<{ intake: SavedIntake }> {
  const { intake, issues } = readIntakeText(text);
  return Object.keys(issues).length
    ? { ok: false, issues: issuesUnder('intake', issues) }
    : { ok: true, read: { intake } };
}
type SavedIntake = InputOf<'save-intake'>['intake'];

/** The draft of an intake on this device, held against what stands now. */
function useIntakeDraft(tag: string, now: IntakeText) {
  const [text, setText] = useDraft(`${tag}.intake`);
  const draft = readDraft(text);
  const merged = draft ? mergeDraft(draft, now) : { fields: now, conflicts: [], taken: [] };
  const store = (next: IntakeDraft | null) => setText(next && JSON.stringify(next));
  const change = (mine: IntakeText) => {
    if (JSON.stringify(mine) === JSON.stringify(merged.fields)) return;
    const base = { ...now };
    // A conflict that nobody has chosen about stays one.
    if (draft) for (const key of merged.conflicts) Object.assign(base, { [key]: draft.base[key] });
    store({ base, mine });
  };
  return { draft, merged, store, change };
}

function IntakeForm({ view }: SheetProps) {
  const { record } = view;
  const { run, error, setError, isBusy } = useAct();
  const [reason, setReason] = useState('');
  const isFixed = record.closedAt !== null;
  const now = writeIntakeText(record.intake);
  const { draft, merged, store, change } = useIntakeDraft(record.tag, now);
  const form = useForm<IntakeValues, unknown, { intake: SavedIntake }>({
    defaultValues: { intake: merged.fields },
    resolver: resolverOf(readForm),
  });
  const shown = JSON.stringify(merged.fields);
  const latest = useRef(change);
  useEffect(() => {
    latest.current = change;
  });
  useEffect(
    () =>
      form.subscribe({
        formState: { values: true },
        callback: ({ values }) => latest.current(values.intake),
      }),
    [form],
  );
  // What others changed, and what a choice decided, is put into the fields; what is typed here stands there already.
  useEffect(() => {
    if (JSON.stringify(form.getValues('intake')) !== shown)
      form.reset({ intake: JSON.parse(shown) as IntakeText }, { keepErrors: true });
  }, [form, shown]);
  const save = async ({ intake }: { intake: SavedIntake }) => {
    const basedOn = record.intake.version;
    if (await run('save-intake', { tag: record.tag, basedOn, intake, reason })) {
      store(null);
      setReason('');
    }
  };
  return (
    <section aria-label="As received">
      <FormProvider {...form}>
        <IntakeFields family={view.family} isFixed={isFixed} />
      </FormProvider>
      <ErrorNote error={error} />
      {draft && (
        <Conflicts
          conflicts={merged.conflicts}
          now={now}
          mine={draft.mine}
          onChoose={(key, stands) => store(chooseField(draft, now, key, stands))}
        />
      )}
      {merged.taken.length > 0 && (
        <p role="status" className="mb-2 text-13 text-quiet">
          Changed by somebody else meanwhile, and taken over here:{' '}
          {merged.taken.map((key) => intakeFieldNames[key]).join(', ')}.
        </p>
      )}
      {!isFixed && draft && (
        <div className="mt-3 flex flex-wrap items-end gap-3">
          {record.station !== 'receive' && (
            <div className="basis-72">
              <TextField
                label="Why it is changed"
                value={reason}
                error={issueFor(error, 'reason')}
                onChange={(event) => setReason(event.target.value)}
              />
            </div>
          )}
          <Button tone="main" disabled={isBusy || merged.conflicts.length > 0} onClick={form.handleSubmit(save)}>
            Keep the changes
          </Button>
          <Button tone="quiet" onClick={() => (store(null), setError(null), form.clearErrors())}>
            As it was
          </Button>
        </div>
      )}
    </section>
  );
}

/** The job at receiving: what came, the pictures, and what opens the gate to teardown. */
export function ReceiveSheet({ view, isHere }: SheetProps) {
  const { record } = view;
  useAskedPlace();
  const { run, error, isBusy } = useAct();
  const acknowledged = new Map(record.acknowledgements.map((one) => [one.caution, one]));
  const photos = record.photos.filter((photo) => photo.about === 'job:received');
  const toRead = ['energy-isolation', 'harmful-liquid'].filter((id) => !acknowledged.has(id));
  return (
    <div className="grid gap-x-8 gap-y-6 p-6 lg:grid-cols-[1fr_420px]">
      <IntakeForm view={view} isHere={isHere} />
      <div className="space-y-5">
        <ResiduePanel view={view} />
        <BegunPanel view={view} />
        <section id="isolation" aria-label="Energy isolation">
          <h2 className="font-bold">Energy isolation</h2>
          {record.intake.isolation ? (
            <p>
              Confirmed by <b>{record.intake.isolation.personName}</b>,{' '}
              {sayMoment(record.intake.isolation.at, view.zone)}. It is their word; the product declares nothing.
            </p>
          ) : (
            <>
              <p>
                Electrical, pressure, stored liquid, gravity, springs and heat are isolated, locked and tagged, and a
                start was tried.
              </p>
              {isHere && (
                <Button
                  verb="confirm-isolation"
                  className="mt-2 w-full"
                  disabled={isBusy}
                  onClick={() => run('confirm-isolation', { tag: record.tag, basedOn: record.intake.version })}
                >
                  I confirm it, as {view.person.name}
                </Button>
              )}
            </>
          )}
        </section>
        <section id="cautions" aria-label="Cautions to acknowledge">
          <h2 className="mb-1 font-bold">The technician who opens it has read</h2>
          {[...acknowledged].map(([id, one]) => (
            <p key={id} className="text-13 text-quiet">
              {id.replaceAll('-', ' ')}: {one.personName}, {sayMoment(one.at, view.zone)}
            </p>
          ))}
          {toRead.includes('harmful-liquid') && record.intake.liquid && (
            <p className="mb-1">
              Liquid: <b>{record.intake.liquid}</b>. Hazards: {record.intake.hazards || 'none written down'}.
            </p>
          )}
          <Cautions
            ids={toRead}
            read={new Set()}
            isDone={!isHere}
            onRead={(caution, isRead) => isRead && void run('acknowledge-caution', { tag: record.tag, caution })}
          />
          <ErrorNote error={error} />
        </section>
        <section id="construction" aria-label="Construction">
          <h2 className="font-bold">Construction</h2>
          <ConstructionLine view={view} />
        </section>
        <section id="owner" aria-label="Owner">
          <h2 className="font-bold">Owner</h2>
          <p>
            {record.customer.name}
            {record.contact ? (
              <>
                {' '}
                · {record.contact.name}, {record.contact.email}
                {record.contact.phone && `, ${record.contact.phone}`}
              </>
            ) : (
              ' · no contact'
            )}
          </p>
          <p>
            Promised for <b>{sayDate(record.promisedOn)}</b>, received {sayMoment(record.openedAt, view.zone)}
          </p>
        </section>
        <LotPanel view={view} />
        {record.earlierVisits.length > 0 && (
          <section aria-label="Earlier visits">
            <h2 className="font-bold">Earlier visits of serial {record.pump.serial}</h2>
            <ul>
              {record.earlierVisits.map((visit) => (
                <li key={visit.tag}>
                  <Link className="num font-semibold underline" href={`/jobs/${visit.tag}`}>
                    {visit.tag}
                  </Link>{' '}
                  {sayDate(visit.openedAt)}, {outcomeNames[visit.outcome]}
                  {visit.reportNumber && `, report ${visit.reportNumber}`}
                </li>
              ))}
            </ul>
          </section>
        )}
        <Later height={330}>
          <section aria-label="Pictures as received" className="space-y-2">
            <h2 className="font-bold">Pictures as received</h2>
            <PhotoRow photos={photos} />
            {!record.closedAt && (
              <PictureTaker
                tag={record.tag}
                about="job:received"
                partRef="casing"
                caption={`As received, view ${photos.length + 1}`}
              />
            )}
          </section>
        </Later>
        <p>
          <a className="font-semibold underline" href={`/files/tag/${record.tag}`} target="_blank">
            Print the tag
          </a>
        </p>
      </div>
    </div>
  );
}
