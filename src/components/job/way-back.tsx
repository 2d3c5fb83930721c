'use client';

import type { FormEvent } from 'react';
import { isWayBack, moves, personalMoves } from '@/core/lifecycle/transition';
import { stationNames, type JobRecord } from '@/core/record';
import { useAct } from '../act/use-act';
import { Button, ErrorNote, issueFor, SelectField, TextField } from '../ui/form';
import { textOf } from '../ui/form-data';
import { SidePanel } from '../ui/side-panel';

/** From the return a repaired pump goes back to its report, another to its quote; none once it is released. */
const isFor = ({ outcome, returned }: JobRecord, event: string) =>
  (event !== 'reopen-report' || (outcome === 'repaired' && !returned)) &&
  (event !== 'reopen-declined' || (outcome !== 'repaired' && !returned));
const backFrom = (record: JobRecord) =>
  personalMoves.filter(
    (event) => isWayBack(event) && moves[event].from.includes(record.station) && isFor(record, event),
  );

function WayBackForm({ record }: { readonly record: JobRecord }) {
  const { run, error, isBusy } = useAct();
  const events = backFrom(record);
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const data = new FormData(event.currentTarget);
    const move = events.find((one) => one === textOf(data, 'event'));
    if (move) void run('advance-job', { tag: record.tag, event: move, reason: textOf(data, 'reason') });
  };
  const [first] = events;
  return (
    <form onSubmit={submit} className="space-y-3">
      <p className="text-13 text-quiet">
        {record.tag} stands at {stationNames[record.station]}. Everything that was recorded stays.
      </p>
      <SelectField label="Where to" name="event" defaultValue={first}>
        {events.map((event) => (
          <option key={event} value={event}>
            {moves[event].words}
          </option>
        ))}
      </SelectField>
      <TextField label="Why" name="reason" required error={issueFor(error, 'reason')} />
      <ErrorNote error={error} />
      <Button verb={`advance-job:${first}`} type="submit" tone="main" disabled={isBusy}>
        Take it back
      </Button>
    </form>
  );
}

/** The way back to the station before, with a reason; nothing where there is none. */
export function WayBack({ record }: { readonly record: JobRecord }) {
  if (record.closedAt || record.hold || !backFrom(record).length) return null;
  return (
    <SidePanel label="Way back" title={`Take ${record.tag} back`}>
      <WayBackForm key={record.station} record={record} />
    </SidePanel>
  );
}
