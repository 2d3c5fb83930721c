'use client';

import { usualAction } from '@/core/policies';
import { useState } from 'react';
import { findingAt } from '@/core/bench';
import type { PointState } from '@/core/inspection';
import { placeKey, type Phase, type PointDecision, type Reading } from '@/core/record';
import { formatLength, lengthUnit, type LengthDisplay } from '@/core/units';
import { useAct } from '../act/use-act';
import { PhotoRow, PictureTaker } from '../job/picture-taker';
import { sayMoment, type JobView } from '../job/view';
import { Button, ErrorNote } from '../ui/form';
import { DispositionForm, DispositionShown } from './disposition';

interface Props {
  readonly view: JobView;
  readonly phase: Phase;
  readonly state: PointState;
  readonly readings: readonly Reading[];
  readonly canEdit: boolean;
  readonly onPickPlace: (place: string) => void;
}

/** A reading as it was taken, and beside it the shop's unit where that is another one. */
export function asTaken({ typed, typedUnit, typedDigits, value, unit }: Reading, display: LengthDisplay): string {
  if (unit !== 'mm') return /[a-zµ°Ω%]/i.test(typed) ? typed : `${typed} ${unit === 'count' ? '' : unit}`.trim();
  const said = /[a-z"′″]/i.test(typed) || display === 'metric' ? typed : `${typed} ${typedUnit}`;
  return typedUnit === lengthUnit(display)
    ? typed
    : `${said} = ${formatLength({ mm: value, digits: display === 'metric' ? 3 : typedDigits + 1, display })}`;
}

const verdicts = [
  ['new', 'as new'],
  ['reuse', 'reusable'],
  ['near', 'near limit'],
  ['out', 'out'],
] as const;

/** The picked point opened: each reading, the reason, and what a person decides about it. */
export function PointDetail({ view, phase, state, readings, canEdit, onPickPlace }: Props) {
  const { record } = view;
  const { point } = state;
  const finding = findingAt(record, view.family, { pointId: point.id, phase });
  const photos = record.photos.filter((photo) => photo.about === `part:${point.part}`);
  return (
    <div className="space-y-3 py-2 pl-10 pr-3">
      {point.places.length > 0 && (
        <ul className="flex flex-wrap gap-2">
          {point.places.map((place) => {
            const key = placeKey(place);
            const own = readings.find((reading) => reading.place === key);
            return (
              <li key={key}>
                <button
                  type="button"
                  disabled={!canEdit}
                  onClick={() => onPickPlace(key)}
                  title={
                    own
                      ? `${own.personName}${own.at && `, ${sayMoment(own.at, view.zone)}`}${own.instrument ? `, ${own.instrument}` : ''}`
                      : undefined
                  }
                  className="min-h-11 rounded-[9px_8px_10px_7px] border border-line px-2 text-left text-13 disabled:opacity-100"
                >
                  <span className="text-quiet">
                    {place.plane} {place.angle_deg}°
                  </span>{' '}
                  <b className="num">{own ? asTaken(own, view.lengthDisplay) : '—'}</b>
                </button>
              </li>
            );
          })}
        </ul>
      )}
      {state.reason && (
        <p>
          Proposed: <b>{state.words}</b>. {state.reason}. <span className="text-13 text-quiet">{point.source}</span>
        </p>
      )}
      {finding?.overruledReason && (
        <p className="border-l-4 border-ochre pl-2">
          Overruled to <b>{verdicts.find(([key]) => key === finding.verdict)?.[1] ?? finding.verdict}</b> by{' '}
          {finding.personName}: {finding.overruledReason}
        </p>
      )}
      {finding?.waivedReason && (
        <p className="border-l-4 border-ochre pl-2">
          Waived by {finding.personName}: {finding.waivedReason}
        </p>
      )}
      {finding && <DispositionShown finding={finding} zone={view.zone} />}
      {phase === 'as-found' && <PhotoRow photos={photos.slice(0, 4)} />}
      {canEdit && (
        <div className="flex flex-wrap gap-x-6 gap-y-2">
          {phase === 'as-found' && state.verdict !== null && (
            <DispositionForm
              tag={record.tag}
              target={{ pointId: point.id }}
              reason={state.reason}
              usual={usualAction(record, null)}
              current={finding?.disposition?.action}
              basedOn={finding?.disposition?.version ?? 0}
            />
          )}
          <Judging
            tag={record.tag}
            pointId={point.id}
            isMeasured={state.verdict !== null}
            basedOn={finding?.version ?? 0}
          />
        </div>
      )}
      {canEdit && phase === 'as-found' && (
        <PictureTaker tag={record.tag} about={`part:${point.part}`} partRef={point.part} caption={point.title} />
      )}
    </div>
  );
}

function Judging({
  tag,
  pointId,
  isMeasured,
  basedOn,
}: {
  readonly tag: string;
  readonly pointId: string;
  readonly isMeasured: boolean;
  /** Version of the point's finding in this phase; 0 for none. */
  readonly basedOn: number;
}) {
  const { run, error, isBusy } = useAct();
  const [isOpen, setOpen] = useState(false);
  const [decision, setDecision] = useState<PointDecision>(isMeasured ? 'reuse' : 'waive');
  const [reason, setReason] = useState('');
  if (!isOpen)
    return (
      <Button tone="quiet" onClick={() => setOpen(true)}>
        {isMeasured ? 'Overrule the verdict' : 'Waive with a reason'}
      </Button>
    );
  const send = async () => {
    if (await run('judge-point', { tag, pointId, decision, reason, basedOn })) setOpen(false);
  };
  return (
    <div className="w-full space-y-2 border-l-4 border-line pl-3">
      <div role="group" aria-label="Verdict" className="flex flex-wrap gap-1">
        {(isMeasured ? verdicts : []).map(([key, words]) => (
          <button
            key={key}
            type="button"
            aria-pressed={decision === key}
            onClick={() => setDecision(key)}
            className={`min-h-11 rounded-[9px_8px_10px_7px] border px-3 ${decision === key ? 'border-ink bg-ink text-onink' : 'border-line'}`}
          >
            {words}
          </button>
        ))}
      </div>
      <label className="block text-13 text-quiet">
        Reason, kept in the record and printed in the report
        <input className="field mt-1" value={reason} onChange={(event) => setReason(event.target.value)} />
      </label>
      <ErrorNote error={error} />
      <Button disabled={isBusy} onClick={send}>
        {decision === 'waive' ? 'Waive the point' : 'Overrule'}
      </Button>
      <Button tone="quiet" onClick={() => setOpen(false)}>
        Leave it
      </Button>
    </div>
  );
}
