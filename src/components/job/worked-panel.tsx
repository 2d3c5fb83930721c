'use client';

import { useEffect, useState, type FormEvent } from 'react';
import { stationNames } from '@/core/record';
import { sayWorked, workStations, type WorkStation } from '@/core/workload';
import { getData } from '../act/get-data';
import { useAct } from '../act/use-act';
import { Button, ErrorNote, issueFor, SelectField, TextField } from '../ui/form';
import { oneOf, textOf } from '../ui/form-data';
import { sayMoment, type JobView } from './view';

interface Piece {
  readonly id: string;
  readonly station: string;
  readonly personName: string;
  readonly startedAt: string;
  readonly minutes: number;
  /** What the bench had taken, where somebody corrected it. */
  readonly taken: number | null;
  readonly reason: string;
  readonly correctedBy: string | null;
  readonly version: number;
}

interface WorkedShown {
  readonly zone: string;
  readonly people: readonly { readonly id: string; readonly name: string }[];
  readonly stations: readonly {
    readonly station: WorkStation;
    readonly minutes: number;
    readonly standard: number;
  }[];
  readonly pieces: readonly Piece[];
}

const minutesIn = (data: FormData) => {
  const text = textOf(data, 'minutes').trim();
  return text ? Number(text.replace(',', '.')) : Number.NaN;
};

interface StationLineProps {
  readonly at: WorkedShown['stations'][number];
  /** The minutes at the right end of the line. */
  readonly most: number;
}

/** Worked beside usual on one line: what was worked filled in, the usual minutes as a mark. */
function StationLine({ at: { station, minutes, standard }, most }: StationLineProps) {
  const isOver = standard > 0 && minutes > standard * 1.25;
  const share = (of: number) => `${(100 * of) / most}%`;
  return (
    <li className="row grid grid-cols-[84px_1fr_150px] items-center gap-x-3 py-1 first:border-0">
      <span>{stationNames[station]}</span>
      <span aria-hidden className="relative h-4 border-b border-line">
        <span
          className={`absolute bottom-0 left-0 h-2 ${isOver ? 'bg-ochre' : 'bg-moss'}`}
          style={{ width: share(minutes) }}
        />
        <span className="absolute bottom-0 h-4 w-0.5 bg-ink" style={{ left: share(standard) }} />
      </span>
      <span className="num text-right text-13">
        <b>{sayWorked(minutes)}</b> of {standard ? sayWorked(standard) : 'no set time'}
      </span>
    </li>
  );
}

function CorrectForm({ piece, onDone }: { readonly piece: Piece; readonly onDone: () => void }) {
  const { run, error, isBusy } = useAct();
  const submit = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const data = new FormData(event.currentTarget);
    const { id, version: basedOn } = piece;
    const done = await run('correct-worked', { id, basedOn, minutes: minutesIn(data), reason: textOf(data, 'reason') });
    if (done) onDone();
  };
  return (
    <form onSubmit={submit} className="my-2 grid grid-cols-[110px_1fr_auto] items-end gap-2" noValidate>
      <TextField
        label="Minutes"
        name="minutes"
        inputMode="numeric"
        defaultValue={String(piece.minutes)}
        error={issueFor(error, 'minutes')}
      />
      <TextField label="Why" name="reason" error={issueFor(error, 'reason')} />
      <Button verb="correct-worked" type="submit" disabled={isBusy}>
        Correct
      </Button>
      <div className="col-span-3">
        <ErrorNote error={error} />
      </div>
    </form>
  );
}

interface PieceLineProps {
  readonly piece: Piece;
  readonly zone: string;
  readonly onDone: () => void;
}

function PieceLine({ piece, zone, onDone }: PieceLineProps) {
  const [isOpen, setOpen] = useState(false);
  const { taken, correctedBy, reason } = piece;
  return (
    <li className="row py-1 first:border-0">
      <button
        type="button"
        aria-expanded={isOpen}
        onClick={() => setOpen(!isOpen)}
        className="grid min-h-11 w-full grid-cols-[84px_1fr_72px] items-center gap-x-3 text-left"
      >
        <span>{stationNames[oneOf(workStations, piece.station)]}</span>
        <span>
          {piece.personName} <span className="text-13 text-quiet">{sayMoment(piece.startedAt, zone)}</span>
        </span>
        <b className="num text-right">{sayWorked(piece.minutes)}</b>
      </button>
      {reason && (
        <p className="text-13 text-quiet">
          {taken === null ? 'written down' : `the bench took ${sayWorked(taken)}; corrected`} by {correctedBy}: {reason}
        </p>
      )}
      {isOpen && <CorrectForm piece={piece} onDone={onDone} />}
    </li>
  );
}

interface AddFormProps extends Pick<WorkedShown, 'people'> {
  readonly view: JobView;
  readonly onDone: () => void;
}

function AddForm({ view, people, onDone }: AddFormProps) {
  const { run, error, isBusy } = useAct();
  const { tag, station: here } = view.record;
  const submit = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = event.currentTarget;
    const data = new FormData(form);
    const done = await run('add-worked', {
      ...{ tag, station: oneOf(workStations, textOf(data, 'station')), personId: textOf(data, 'person') },
      ...{ day: textOf(data, 'day'), reason: textOf(data, 'reason'), minutes: minutesIn(data) },
    });
    if (!done) return;
    form.reset();
    onDone();
  };
  return (
    <form onSubmit={submit} className="space-y-2 border-t border-line pt-3" noValidate>
      <h3 className="font-semibold">Work that no tablet saw</h3>
      <div className="grid grid-cols-2 gap-2">
        <SelectField label="Who" name="person" defaultValue={view.person.personId}>
          {people.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </SelectField>
        <SelectField label="At" name="station" defaultValue={workStations.find((one) => one === here) ?? 'rebuild'}>
          {workStations.map((station) => (
            <option key={station} value={station}>
              {stationNames[station]}
            </option>
          ))}
        </SelectField>
        <TextField label="Day" name="day" type="date" defaultValue={view.today} error={issueFor(error, 'day')} />
        <TextField label="Minutes" name="minutes" inputMode="numeric" error={issueFor(error, 'minutes')} />
      </div>
      <TextField label="What was done" name="reason" error={issueFor(error, 'reason')} />
      <ErrorNote error={error} />
      <Button verb="add-worked" type="submit" disabled={isBusy}>
        Write it down
      </Button>
    </form>
  );
}

/** The minutes that a pump took, by station beside what its family reckons, and piece by piece; each can be corrected. */
export function WorkedPanel({ view }: { readonly view: JobView }) {
  const { tag } = view.record;
  const [shown, setShown] = useState<WorkedShown | 'lost' | null>(null);
  const [turn, setTurn] = useState(0);
  useEffect(() => {
    const abort = new AbortController();
    getData<WorkedShown>(`/api/worked/${tag}`, abort.signal).then(
      (found) => setShown(found ?? 'lost'),
      () => !abort.signal.aborted && setShown('lost'),
    );
    return () => abort.abort();
  }, [tag, turn]);
  if (shown === 'lost') return <p role="alert">The hours cannot be read just now. Close this and try again.</p>;
  if (!shown) return <p role="status">Reading the hours …</p>;
  const most = Math.max(60, ...shown.stations.flatMap(({ minutes, standard }) => [minutes, standard])) * 1.05;
  const again = () => setTurn(turn + 1);
  return (
    <div className="space-y-4">
      <p className="text-13 text-quiet">
        The bench takes the minutes from when somebody turns to a pump until the entry is made. The line is what was
        worked, the mark what the family reckons.
      </p>
      <ul aria-label="By station">
        {shown.stations.map((at) => (
          <StationLine key={at.station} at={at} most={most} />
        ))}
      </ul>
      <ul aria-label="Piece by piece" className="border-t border-line">
        {shown.pieces.map((piece) => (
          <PieceLine key={`${piece.id} ${piece.version}`} piece={piece} zone={shown.zone} onDone={again} />
        ))}
      </ul>
      {!shown.pieces.length && <p>No work was timed yet.</p>}
      <AddForm view={view} people={shown.people} onDone={again} />
    </div>
  );
}
