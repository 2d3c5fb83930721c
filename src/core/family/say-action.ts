import type { AnswerForm, StepAction } from './format';

interface OpenWindow {
  readonly min?: number | undefined;
  readonly max?: number | undefined;
}

/** A window in words. @example sayWindow({ min: 100, max: 120 }, 'N·m') // '100 to 120 N·m' */
export function sayWindow({ min, max }: OpenWindow, unit: string): string {
  const end = unit && ` ${unit}`;
  if (min !== undefined && max !== undefined) return `${min} to ${max}${end}`;
  if (max !== undefined) return `at most ${max}${end}`;
  return min === undefined ? '' : `at least ${min}${end}`;
}

/** How an action stands in a list. */
export const actionTitle = (action: StepAction): string => action.title ?? action.do[0] ?? action.id;

function valueWords({ ask, unit, window, should, tolerance }: Extract<AnswerForm, { kind: 'value' }>): string {
  const right = should === undefined ? '' : `${should}${tolerance === undefined ? '' : ` ± ${tolerance}`} ${unit}`;
  const within = window ? sayWindow(window, unit) : right;
  return `${ask}, ${within ? `${within.trim()}` : unit}`;
}

/**
 * What an action asks, as a paper with empty boxes says it: the question, its unit or choices, what is right.
 * @returns null for an action that is ticked
 */
export function sayAsk({ answer }: StepAction): string | null {
  if (!answer) return null;
  switch (answer.kind) {
    case 'check':
      return `${answer.ask} (yes / no)`;
    case 'choice':
      return `${answer.ask} (${answer.choices.join(' / ')})${answer.should === undefined ? '' : `, must be ${answer.should}`}`;
    case 'count':
      return `${answer.ask}${answer.expect === undefined ? '' : `, must be ${answer.expect}`}`;
    case 'value':
      return valueWords(answer);
    case 'torque':
      return `Torque reached, ${sayWindow(answer.window_nm, 'N·m')}`;
    case 'turn':
      return `${answer.ask} (free and even / heavy and even / catches at / rubs / does not turn)`;
    case 'setting':
      return `${answer.title}, ${answer.unit}`;
    case 'kit':
      return `${answer.ask} (${answer.kits.map((kit) => kit.number).join(' / ')})`;
    case 'heat':
      return 'Room, and temperature reached, °C';
    case 'measure':
      return 'Points measured';
    case 'record':
      return `${answer.ask}: ${answer.columns.map(({ title, unit }) => (unit ? `${title}, ${unit}` : title)).join('; ')}`;
    default:
      return answer.ask;
  }
}
