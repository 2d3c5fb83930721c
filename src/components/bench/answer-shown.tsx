import type { Answer } from '@/core/record';
import { PhotoRow } from '../job/picture-taker';
import { sayMoment } from '../job/view';
import { Button } from '../ui/form';

/** What was answered, in words. @example sayAnswer({ typed: '112', unit: 'N·m' }) // '112 N·m' */
export function sayAnswer({ state, typed, unit, value, data, photoId }: Answer): string {
  if (state === 'not possible') return `not possible: ${data.reason ?? ''}`;
  const isBare = unit !== '' && !/[^\d.,\s-]/.test(typed);
  const words = typed ? `${typed}${isBare ? ` ${unit}` : ''}` : value === null ? '' : `${value} ${unit}`;
  return words || (photoId ? 'picture' : 'done');
}

/** What stands at an action: the answer, who gave it, and the way to change it. */
export function AnswerShown({
  answer,
  zone,
  canChange,
  onChange,
}: {
  readonly answer: Answer;
  readonly zone: string;
  readonly canChange: boolean;
  readonly onChange: () => void;
}) {
  const { at, personName, conceded, data, photoId } = answer;
  return (
    <div className="flex flex-wrap items-center gap-3 border-l-4 border-moss bg-sheet px-3 py-2">
      {photoId && <PhotoRow photos={[{ id: photoId, caption: '' }]} />}
      <b className="num text-18">{sayAnswer(answer)}</b>
      <span className="text-13 text-quiet">
        {at ? `${personName}, ${sayMoment(at, zone)}` : 'waits on this device'}
        {data.consumable && `, with ${data.consumable}`}
        {conceded && `, conceded: ${data.reason ?? ''}`}
      </span>
      {canChange && (
        <Button tone="quiet" className="ml-auto" onClick={onChange}>
          Change
        </Button>
      )}
    </div>
  );
}
