'use client';

import type { Basin as BasinData, Stone } from '@/core/workload';

/** How deep a basin of eight hours is, in pixels, and the least that a stone is tall. */
const depthOf = (openMinutes: number) => Math.round(Math.min(64, Math.max(26, (openMinutes / 480) * 60)));
const leastStone = 15;

const tones = ['#dfe6ea', '#dfe7d6', '#f0dcb4', '#eaddea', '#e9e3d6', '#d8e6e8'] as const;
/** One tone for a pump’s whole stay: by its number. */
export const toneOf = (tag: string) => tones[Number(tag.replace(/\D/g, '')) % tones.length] ?? tones[0];
export const shortTag = (tag: string) => tag.replace(/^P-0*/, '');

interface StoneProps {
  readonly stone: Stone;
  readonly resource: string;
  readonly day: string;
  readonly isLate: boolean;
  readonly isMoved: boolean;
  readonly isChosen: boolean;
  readonly height: number;
  /** Two lie in a course. */
  readonly isHalf: boolean;
  /** Of all stones of a board one is reached by the tab key; arrows go on from it. */
  readonly isReached: boolean;
  readonly onReach: () => void;
  readonly onChoose: () => void;
}

/** Work on a day: its height is its minutes. */
function StoneButton(props: StoneProps) {
  const { stone, resource, day, isLate, isMoved, isChosen, height, isHalf, isReached, onReach, onChoose } = props;
  const { tag, title, from, to, beside, isWished } = stone;
  const where = [resource, ...beside].join(', ');
  const signs = [
    isHalf ? 'w-1/2 px-0' : [],
    isMoved ? 'border-3 border-ink' : [],
    isLate ? 'bg-jasper font-bold text-onink' : [],
    isChosen ? 'outline-3 outline-offset-1 outline-lake' : [],
  ].flat();
  return (
    <button
      type="button"
      draggable
      data-stone=""
      tabIndex={isReached ? 0 : -1}
      onFocus={onReach}
      aria-pressed={isChosen}
      aria-label={`${tag} ${title.toLowerCase()}, ${where}, ${day}, ${from} to ${to}${isMoved ? ', would move' : ''}${isWished ? ', as wished' : ''}`}
      title={`${tag} ${title}, ${from} to ${to}, ${where}`}
      className={['stone pebbly', ...signs].join(' ')}
      style={{ height, ...(!isLate && { background: toneOf(tag) }) }}
      onClick={onChoose}
      onDragStart={(event) => {
        event.dataTransfer.setData('text/plain', `${tag} ${stone.operation}`);
        event.dataTransfer.effectAllowed = 'move';
        onChoose();
      }}
    >
      <span className="num">{shortTag(tag)}</span>
      {height > 26 && !isHalf && <span className="block truncate pt-0.5 text-[11px]">{title.toLowerCase()}</span>}
    </button>
  );
}

interface Props {
  readonly basin: BasinData;
  readonly resource: string;
  readonly lateTags: ReadonlySet<string>;
  readonly movedTags: ReadonlySet<string>;
  /** Tag and operation of the stone that is held. */
  readonly chosen: string | null;
  readonly isShut: boolean;
  /** The stone that the tab key reaches; the first of the board where none was reached yet. */
  readonly reached: string;
  readonly onReach: (stone: string) => void;
  readonly onChoose: (stone: Stone) => void;
  readonly onLower: () => void;
}

/** A stone by itself: the same work lies in the basin of its hand and of its place. */
export const stoneKey = (resource: string, { tag, operation, from }: Stone) =>
  `${resource} ${tag} ${operation} ${from}`;

/** A day of a hand or a place: its depth is the hours that it is open, the first work lies lowest. */
export function Basin(props: Props) {
  const { basin, resource, lateTags, movedTags, chosen, isShut, reached, onReach, onChoose, onLower } = props;
  const { openMinutes, away, stones, day } = basin;
  if (away !== null)
    return (
      <div className="flex h-full min-h-8 items-end justify-center border-b border-dotted border-slate pb-1 text-13 italic text-quiet">
        {away.length > 12 ? `${away.slice(0, 11)}…` : away}
      </div>
    );
  if (!openMinutes) return <div aria-hidden="true" className="h-full" />;
  const depth = depthOf(openMinutes);
  const worked = stones.reduce((sum, { minutes }) => sum + minutes, 0);
  const room = depth - 4;
  // Many small stones lie two in a course, the first at the left.
  const abreast = stones.length > 3 ? 2 : 1;
  const courses = Math.ceil(stones.length / abreast);
  const least = Math.min(leastStone, room / Math.max(1, courses));
  const heightOf = (minutes: number) => Math.max(least, (minutes / Math.max(openMinutes, worked)) * room);
  const over = Math.max(1, stones.reduce((sum, { minutes }) => sum + heightOf(minutes), 0) / abreast / room);
  return (
    <div
      className={`border-x border-b border-slate bg-sheet p-px ${abreast > 1 ? 'flex flex-wrap-reverse content-start gap-y-px' : 'flex flex-col-reverse gap-px'} ${isShut ? 'opacity-40' : ''}`}
      style={{ height: depth }}
      onDragOver={(event) => {
        if (!isShut) event.preventDefault();
      }}
      onDrop={(event) => {
        event.preventDefault();
        if (!isShut) onLower();
      }}
    >
      {stones.map((stone) => (
        <StoneButton
          key={`${stone.tag} ${stone.operation} ${stone.from}`}
          {...{ stone, resource, day }}
          isLate={lateTags.has(stone.tag)}
          isMoved={movedTags.has(stone.tag)}
          isChosen={chosen === `${stone.tag} ${stone.operation}`}
          height={abreast > 1 ? Math.floor(room / courses) : heightOf(stone.minutes) / over}
          isHalf={abreast > 1}
          isReached={reached === stoneKey(resource, stone)}
          onReach={() => onReach(stoneKey(resource, stone))}
          onChoose={() => onChoose(stone)}
        />
      ))}
    </div>
  );
}
