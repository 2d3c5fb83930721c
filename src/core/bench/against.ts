import type { Family, StepAction } from '../family';
import type { BenchPhase, JobRecord } from '../record';
import type { Against } from './judge-answer';
import { findAction, latestAnswer } from './work';

interface Asked {
  readonly record: Pick<JobRecord, 'answers'>;
  readonly family: Pick<Family, 'teardown' | 'rebuild' | 'test' | 'puts_back'>;
  readonly phase: BenchPhase;
  readonly action: StepAction;
  /** The figure of a setting, reckoned. */
  readonly asked?: number | null;
}

/** What an answer is held against: the answer at teardown, and what the action that asked there said it should be. */
export function againstFor({ record, family, phase, action, asked = null }: Asked): Against {
  const form = action.answer;
  const before = form && 'agrees_with' in form ? form.agrees_with : undefined;
  if (before === undefined) return { phase, found: null, should: null, asked };
  const asker = findAction(family, 'teardown', before)?.action.answer;
  const should = !family.puts_back && asker && 'should' in asker ? (asker.should ?? null) : null;
  const found = latestAnswer(record, 'teardown', before);
  // What could not be seen at teardown holds nothing up at rebuild.
  return { phase, found: found?.state === 'done' ? found : null, should, asked };
}
