import type { JobRecord } from '@/core/record';
import type { Family, StepAction } from '@/core/family';
import { workOf, type TypedRow } from '@/core/bench';
import type { Answer, BenchPhase } from '@/core/record';
import type { SheetProps } from '../job/view';

/** What is typed or chosen for an action before it is kept. */
export interface Entry {
  readonly typed: string;
  readonly setTyped: (text: string | null) => void;
  readonly passes: readonly string[];
  readonly setPasses: (passes: readonly string[]) => void;
  /** Rows of a record as typed. */
  readonly rows: readonly TypedRow[];
  readonly setRows: (rows: readonly TypedRow[]) => void;
  readonly ambient: string;
  readonly setAmbient: (text: string | null) => void;
}

/** What every kind of entry is given. */
export interface EntryProps<Form> {
  readonly form: Form;
  readonly action: StepAction;
  readonly view: SheetProps['view'];
  readonly phase: BenchPhase;
  readonly entry: Entry;
  readonly isBusy: boolean;
  /** Keeps what is typed, or the word given. */
  readonly onKeep: (typed?: string, photoId?: Answer['photoId']) => void;
}

/** What the same action of other members of the set was answered with, in this round. */
export function othersOf(record: JobRecord, family: Family, phase: BenchPhase, action: StepAction): readonly number[] {
  const { member } = action;
  if (!member) return [];
  const stem = action.id.slice(0, -`-${member.number}`.length);
  const ids = new Set(Array.from({ length: member.of }, (_, i) => `${stem}-${i + 1}`).filter((id) => id !== action.id));
  return workOf(record, family, phase).flatMap(({ actions }) =>
    actions.flatMap(({ answer }) =>
      answer && ids.has(answer.actionId) && answer.value !== null ? [answer.value] : [],
    ),
  );
}
