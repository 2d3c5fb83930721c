'use client';

import { usualAction } from '@/core/policies';
import { stillStands } from '@/core/bench';
import { present } from '@/core/present';
import { useId, useState } from 'react';
import { useAct } from '../act/use-act';
import { useDraft } from '../act/use-draft';
import { useWaiting } from '../act/use-waiting';
import { PhotoRow, PictureTaker } from '../job/picture-taker';
import { sayMoment, type SheetProps } from '../job/view';
import { Button, ErrorNote, issueFor, SelectField, TextField } from '../ui/form';
import { DispositionForm, DispositionShown } from './disposition';

/** Visual findings with their picture, and what teardown found different, each with what is done about it. */
export function Findings({ view, isHere }: SheetProps) {
  const { record, family } = view;
  const shown = record.findings.filter(
    (finding) =>
      finding.kind === 'visual' || (finding.kind === 'bench' && finding.phase === 'as-found' && stillStands(finding)),
  );
  const waiting = useWaiting('record-finding', record.tag);
  const nameOf = (ref: string) => family.parts.find((part) => part.ref === ref)?.name ?? ref;
  return (
    <section aria-label="Findings" className="border-t border-ink p-6">
      <h2 className="mb-2 font-bold">
        Findings{' '}
        <small className="font-normal text-quiet">
          corrosion, cavitation, scoring, heat marks, cracks, the wrong part from the time before, and what teardown
          found different
        </small>
      </h2>
      <ul>
        {shown.map((finding) => (
          <li
            key={finding.id}
            id={`finding-${finding.id}`}
            className="row grid gap-4 py-3 first:border-0 md:grid-cols-[140px_1fr]"
          >
            <div>{finding.photoId && <PhotoRow photos={[{ id: finding.photoId, caption: '' }]} />}</div>
            <div className="space-y-1">
              <p>
                <b>{nameOf(finding.partRef)}</b>: {finding.words}{' '}
                <span className="text-13 text-quiet">
                  {finding.personName}, {sayMoment(finding.at, view.zone)}
                </span>
              </p>
              {finding.kind === 'bench' && (
                <p className="text-13">Different at teardown; at rebuild it is put as it should be.</p>
              )}
              <p className="text-13">The customer reads: {finding.plain}</p>
              <DispositionShown finding={finding} zone={view.zone} />
              {isHere && (
                <DispositionForm
                  tag={record.tag}
                  target={{ findingId: finding.id }}
                  reason={finding.words}
                  usual={usualAction(record, finding.proposed)}
                  current={finding.disposition?.action}
                  basedOn={finding.disposition?.version ?? 0}
                />
              )}
            </div>
          </li>
        ))}
        {waiting.map(({ partRef, words }) => (
          <li key={`${partRef} ${words}`} className="row py-3 first:border-0">
            <b>{nameOf(partRef)}</b>: {words} <span className="text-13 text-quiet">waits here</span>
          </li>
        ))}
      </ul>
      {isHere && <NewFinding view={view} isHere={isHere} />}
    </section>
  );
}

function NewFinding({ view }: SheetProps) {
  const { record, family } = view;
  const list = useId();
  const { attempt, error, isBusy } = useAct();
  const [partRef, setPartRef] = useState(present(family.parts[0]).ref);
  const [words, setWords] = useDraft(`${record.tag}.finding.words`);
  const [plain, setPlain] = useDraft(`${record.tag}.finding.plain`);
  const [photoId, setPhotoId] = useState<string | null>(null);
  const known = family.damage.filter((damage) => damage.part === partRef);
  const match = known.find((damage) => damage.seen === words);
  const keep = async () => {
    const finding = { tag: record.tag, partRef, words, plain: plain || match?.plain || '', photoId };
    const about = { label: `Found: ${words}`, place: `${record.tag} finding ${partRef} ${words}` };
    if ((await attempt('record-finding', finding, about)) === 'refused') return;
    setWords(null);
    setPlain(null);
    setPhotoId(null);
  };
  return (
    <div className="row mt-2 grid gap-3 pt-3 md:grid-cols-[220px_1fr_1fr]">
      <SelectField label="Part" value={partRef} onChange={(event) => setPartRef(event.target.value)}>
        {family.parts.map((part) => (
          <option key={part.ref} value={part.ref}>
            {part.name}
          </option>
        ))}
      </SelectField>
      <div>
        <TextField
          label="What is seen"
          value={words}
          list={list}
          onChange={(event) => setWords(event.target.value)}
          error={issueFor(error, 'words')}
          {...(match && { hint: `Points to ${match.points_to}` })}
        />
        <datalist id={list}>
          {known.map((damage) => (
            <option key={damage.seen} value={damage.seen} />
          ))}
        </datalist>
      </div>
      <TextField
        label="In plain words for the customer"
        value={plain}
        placeholder={match?.plain ?? ''}
        onChange={(event) => setPlain(event.target.value)}
        error={issueFor(error, 'plain')}
      />
      <div className="md:col-span-2">
        {photoId ? (
          <PhotoRow photos={[{ id: photoId, caption: 'for this finding' }]} />
        ) : (
          <PictureTaker
            tag={record.tag}
            about={`part:${partRef}`}
            partRef={partRef}
            caption={words || 'finding'}
            onTaken={setPhotoId}
          />
        )}
      </div>
      <div>
        <ErrorNote error={error} />
        <Button tone="main" className="w-full" disabled={isBusy} onClick={keep}>
          Keep the finding
        </Button>
      </div>
    </div>
  );
}
