'use client';

import { useState, type FormEvent } from 'react';
import type { Capture } from '@/core/family';
import type { CapturePhase, CaptureTaken } from '@/core/record';
import { formatLength, lengthUnit, parseQuantity, withLengthUnit, type LengthDisplay } from '@/core/units';
import { useAct } from '../act/use-act';
import { useDraft } from '../act/use-draft';
import { useWaiting } from '../act/use-waiting';
import { PhotoRow, PictureTaker } from '../job/picture-taker';
import { sayMoment } from '../job/view';
import { Button, ErrorNote } from '../ui/form';

interface Props {
  readonly tag: string;
  readonly zone: string;
  readonly lengthDisplay: LengthDisplay;
  readonly phase: CapturePhase;
  readonly stepId: string;
  readonly partRef: string;
  readonly capture: Capture;
  readonly taken: CaptureTaken | undefined;
  /** What teardown kept for this, shown again at rebuild. */
  readonly before?: CaptureTaken | undefined;
  readonly canEdit: boolean;
}

const kindWords: Readonly<Record<Capture['kind'], string>> = {
  'match-mark': 'match mark',
  position: 'position',
  count: 'count',
  photo: 'picture',
  orientation: 'orientation',
  'thread-hand': 'thread hand',
  value: 'value',
};

function differenceOf(before: CaptureTaken, typed: string, tolerance: number, display: LengthDisplay): string | null {
  const parsed = parseQuantity({ text: typed, dimension: 'length', assume: 'mm' });
  if (!parsed.ok || before.valueMm === null) return null;
  const difference = parsed.quantity.value.toNumber() - before.valueMm;
  const say = (mm: number) => formatLength({ mm, digits: 2, display });
  return `${difference >= 0 ? '+' : '−'}${say(Math.abs(difference))} against teardown, ±${say(tolerance)} allowed`;
}

function saidOf(taken: CaptureTaken): string {
  return [
    taken.typed && (taken.valueMm !== null && !/[a-z"′″]/i.test(taken.typed) ? `${taken.typed} mm` : taken.typed),
    taken.text !== taken.typed && taken.text,
  ]
    .filter(Boolean)
    .join(' ');
}

/** One thing to mark, measure, count or picture; at rebuild with what teardown found beside it. */
export function CaptureField({
  tag,
  zone,
  lengthDisplay,
  phase,
  stepId,
  partRef,
  capture,
  taken,
  before,
  canEdit,
}: Props) {
  const { run, error, isBusy } = useAct();
  const [typed, setTyped] = useDraft(`${tag}.${phase}.${capture.id}`);
  const [reason, setReason] = useState('');
  const [isChanging, setChanging] = useState(false);
  const waiting = useWaiting('record-capture', tag).find((one) => one.captureId === capture.id && one.phase === phase);
  const send = async (text: string, photoId: string | null = null) => {
    const answer = await run(
      'record-capture',
      { tag, phase, captureId: capture.id, typed: text, photoId, reason, basedOn: taken?.version ?? 0 },
      { label: `${capture.ask}: ${text || 'picture'}`, place: `${tag} ${phase} ${capture.id}` },
    );
    if (answer) {
      setTyped(null);
      setChanging(false);
    }
  };
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    void send(capture.kind === 'position' ? withLengthUnit(typed, lengthDisplay) : typed.trim());
  };
  const needsReason = Boolean(error && capture.agrees_with);
  const shown = taken && !isChanging;
  return (
    <div id={`capture-${capture.id}`} className="row py-3 first:border-0">
      <p className="mb-1">
        <b>{capture.ask}</b>{' '}
        <span className="text-13 text-quiet">
          {kindWords[capture.kind]}
          {capture.expect !== undefined && phase === 'teardown' && `, as a rule ${capture.expect}`}
        </span>
      </p>
      {before && (
        <p className="mb-1 text-13">
          At teardown: <b className="num">{saidOf(before)}</b> · {before.personName}, {sayMoment(before.at, zone)}
        </p>
      )}
      {shown && (
        <div className="flex flex-wrap items-center gap-3">
          {taken.photoId ? (
            <PhotoRow photos={[{ id: taken.photoId, caption: capture.ask }]} />
          ) : (
            <b className="num text-18">{saidOf(taken)}</b>
          )}
          <span className="text-13 text-quiet">
            {taken.personName}, {sayMoment(taken.at, zone)}
          </span>
          {canEdit && (
            <Button tone="quiet" onClick={() => setChanging(true)}>
              Change
            </Button>
          )}
        </div>
      )}
      {!shown && waiting && <p className="text-13">“{waiting.typed}” waits on this device.</p>}
      {!shown && canEdit && capture.kind === 'photo' && (
        <PictureTaker
          tag={tag}
          about={`step:${stepId}`}
          partRef={partRef}
          caption={capture.ask}
          onTaken={(photoId) => void send('', photoId)}
        />
      )}
      {!shown && canEdit && capture.choices && (
        <div role="group" aria-label={capture.ask} className="flex flex-wrap gap-2">
          {capture.choices.map((choice) => (
            <Button key={choice} disabled={isBusy} onClick={() => void send(choice)}>
              {choice}
            </Button>
          ))}
        </div>
      )}
      {!shown && canEdit && capture.kind !== 'photo' && !capture.choices && (
        <form onSubmit={submit} className="flex flex-wrap items-center gap-2">
          <input
            aria-label={capture.ask}
            value={typed}
            onChange={(event) => setTyped(event.target.value)}
            inputMode={capture.kind === 'match-mark' ? 'text' : 'decimal'}
            autoComplete="off"
            className={`field min-h-12 ${capture.kind === 'match-mark' ? 'max-w-[420px]' : 'num max-w-[170px] text-right text-18'}`}
          />
          {(capture.kind === 'position' || capture.unit) && (
            <span className="text-quiet">{capture.unit ?? lengthUnit(lengthDisplay)}</span>
          )}
          <Button type="submit" tone="main" disabled={isBusy}>
            Keep
          </Button>
          {before && capture.kind === 'position' && typed && (
            <span className="num text-13 text-quiet">
              {differenceOf(before, withLengthUnit(typed, lengthDisplay), capture.tolerance_mm ?? 0.5, lengthDisplay)}
            </span>
          )}
        </form>
      )}
      {needsReason && !shown && (
        <label className="mt-2 block text-13">
          It differs; the reason
          <input value={reason} onChange={(event) => setReason(event.target.value)} className="field mt-1" />
        </label>
      )}
      <ErrorNote error={error} />
    </div>
  );
}
