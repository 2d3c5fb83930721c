'use client';

import { Link } from '../ui/link';
import { useEffect, useState } from 'react';
import type { PromiseAnswered, PromiseShown } from '@/core/workload';
import { getData } from '../act/get-data';
import { TextField } from '../ui/form';
import { useKeys } from '../ui/use-keys';
import { dayWords } from './plan-words';

interface FamilyChoice {
  readonly id: string;
  readonly title: string;
}

const pebbles = 50;
const chanceNames = { 50: 'Even chance', 80: '4 of 5 times', 95: '19 of 20' } as const;
type Chance = keyof typeof chanceNames;
const chances = [50, 80, 95] as const satisfies readonly Chance[];

/** Fifty pebbles settle on the days on which the pump was ready: solid by the chosen day, hollow after it. */
function Pebbles({ answer, by }: { readonly answer: PromiseAnswered; readonly by: string }) {
  const each = answer.runs / pebbles;
  // Runs are cut into fifty in their order: a pebble lies on the day of its middle run.
  const days = answer.byDay.flatMap(({ day, runs }) => Array.from({ length: runs }, () => day));
  const lying = Array.from({ length: pebbles }, (_, k) => days[Math.floor((k + 0.5) * each)] ?? '');
  const columns = [...new Set(lying)];
  return (
    <ol className="flex items-end gap-1 overflow-x-auto border-b border-ink pb-1" aria-label="Runs by day">
      {columns.map((day) => {
        const count = lying.filter((one) => one === day).length;
        const isIn = day <= by;
        return (
          <li key={day} className="text-center" aria-label={`${dayWords(day)}: ${count} of ${pebbles}`}>
            <span aria-hidden="true" className="flex w-[38px] flex-wrap-reverse content-start justify-center gap-0.5">
              {Array.from({ length: count }, (_, k) => (
                <span
                  key={k}
                  className={`inline-block h-[11px] w-[15px] rounded-[50%_46%_52%_44%] border-[1.5px] ${isIn ? 'border-slate bg-slate' : 'border-jasper'}`}
                />
              ))}
            </span>
            <span className="block text-[11px] text-quiet">{dayWords(day).slice(4)}</span>
          </li>
        );
      })}
    </ol>
  );
}

interface WayProps {
  readonly title: string;
  readonly answer: PromiseAnswered;
  readonly chance: Chance;
  readonly isChosen: boolean;
  readonly onChoose: () => void;
  /** What it gains over the other way, in words. */
  readonly gain?: string;
}

const dateAt = ({ dates }: PromiseAnswered, chance: Chance) => dates.find(({ pct }) => pct === chance)?.date ?? '';

const dayMs = 86_400_000;

/** How much sooner a pump is ready that is put first, at a chance; where no chance is told another day, that. */
function gainWords(turn: PromiseAnswered, first: PromiseAnswered, chance: Chance): string {
  const daysAt = (pct: Chance) => (Date.parse(dateAt(turn, pct)) - Date.parse(dateAt(first, pct))) / dayMs;
  const days = daysAt(chance);
  if (days > 0) return `${days} ${days === 1 ? 'day' : 'days'} sooner, `;
  const isSoonerAtAll = chances.some((pct) => daysAt(pct) > 0);
  return isSoonerAtAll ? 'no sooner at this chance, ' : 'gains nothing: ready on the same days, ';
}

/** One way to take the pump in: in its turn, or first. */
function Way({ title, answer, chance, isChosen, onChoose, gain = '' }: WayProps) {
  const later = answer.makesLater.length;
  return (
    <section aria-label={title} className={`border-l-4 py-2 pl-4 ${isChosen ? 'border-ink' : 'border-transparent'}`}>
      <button type="button" aria-pressed={isChosen} className="min-h-11 text-left" onClick={onChoose}>
        <b className="text-18">{title}</b>{' '}
        <span className="ml-2">
          {gain}
          {later ? `makes ${later} ${later === 1 ? 'pump' : 'pumps'} later` : 'makes nobody later'}
        </span>
      </button>
      <Pebbles answer={answer} by={dateAt(answer, chance)} />
    </section>
  );
}

interface Asked {
  readonly familyId: string;
  readonly size: string;
  readonly comesOn: string;
}

interface Answers {
  readonly turn: PromiseShown;
  readonly first: PromiseShown;
}

/** How soon after a change it is asked, and how soon again where no answer came, in ms. */
const askAfterMs = 150;
const againAfterMs = 2000;

/** Both ways at once, asked anew a moment after something was changed, and again as long as no answer comes. */
function useAnswers({ familyId, size, comesOn }: Asked) {
  const [answers, setAnswers] = useState<Answers | null>(null);
  const [isLate, setLate] = useState(false);
  useEffect(() => {
    if (!familyId || !comesOn) return;
    const abort = new AbortController();
    const ask = (first: string) =>
      getData<PromiseShown>(
        `/api/plan/promise?${new URLSearchParams({ familyId, size, comesOn, first }).toString()}`,
        abort.signal,
      ).catch(() => null);
    let timer: ReturnType<typeof setTimeout>;
    const askBoth = async () => {
      const [turn, first] = await Promise.all([ask('no'), ask('yes')]);
      if (abort.signal.aborted) return;
      setLate(!turn || !first);
      if (turn && first) setAnswers({ turn, first });
      // A shop that is busy takes longer than it gives itself.
      else timer = setTimeout(() => void askBoth(), againAfterMs);
    };
    timer = setTimeout(() => {
      setAnswers(null);
      void askBoth();
    }, askAfterMs);
    return () => {
      clearTimeout(timer);
      abort.abort();
    };
  }, [familyId, size, comesOn]);
  return { answers, isLate };
}

/** Whom it makes later, the worst last promise first. */
function LaterList({ answer }: { readonly answer: PromiseAnswered }) {
  const broken = answer.makesLater.filter(({ breaks }) => breaks).length;
  return (
    <aside aria-label="Made later" className="min-w-0">
      <h2 className="border-b border-ink pb-1 font-bold">
        {answer.makesLater.length ? `It makes ${answer.makesLater.length} later` : 'It makes nobody later'}
      </h2>
      <ul>
        {answer.makesLater.slice(0, 8).map(({ tag, fromDay, toDay, promisedOn, breaks }) => (
          <li key={tag} className="border-b border-line py-1.5">
            <b className="num">{tag}</b>
            <span className="float-right text-13">
              {dayWords(fromDay)} → <b>{dayWords(toDay)}</b>
            </span>
            <span className={`block text-13 ${breaks ? 'font-semibold text-jasper' : 'text-quiet'}`}>
              {breaks ? 'its promise breaks: ' : 'promised '}
              {dayWords(promisedOn)}
            </span>
          </li>
        ))}
      </ul>
      {answer.makesLater.length > 0 && (
        <p className="mt-2 font-semibold">{broken ? `${broken} promises break.` : 'It breaks no promise.'}</p>
      )}
    </aside>
  );
}

/** While a caller waits: when, if it came on that day, with which chance, and what it costs the others. */
export function PromiseDesk({
  families,
  tomorrow,
}: {
  readonly families: readonly FamilyChoice[];
  readonly tomorrow: string;
}) {
  const [asked, setAsked] = useState<Asked>({ familyId: families[0]?.id ?? '', size: '', comesOn: tomorrow });
  const [chance, setChance] = useState<Chance>(80);
  const [isFirst, setFirst] = useState(false);
  const { answers, isLate } = useAnswers(asked);
  useKeys({
    '5': { says: 'the day for 50 of 100', act: () => setChance(50) },
    '8': { says: 'the day for 80 of 100', act: () => setChance(80) },
    '9': { says: 'the day for 95 of 100', act: () => setChance(95) },
    f: { says: 'put it first, or in its turn', act: () => setFirst(!isFirst) },
  });
  const [turn, first] = [answers?.turn.answer, answers?.first.answer];
  const chosen = isFirst ? first : turn;
  const date = chosen ? dateAt(chosen, chance) : '';
  const lacking = answers?.turn.lacking ?? [];
  return (
    <div className="space-y-4 p-6">
      <div className="flex flex-wrap items-baseline gap-x-6">
        <h1 className="text-24 font-bold">Promise desk</h1>
        <Link href="/plan" className="underline underline-offset-4">
          Plan
        </Link>
      </div>
      <div className="flex flex-wrap items-end gap-4">
        <label className="text-13">
          <span className="mb-1 block text-quiet">What is it</span>
          <select
            className="field"
            value={asked.familyId}
            onChange={(event) => setAsked({ ...asked, familyId: event.target.value })}
          >
            {families.map(({ id, title }) => (
              <option key={id} value={id}>
                {title}
              </option>
            ))}
          </select>
        </label>
        <TextField
          label="It comes on"
          type="date"
          value={asked.comesOn}
          onChange={(event) => setAsked({ ...asked, comesOn: event.target.value })}
        />
        <p className="text-13 text-quiet">keys: 5, 8, 9 the chance · f put it first</p>
      </div>
      {answers?.turn.fault && <p className="font-semibold text-jasper">{answers.turn.fault}</p>}
      {lacking.length > 0 && (
        <p className="font-semibold text-jasper">No plan yet: nobody is there for {lacking.join(', ')}.</p>
      )}
      {!answers && (
        <p role={isLate ? 'status' : undefined} className="text-quiet">
          {isLate ? 'No answer yet: the shop is busy, and is asked again.' : 'Reckoning …'}
        </p>
      )}
      {turn && first && chosen && (
        <>
          <div className="grid gap-6 lg:grid-cols-[1fr_300px]">
            <div className="min-w-0 space-y-3">
              <Way
                title="In its turn"
                answer={turn}
                {...{ chance }}
                isChosen={!isFirst}
                onChoose={() => setFirst(false)}
              />
              <Way
                title="Put first"
                answer={first}
                gain={gainWords(turn, first, chance)}
                {...{ chance }}
                isChosen={isFirst}
                onChoose={() => setFirst(true)}
              />
            </div>
            <LaterList answer={chosen} />
          </div>
          <div className="grid gap-6 border-t-2 border-ink bg-sand p-4 lg:grid-cols-[1fr_300px]">
            <p className="text-24" role="status">
              “If it reaches us on {dayWords(asked.comesOn)}, it will be ready to leave us on <b>{dayWords(date)}</b>.
              That is the day I can promise{chance > 50 ? '; it may well be ready sooner' : ''}.”
            </p>
            <div className="space-y-2">
              <div className="flex gap-2" role="group" aria-label="With which chance">
                {chances.map((pct) => (
                  <button
                    key={pct}
                    type="button"
                    aria-pressed={chance === pct}
                    className={`pebbly min-h-12 flex-1 px-1 text-13 ${chance === pct ? 'border-3 border-ink bg-sheet font-bold' : 'border border-slate'}`}
                    onClick={() => setChance(pct)}
                  >
                    {chanceNames[pct]}
                    <span className="block font-semibold">{dayWords(dateAt(chosen, pct))}</span>
                  </button>
                ))}
              </div>
              <Link
                href={`/receive?family=${asked.familyId}&promised=${date}`}
                data-next
                className="pebbly flex min-h-12 items-center justify-center border border-ink bg-ink px-4 font-semibold text-onink"
              >
                Promise {dayWords(date)}
              </Link>
            </div>
          </div>
        </>
      )}
    </div>
  );
}
