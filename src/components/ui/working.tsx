'use client';

import type { WorkingStep } from '@/core/sums';
import { useFetched } from './use-fetched';
import { workingMark } from './working-mark';

interface Props {
  readonly steps: readonly WorkingStep[];
  readonly of: string;
}

/** The small "=" beside a computed figure: opens its steps, as in a careful engineer's notebook. */
export function Working({ steps, of }: Props) {
  const [Popover, ask] = useFetched<Props>(() => import('./working-popover').then((module) => module.WorkingPopover));
  if (!steps.length) return null;
  if (Popover) return <Popover steps={steps} of={of} />;
  return (
    <button
      type="button"
      aria-haspopup="dialog"
      aria-expanded={false}
      aria-label={`Working of ${of}`}
      className={workingMark}
      onClick={ask}
    >
      =
    </button>
  );
}
