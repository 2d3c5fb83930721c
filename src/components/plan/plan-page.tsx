'use client';

import { Later } from '../ui/later';
import { ofText } from '../ui/of-text';
import { Link } from '../ui/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import {
  openDaysOf,
  type BoardRow,
  type PlanDrawn,
  type PlanShown,
  type PlanTried,
  type PumpShown,
} from '@/core/workload';
import { getData } from '../act/get-data';
import { useKeys } from '../ui/use-keys';
import { AwayForm } from './away-form';
import { PlanBoard, type Held } from './plan-board';
import { PlanReckoning } from './plan-reckoning';
import { PlanLinks } from './plan-links';
import { dayWords, limitWords } from './plan-words';
import { TryBar, type Try } from './try-bar';
import { useWeigh, WeighBar } from './weigh-bar';

const mostDays = 10;

type OnWeigh = (pump: PumpShown) => void;

/** A pump that will be late, when it is ready, and the one thing that limits it. */
function LatePump({ pump, onWeigh }: { readonly pump: PumpShown; readonly onWeigh: OnWeigh }) {
  return (
    <li className="border-b border-line py-2">
      <p className="flex items-baseline gap-2">
        <Link href={`/jobs/${pump.tag}`} className="num font-bold underline underline-offset-4">
          {pump.tag}
        </Link>
        <span className="ml-auto text-13 font-semibold text-jasper">
          {pump.lateDays} {pump.lateDays === 1 ? 'day' : 'days'} late
        </span>
      </p>
      <p className="text-13">
        {pump.pump} · {pump.customer}
      </p>
      <p className="text-13">
        Ready {dayWords(pump.plannedOn)}, promised {dayWords(pump.promisedOn)}; likely {dayWords(pump.range.likely)},
        late {dayWords(pump.range.late)}. {limitWords(pump)}.
      </p>
      <button
        type="button"
        aria-label={`${pump.weight > 1 ? 'In its turn again' : 'What if it came first'}: ${pump.tag}`}
        className="min-h-9 text-13 underline underline-offset-4"
        onClick={() => onWeigh(pump)}
      >
        {pump.weight > 1 ? 'goes before the others; in its turn again?' : 'what if it came first?'}
      </button>
    </li>
  );
}

/** Late pumps first; then those whose promise hangs on luck. */
function PumpList({ pumps, onWeigh }: { readonly pumps: readonly PumpShown[]; readonly onWeigh: OnWeigh }) {
  const late = pumps.filter(({ lateDays }) => lateDays > 0).toSorted((a, b) => b.lateDays - a.lateDays);
  const narrow = pumps.filter(({ lateDays, keptPct }) => lateDays === 0 && keptPct < 80);
  return (
    <aside aria-label="Late pumps" className="min-w-0">
      <h2 className="border-b border-ink pb-1 font-bold">
        {late.length ? `${late.length} late` : 'Nobody is late'}{' '}
        <span className="font-normal text-quiet">of {pumps.length} with work ahead</span>
      </h2>
      <ul>
        {late.slice(0, 6).map((pump) => (
          <LatePump key={pump.tag} pump={pump} onWeigh={onWeigh} />
        ))}
      </ul>
      {late.length > 6 && <p className="py-1 text-13 text-quiet">and {late.length - 6} more, on the floor</p>}
      {narrow.length > 0 && (
        <>
          <h2 className="mt-3 border-b border-ink pb-1 font-bold">No day to spare</h2>
          <ul>
            {narrow.slice(0, 6).map(({ tag, keptPct, promisedOn }) => (
              <li key={tag} className="flex gap-2 border-b border-line py-1 text-13">
                <Link href={`/jobs/${tag}`} className="num font-bold whitespace-nowrap underline underline-offset-4">
                  {tag}
                </Link>
                <span className="ml-auto">
                  kept {keptPct} times of 100, promised {dayWords(promisedOn)}
                </span>
              </li>
            ))}
          </ul>
        </>
      )}
    </aside>
  );
}

/** What a plan lacks before it can be drawn up. */
function Lacking({ lacking }: Pick<PlanShown, 'lacking'>) {
  return (
    <div className="p-6">
      <h1 className="text-24 font-bold">No plan yet</h1>
      <p className="mt-2">Work is ahead for which there is nobody and no place:</p>
      <ul className="list-disc pl-6">
        {lacking.map((skill) => (
          <li key={skill}>{skill}</li>
        ))}
      </ul>
      <p className="mt-2 text-quiet">People get the skills of their role when they are added to the library.</p>
    </div>
  );
}

interface Tried {
  readonly change: Try;
  readonly plan: PlanTried;
}

/** The state of a try: what is held, what the plan would be with it. */
function useTry() {
  const [held, setHeld] = useState<Held | null>(null);
  const [tried, setTried] = useState<Tried | null>(null);
  const [isReckoning, setReckoning] = useState(false);
  const back = () => {
    setHeld(null);
    setTried(null);
  };
  const attempt = async (wish: Try) => {
    setReckoning(true);
    const change = JSON.stringify({ kind: 'wish', wish });
    const plan = await getData<PlanTried>(`/api/plan/try?change=${encodeURIComponent(change)}`);
    setReckoning(false);
    if (plan) setTried({ change: wish, plan });
  };
  useKeys({ Escape: { says: 'leave the try, back to the plan', act: back } });
  return { held, setHeld, tried, isReckoning, back, attempt };
}

/** The plan: hands and places over days, what would change by a try, who is late and why. */
export function PlanPage({ shown }: { readonly shown: PlanShown }) {
  const router = useRouter();
  const { held, setHeld, tried, isReckoning, back, attempt } = useTry();
  const weighing = useWeigh();
  if (shown.lacking.length) return <Lacking lacking={shown.lacking} />;
  if (shown.fault !== null)
    return (
      <div className="space-y-3 p-6">
        <h1 className="text-24 font-bold">No plan yet</h1>
        <p role="alert">{shown.fault}</p>
        <AwayForm shown={shown} />
      </div>
    );
  const view: PlanDrawn = tried?.plan ?? weighing.plan ?? shown;
  const days = openDaysOf(view).slice(0, mostDays);
  const lateTags = new Set(view.pumps.filter(({ lateDays }) => lateDays > 0).map(({ tag }) => tag));
  const movedTags = new Set((tried?.plan ?? weighing.plan)?.moved.map(({ tag }) => tag));
  const lower = ({ id }: BoardRow, day: string) => {
    if (!held) return;
    const { tag, operation } = held.stone;
    void attempt({ tag, operation, resourceId: id, notBefore: day });
  };
  const narrowest = view.board
    .filter(({ loadPct }) => loadPct !== null)
    .toSorted((a, b) => (b.loadPct ?? 0) - (a.loadPct ?? 0))[0];
  return (
    <div>
      <div className="space-y-3 p-6">
        <div className="flex flex-wrap items-baseline gap-x-6 gap-y-1">
          <h1 className="text-24 font-bold">Plan</h1>
          <p className="font-semibold">{tried || weighing.plan ? 'A try, not kept yet' : 'As it stands'}</p>
          {narrowest && (
            <p className="text-quiet">
              narrowest: {narrowest.name}, {narrowest.loadPct} % full in two weeks
            </p>
          )}
          <PlanLinks className="ml-auto" />
        </div>
        <div className="grid gap-6 xl:grid-cols-[1fr_280px]">
          <PlanBoard
            {...{ days, lateTags, movedTags, held }}
            today={shown.today}
            board={view.board}
            afloat={view.afloat}
            onHold={(stone) => {
              weighing.back();
              setHeld(stone);
            }}
            onLower={lower}
          />
          <PumpList
            pumps={view.pumps}
            onWeigh={({ tag }) => {
              back();
              // What stands is what it is held against, not another try.
              const standing = shown.pumps.find((pump) => pump.tag === tag);
              if (standing) weighing.weigh(standing);
            }}
          />
        </div>
        <PlanReckoning shown={shown} />
        <Later height={330}>
          <AwayForm shown={shown} />
        </Later>
      </div>
      {weighing.pump && (
        <WeighBar
          key={weighing.pump.tag}
          pump={weighing.pump}
          weight={weighing.weight}
          plan={weighing.plan}
          isNone={weighing.isNone}
          onBack={weighing.back}
          onKept={() => {
            weighing.back();
            router.refresh();
          }}
        />
      )}
      {held && (
        <TryBar
          key={`${held.stone.tag} ${held.stone.operation} ${tried?.change.resourceId ?? ''} ${tried?.change.notBefore ?? ''}`}
          {...{ held, shown, isReckoning }}
          tried={tried && { change: tried.change, moved: tried.plan.moved }}
          onTry={(change) => void attempt(change)}
          onBack={back}
          onKept={() => {
            back();
            router.refresh();
          }}
        />
      )}
    </div>
  );
}

export const PlanPageOfText = ofText(PlanPage);
