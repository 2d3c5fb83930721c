'use client';

import Link from 'next/link';
import { useState } from 'react';
import type { Intake } from '@/core/record';
import { useAct } from '../act/use-act';
import { useDraft } from '../act/use-draft';
import { Cautions } from '../bench/cautions';
import { PhotoRow, PictureTaker } from '../job/picture-taker';
import { sayDate, sayMoment, type SheetProps } from '../job/view';
import { Button, ErrorNote } from '../ui/form';
import { useAskedPlace } from '../ui/use-asked-place';
import { IntakeFields } from './intake-fields';
import { ConstructionLine } from './construction-line';
import { readIntakeText, writeIntakeText, type IntakeText } from './intake-text';

function IntakeForm({ view }: SheetProps) {
  const { record } = view;
  const { run, error, setError, isBusy } = useAct();
  const [text, setText] = useDraft(`${record.tag}.intake`);
  const [issues, setIssues] = useState<Readonly<Record<string, string>>>({});
  const isFixed = record.closedAt !== null;
  const shown: IntakeText = text
    ? { ...writeIntakeText(record.intake), ...(JSON.parse(text) as Partial<IntakeText>) }
    : writeIntakeText(record.intake);
  const theirs = error?.code === 'changed-meanwhile' ? (error.theirs as Intake | undefined) : undefined;
  const save = async (basedOn: number) => {
    const read = readIntakeText(shown);
    setIssues(read.issues);
    if (Object.keys(read.issues).length) return;
    if (await run('save-intake', { tag: record.tag, basedOn, intake: read.intake })) setText(null);
  };
  const differing = theirs
    ? (Object.keys(writeIntakeText(theirs)) as (keyof IntakeText)[]).filter(
        (key) => JSON.stringify(writeIntakeText(theirs)[key]) !== JSON.stringify(shown[key]),
      )
    : [];
  return (
    <section aria-label="As received">
      <IntakeFields
        text={shown}
        issues={issues}
        family={view.family}
        isFixed={isFixed}
        onChange={(next) => setText(JSON.stringify(next))}
      />
      <ErrorNote error={error} />
      {theirs && (
        <div className="mb-2 border-l-4 border-ochre px-3">
          <ul className="text-13">
            {differing.map((key) => (
              <li key={key}>
                {key}: theirs “{JSON.stringify(writeIntakeText(theirs)[key]).replaceAll('"', '')}”, yours “
                {JSON.stringify(shown[key]).replaceAll('"', '')}”
              </li>
            ))}
          </ul>
          <Button tone="quiet" onClick={() => save(theirs.version)}>
            Mine stands
          </Button>
          <Button tone="quiet" onClick={() => (setText(null), setError(null), location.reload())}>
            Theirs stands
          </Button>
        </div>
      )}
      {!isFixed && text && !theirs && (
        <div className="mt-3 flex items-center gap-3">
          <Button tone="main" disabled={isBusy} onClick={() => save(record.intake.version)}>
            Keep the changes
          </Button>
          <Button tone="quiet" onClick={() => (setText(null), setError(null))}>
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
                  onClick={() => run('confirm-isolation', { tag: record.tag })}
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
        {record.earlierVisits.length > 0 && (
          <section aria-label="Earlier visits">
            <h2 className="font-bold">Earlier visits of serial {record.pump.serial}</h2>
            <ul>
              {record.earlierVisits.map((visit) => (
                <li key={visit.tag}>
                  <Link className="num font-semibold underline" href={`/jobs/${visit.tag}`}>
                    {visit.tag}
                  </Link>{' '}
                  {sayDate(visit.openedAt)}, {visit.outcome}
                  {visit.reportNumber && `, report ${visit.reportNumber}`}
                </li>
              ))}
            </ul>
          </section>
        )}
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
        <p>
          <a className="font-semibold underline" href={`/files/tag/${record.tag}`} target="_blank">
            Print the tag
          </a>
        </p>
      </div>
    </div>
  );
}
