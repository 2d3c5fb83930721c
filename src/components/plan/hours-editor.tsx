'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { v4 as makeId } from 'uuid';
import { readHours, writeHours, type HandsShown } from '@/core/workload';
import { useAct } from '../act/use-act';
import { Button, ErrorNote, issueFor, TextField } from '../ui/form';
import { dayWords } from './plan-words';

const weekdays = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'] as const;

interface Props {
  /** Null for hours that are added. */
  readonly calendar: HandsShown['calendars'][number] | null;
  readonly today: string;
}

interface ClosedProps {
  readonly closed: readonly string[];
  readonly today: string;
  readonly onChange: (closed: readonly string[]) => void;
}

/** Days on which nobody of these hours is there: holidays, the day of the stocktaking. */
function ClosedDays({ closed, today, onChange }: ClosedProps) {
  const [day, setDay] = useState(today);
  return (
    <div>
      <p className="text-13 text-quiet">Days on which nobody is there</p>
      <ul className="flex flex-wrap gap-2">
        {closed
          .filter((one) => one >= today)
          .map((one) => (
            <li key={one} className="flex items-center gap-1 border border-line pl-2">
              {dayWords(one)}
              <button
                type="button"
                aria-label={`${dayWords(one)} is a day of work after all`}
                className="min-h-11 px-3"
                onClick={() => onChange(closed.filter((other) => other !== one))}
              >
                ×
              </button>
            </li>
          ))}
      </ul>
      <div className="mt-1 flex items-end gap-2">
        <TextField label="One more day" type="date" value={day} onChange={(event) => setDay(event.target.value)} />
        <Button disabled={!day || closed.includes(day)} onClick={() => onChange([...closed, day].sort())}>
          Add it
        </Button>
      </div>
    </div>
  );
}

/** Hours week by week: a line of text a day, read as it is typed. */
export function HoursEditor({ calendar, today }: Props) {
  const router = useRouter();
  const { run, error, isBusy } = useAct();
  const [id] = useState(() => calendar?.id ?? makeId());
  const [name, setName] = useState(calendar?.name ?? '');
  const [texts, setTexts] = useState(() => weekdays.map((_, i) => writeHours(calendar?.weekly ?? [], i + 1)));
  const [closed, setClosed] = useState<readonly string[]>(calendar?.closed ?? []);
  const read = texts.map((text, i) => readHours(text, i + 1));
  const faultOf = (i: number) => {
    const one = read[i];
    return one && 'fault' in one ? one.fault : undefined;
  };
  const isFaulty = read.some((one) => 'fault' in one);
  const keep = async () => {
    const weekly = read.flatMap((one) => ('fault' in one ? [] : one.map((span) => ({ ...span }))));
    const row = { id, basedOn: calendar?.version ?? 0, name, weekly, closed: [...closed] };
    if (await run('save-calendar', row)) router.refresh();
  };
  const form = (
    <div className="space-y-2">
      <TextField
        label="Name"
        value={name}
        error={issueFor(error, 'name')}
        onChange={(event) => setName(event.target.value)}
      />
      {weekdays.map((weekday, i) => (
        <label key={weekday} className="grid grid-cols-[110px_1fr] items-center gap-x-3">
          <span>{weekday}</span>
          <span>
            <input
              className="field w-full"
              value={texts[i] ?? ''}
              placeholder="nobody is there"
              onChange={(event) => setTexts(texts.with(i, event.target.value))}
            />
            {faultOf(i) && <span className="block text-13 font-semibold text-jasper">{faultOf(i)}</span>}
          </span>
        </label>
      ))}
      <ClosedDays {...{ closed, today }} onChange={setClosed} />
      <ErrorNote error={error} />
      <Button verb="save-calendar" tone="main" disabled={isBusy || isFaulty} onClick={() => void keep()}>
        Keep the hours
      </Button>
    </div>
  );
  if (calendar)
    return (
      <section aria-label={calendar.name} className="space-y-2">
        <h3 className="text-18 font-bold">{calendar.name}</h3>
        {form}
      </section>
    );
  return (
    <details>
      <summary className="min-h-11 cursor-pointer content-center font-bold">Other hours</summary>
      {form}
    </details>
  );
}
