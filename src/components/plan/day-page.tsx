'use client';

import { Link } from '../ui/link';
import { useRouter } from 'next/navigation';
import {
  daySheetsOf,
  openDaysOf,
  sayWorked,
  type Afloat,
  type DayLine,
  type DaySheet,
  type PlanShown,
} from '@/core/workload';
import { Button } from '../ui/form';
import { Feeds, type FeedShown } from './feeds';
import { PlanLinks } from './plan-links';
import { dayWords } from './plan-words';
import { ListLink } from '../ui/list-link';

function LineRow({ line }: { readonly line: DayLine }) {
  return (
    <li className="row grid grid-cols-[124px_76px_1fr] items-baseline gap-x-3 py-2 first:border-0 lg:grid-cols-[124px_76px_150px_1fr_220px]">
      <span className="num font-bold">
        {line.from}–{line.to}
      </span>
      <Link href={`/jobs/${line.tag}`} className="num font-bold underline underline-offset-4">
        {line.tag}
      </Link>
      <b>{line.title}</b>
      <span className="col-span-3 lg:col-span-1">
        {line.pump} · {line.customer}
      </span>
      <span className="col-span-3 text-13 text-quiet lg:col-span-1">
        {line.beside.join(', ')}
        {line.lateDays > 0 && (
          <b className="text-jasper">
            {line.beside.length > 0 && ' · '}
            {line.lateDays} {line.lateDays === 1 ? 'day' : 'days'} late
          </b>
        )}
      </span>
    </li>
  );
}

/** One person's list; in print each begins on a page of its own. */
function Sheet({ sheet }: { readonly sheet: DaySheet }) {
  const minutes = sheet.lines.reduce((sum, line) => sum + line.minutes, 0);
  return (
    <section aria-label={sheet.name} className="break-inside-avoid border-t border-ink pt-2 print:break-after-page">
      <h2 className="flex items-baseline gap-x-3">
        <span className="text-18 font-bold">{sheet.name}</span>
        <span className="text-quiet">
          {sheet.away !== null
            ? `away: ${sheet.away}`
            : sheet.openMinutes
              ? `${sayWorked(minutes)} of ${sayWorked(sheet.openMinutes)}`
              : 'not there on this day'}
        </span>
      </h2>
      {sheet.lines.length > 0 ? (
        <ol>
          {sheet.lines.map((line) => (
            <LineRow key={`${line.tag} ${line.operation} ${line.from}`} line={line} />
          ))}
        </ol>
      ) : (
        sheet.openMinutes > 0 && <p className="py-2">Nothing is planned: what comes in next can be taken up at once.</p>
      )}
    </section>
  );
}

const kinds = { answer: 'answer', parts: 'parts', outside: 'back from outside', rest: 'ready by itself' } as const;

/** What is reckoned with on the day that takes no hand. */
function Expected({ afloat }: { readonly afloat: readonly Afloat[] }) {
  if (!afloat.length) return null;
  return (
    <section aria-label="Expected" className="border-t border-line pt-2">
      <h2 className="font-bold">Expected</h2>
      <ul className="flex flex-wrap gap-x-6">
        {afloat.map(({ tag, kind, title }) => (
          <li key={`${tag} ${title}`}>
            <span className="num font-bold">{tag}</span> {kinds[kind]}: {title.charAt(0).toLowerCase() + title.slice(1)}
          </li>
        ))}
      </ul>
    </section>
  );
}

interface Props {
  readonly shown: PlanShown;
  readonly feeds: readonly FeedShown[];
  /** ISO date; the next day on which there is something to do where it is none of the plan's. */
  readonly day: string;
  /** Id of the one person that is shown; empty for all. */
  readonly who: string;
}

/** The next day on which anybody has something to do: in the evening that is another day. */
const nextWorked = ({ board }: PlanShown, days: readonly string[]) =>
  days.find((day) =>
    board.some(({ kind, basins }) => kind === 'hand' && basins.some((one) => one.day === day && one.stones.length > 0)),
  );

const address = (day: string, who: string) =>
  `/plan/day?${new URLSearchParams({ ...(day && { day }), ...(who && { who }) }).toString()}`;

/** What each person does on a day, to be printed or read on the tablet. */
export function DayPage({ shown, feeds, day, who }: Props) {
  const router = useRouter();
  const days = openDaysOf(shown);
  const chosen = days.includes(day) ? day : (nextWorked(shown, days) ?? days[0] ?? shown.today);
  const all = daySheetsOf(shown, chosen);
  const sheets = who ? all.filter(({ id }) => id === who) : all;
  return (
    <div className="space-y-4 p-6 print:p-0">
      <div className="flex flex-wrap items-baseline gap-x-6 gap-y-1">
        <h1 className="text-24 font-bold">{dayWords(chosen)}</h1>
        <ListLink list="day" words="All days as CSV" />
        <PlanLinks className="ml-auto" />
      </div>
      <div className="flex flex-wrap items-end gap-3 print:hidden">
        <label className="text-13">
          <span className="mb-1 block text-quiet">Day</span>
          <select className="field" value={chosen} onChange={(event) => router.push(address(event.target.value, who))}>
            {days.map((one) => (
              <option key={one} value={one}>
                {dayWords(one)}
              </option>
            ))}
          </select>
        </label>
        <label className="text-13">
          <span className="mb-1 block text-quiet">Whose list</span>
          <select className="field" value={who} onChange={(event) => router.push(address(chosen, event.target.value))}>
            <option value="">everybody’s</option>
            {all.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        </label>
        <Button onClick={() => window.print()}>Print</Button>
      </div>
      {shown.fault !== null && <p role="alert">{shown.fault}</p>}
      {sheets.map((sheet) => (
        <Sheet key={sheet.id} sheet={sheet} />
      ))}
      <Expected afloat={shown.afloat.filter(({ untilDay }) => untilDay === chosen)} />
      <Feeds feeds={feeds} resources={shown.resources} />
    </div>
  );
}
