'use client';

import { useState, type KeyboardEvent } from 'react';
import type { Afloat, BoardRow, Stone } from '@/core/workload';
import { useRows } from '../ui/later';
import { Basin, shortTag, stoneKey } from './basin';
import { isArrow, nextOf } from './next-stone';
import { weekdayOf } from './plan-words';

export interface Held {
  readonly stone: Stone;
  readonly row: BoardRow;
  readonly day: string;
}

interface Props {
  readonly days: readonly string[];
  readonly today: string;
  readonly board: readonly BoardRow[];
  readonly afloat: readonly Afloat[];
  readonly lateTags: ReadonlySet<string>;
  readonly movedTags: ReadonlySet<string>;
  readonly held: Held | null;
  readonly onHold: (held: Held) => void;
  readonly onLower: (row: BoardRow, day: string) => void;
}

const letters = { answer: 'C', parts: 'P', outside: 'O', rest: 'R' } as const;

/** So many afloat of a day are shown: more would push the hands out of sight. */
const mostAfloat = 6;

/** What takes no hand: answers, parts, work outside, on the day until which it is reckoned with. */
function AfloatRow({ days, afloat }: Pick<Props, 'days' | 'afloat'>) {
  const [isWhole, setWhole] = useState(false);
  const byDay = days.map((day) => ({ day, own: afloat.filter(({ untilDay }) => untilDay === day) }));
  const isLong = byDay.some(({ own }) => own.length > mostAfloat);
  return (
    <>
      <div className="py-1 text-13">
        <b className="block text-15">Afloat</b>
        <span className="text-quiet">parts, answers, rest</span>
        {isLong && (
          <button
            type="button"
            aria-expanded={isWhole}
            onClick={() => setWhole(!isWhole)}
            className="block min-h-8 font-semibold underline underline-offset-4"
          >
            {isWhole ? 'fewer' : 'all of them'}
          </button>
        )}
      </div>
      {byDay.map(({ day, own }) => (
        <div key={day} className="flex flex-wrap content-start gap-0.5 py-1">
          {(isWhole ? own : own.slice(0, mostAfloat)).map(({ tag, kind, title }) => (
            <span
              key={`${tag} ${title}`}
              title={`${tag}: ${title}, reckoned with until ${day}`}
              className="pebbly border border-dashed border-slate px-1 text-[12px] leading-4"
            >
              <b>{letters[kind]}</b> <span className="num">{shortTag(tag)}</span>
            </span>
          ))}
          {!isWhole && own.length > mostAfloat && (
            <span className="text-[12px] leading-4 text-quiet">{own.length - mostAfloat} more</span>
          )}
        </div>
      ))}
      <div />
    </>
  );
}

/** An arrow key goes on to the stone that lies next that way. */
function goOn(event: KeyboardEvent<HTMLElement>): void {
  const here = event.target;
  if (!isArrow(event.key) || !(here instanceof HTMLElement) || !('stone' in here.dataset)) return;
  const others = [...event.currentTarget.querySelectorAll<HTMLElement>('[data-stone]')].filter((one) => one !== here);
  const places = others.map((one) => one.getBoundingClientRect());
  const next = nextOf(here.getBoundingClientRect(), places, event.key);
  if (next === null) return;
  event.preventDefault();
  others[next]?.focus();
}

/** Hands and places that a first screen shows. */
const rowsAtFirst = 8;

/** Days across, hands and places down; a day is a basin, its work lies in it as stones. */
export function PlanBoard({ days, today, board, afloat, lateTags, movedTags, held, onHold, onLower }: Props) {
  const columns = { gridTemplateColumns: `104px repeat(${days.length}, minmax(56px, 1fr)) 44px` };
  const isShutFor = (row: BoardRow) => held !== null && row.kind !== held.row.kind;
  const keys = board.flatMap(({ name, basins }) =>
    basins.flatMap(({ day, stones }) => (days.includes(day) ? stones.map((stone) => stoneKey(name, stone)) : [])),
  );
  const [last, setLast] = useState('');
  const reached = keys.includes(last) ? last : (keys[0] ?? '');
  const rows = useRows(board, rowsAtFirst);
  return (
    <div
      className="overflow-x-auto"
      role="region"
      aria-label="Plan by hands, places and days"
      tabIndex={0}
      onKeyDown={goOn}
    >
      <div className="grid min-w-[760px] items-end gap-x-1.5 gap-y-2" style={columns}>
        <div className="text-13 text-quiet">Hand or place</div>
        {days.map((day) => (
          <div key={day} className={`text-13 ${day === today ? 'border-b-3 border-jasper font-bold' : ''}`}>
            {weekdayOf(day)}
          </div>
        ))}
        <div className="text-right text-13 text-quiet">full</div>
        <AfloatRow {...{ days, afloat }} />
        {rows.map((row) => (
          <div key={row.id} className="contents" role="group" aria-label={row.name}>
            <div className="self-center text-13">
              <b className="block text-15 leading-tight">{row.name}</b>
              {row.kind === 'hand' && <span className="text-quiet">{row.skills.join(', ')}</span>}
            </div>
            {row.basins
              .filter(({ day }) => days.includes(day))
              .map((basin) => (
                <Basin
                  key={basin.day}
                  {...{ basin, lateTags, movedTags }}
                  resource={row.name}
                  chosen={held ? `${held.stone.tag} ${held.stone.operation}` : null}
                  isShut={isShutFor(row)}
                  {...{ reached, onReach: setLast }}
                  onChoose={(stone) => onHold({ stone, row, day: basin.day })}
                  onLower={() => onLower(row, basin.day)}
                />
              ))}
            <div className={`num self-center text-right text-13 ${(row.loadPct ?? 0) >= 90 ? 'font-bold' : ''}`}>
              {row.loadPct === null ? '' : `${row.loadPct} %`}
            </div>
          </div>
        ))}
      </div>
    </div>
  );
}
