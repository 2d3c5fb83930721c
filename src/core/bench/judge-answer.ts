import type { Reason as Fault } from '../errors';
import type { AnswerForm, FormOf } from '../family';
import { isPlausible, plausibleBand } from './plausible';
import { readValue } from './read-value';

export const turnGrades = ['free and even', 'heavy and even', 'rubs on push', 'does not turn'] as const;
/** “catches at 4”: the clock place, seen from the drive end. */
const catches = /^catches at (1[0-2]|[1-9])$/;
export const markAnswers = ['in line', 'not in line'] as const;

/** What is answered where the tag of the kit is gone. */
export const kitByPlate = 'by model and serial number';

/** What an answer is held against, beside the file. */
export interface Against {
  readonly phase: 'teardown' | 'rebuild' | 'test';
  /** The answer at teardown that it must agree with, where there is one. */
  readonly found: { readonly typed: string; readonly value: number | null } | null;
  /** How it should be by the action that asked at teardown; what is left is held against it before what was found. */
  readonly should: string | number | null;
  /** The figure that a setting asks for, or judges; null where it cannot be reckoned yet. */
  readonly asked: number | null;
}

export interface Judged {
  readonly typed: string;
  readonly value: number | null;
  readonly unit: string;
  /** Why it cannot be taken at all. */
  readonly refused: Fault | null;
  /** Why it is not right, where it can be taken. */
  readonly wrong: Fault | null;
}

const word = (typed: string): Judged => ({ typed, value: null, unit: '', refused: null, wrong: null });
const refusing = (typed: string, refused: Fault): Judged => ({ ...word(typed), refused });

function judgeCheck(form: FormOf<'check'>, typed: string): Judged {
  if (typed !== 'yes' && typed !== 'no') return refusing(typed, { code: 'not-yes-or-no', about: { ask: form.ask } });
  if (typed === form.right) return word(typed);
  return { ...word(typed), wrong: { code: 'check-wrong', about: { ask: form.ask, typed, means: form.means ?? '' } } };
}

function judgeChoice(form: FormOf<'choice'>, typed: string, { should, found }: Against): Judged {
  const { ask, choices, axis, means = '' } = form;
  if (!choices.includes(typed)) return refusing(typed, { code: 'not-a-choice', about: { choices } });
  const right = form.should ?? (typeof should === 'string' ? should : null);
  if (axis !== undefined && right !== null && typed !== right)
    return { ...word(typed), wrong: { code: 'built-otherwise', about: { ask, typed, received: right } } };
  if (right !== null && typed !== right)
    return { ...word(typed), wrong: { code: 'not-as-it-should', about: { ask, typed, should: right, means } } };
  if (right === null && found && typed !== found.typed)
    return { ...word(typed), wrong: { code: 'not-as-found', about: { ask, typed, found: found.typed, means } } };
  return word(typed);
}

function judgeCount(form: FormOf<'count'>, typed: string, { should, found }: Against): Judged {
  if (!/^\d{1,4}$/.test(typed)) return refusing(typed, { code: 'not-a-count', about: { typed } });
  const { ask, means = '' } = form;
  const value = Number(typed);
  const counted = { ...word(typed), value };
  const expected = form.expect ?? (typeof should === 'number' ? should : (found?.value ?? null));
  if (expected === null || value === expected) return counted;
  return { ...counted, wrong: { code: 'count-differs', about: { ask, typed, expected, means } } };
}

/** How far a position at rebuild may lie from the one at teardown where the file says nothing, in mm. */
const usualToleranceMm = 0.5;

function valueFault(form: FormOf<'value'>, value: number, { should, found }: Against): Fault | null {
  const { ask, unit, means = '' } = form;
  const { min = -Infinity, max = Infinity } = form.window ?? {};
  if (value < min || value > max)
    return { code: 'outside-window', about: { ask, value, unit, min: form.window?.min, max: form.window?.max, means } };
  if (form.not_below_found && found?.value != null && value < found.value)
    return { code: 'below-found', about: { ask, value, unit, found: found.value, means } };
  const right = form.should ?? (typeof should === 'number' ? should : null);
  const against = right ?? (form.window ? null : (found?.value ?? null));
  const tolerance = form.tolerance ?? (unit === 'mm' ? usualToleranceMm : null);
  if (against === null || tolerance === null) return null;
  const by = Math.abs(value - against);
  if (by <= tolerance + 1e-9) return null;
  const about = { ask, value, unit, by, tolerance, means };
  return right === null
    ? { code: 'off-from-found', about: { ...about, found: against } }
    : { code: 'off-from-should', about: { ...about, should: against } };
}

function judgeValue(form: FormOf<'value'>, typed: string, against: Against): Judged {
  const read = readValue(typed, form.unit);
  if (!read.ok) return refusing(typed, { code: 'not-a-value', about: { sentence: read.sentence } });
  const { value } = read;
  const found = against.found?.value ?? null;
  const taken = { typed, value, unit: form.unit, refused: null };
  if (!isPlausible(value, form, found)) {
    const { min, max } = plausibleBand(form, found);
    return { ...taken, wrong: null, refused: { code: 'not-to-be-meant', about: { typed, unit: form.unit, min, max } } };
  }
  return { ...taken, wrong: valueFault(form, value, against) };
}

/** A torque beyond any bolt of a pump, in N·m. */
const largestNm = 10_000;

function judgeTorque({ window_nm: { min, max } }: FormOf<'torque'>, typed: string): Judged {
  const read = readValue(typed, 'N·m');
  if (!read.ok) return refusing(typed, { code: 'torque-wanted', about: { min, max } });
  const { value } = read;
  const taken = { typed, value, unit: 'N·m', refused: null, wrong: null };
  if (value <= 0 || value > largestNm)
    return { ...taken, refused: { code: 'not-to-be-meant', about: { typed, unit: 'N·m', min: 0, max: largestNm } } };
  if (value >= min && value <= max) return taken;
  return { ...taken, wrong: { code: 'torque-outside-window', about: { torqueNm: value, min, max } } };
}

function judgeTurn({ ask, allows, means = '' }: FormOf<'turn'>, typed: string): Judged {
  const isGrade = (turnGrades as readonly string[]).includes(typed) || catches.test(typed);
  if (!isGrade)
    return refusing(typed, { code: 'not-a-choice', about: { choices: [...turnGrades, 'catches at 1 to 12'] } });
  if (typed === 'free and even' || (allows as readonly string[]).includes(typed)) return word(typed);
  return { ...word(typed), wrong: { code: 'turns-badly', about: { ask, typed, means } } };
}

function judgeMark({ ask, agrees_with }: FormOf<'mark'>, typed: string): Judged {
  if (!typed) return refusing(typed, { code: 'nothing-typed', about: { ask } });
  if (agrees_with === undefined) return word(typed);
  if (!(markAnswers as readonly string[]).includes(typed))
    return refusing(typed, { code: 'not-a-choice', about: { choices: [...markAnswers] } });
  return typed === 'in line' ? word(typed) : { ...word(typed), wrong: { code: 'marks-apart', about: { ask } } };
}

/** A number of a kit as it is compared: small letters, blanks and dashes make no other number. */
const bareNumber = (number: string) => number.toUpperCase().replace(/[^A-Z0-9]/g, '');

function judgeKit({ ask, kits }: FormOf<'kit'>, typed: string): Judged {
  if (!typed) return refusing(typed, { code: 'nothing-typed', about: { ask } });
  if (typed === kitByPlate) return word(typed);
  const kit = kits.find(({ number }) => bareNumber(number) === bareNumber(typed));
  if (kit) return word(kit.number);
  const known = kits.map(({ number, title }) => `${number} (${title})`);
  return { ...word(typed), wrong: { code: 'kit-of-another', about: { ask, typed, kits: known } } };
}

function judgeSetting(form: FormOf<'setting'>, typed: string, asked: number | null): Judged {
  const { title, unit, mode, window, tolerance } = form;
  const outside = (value: number): Fault | null => {
    const { min = -Infinity, max = Infinity } = window ?? {};
    if (value >= min && value <= max) return null;
    return {
      code: 'outside-window',
      about: { ask: title, value, unit, min: window?.min, max: window?.max, means: '' },
    };
  };
  if (mode === 'judge' || asked === null)
    return { ...word(typed), value: asked, unit, wrong: asked === null ? null : outside(asked) };
  const read = readValue(typed, unit);
  if (!read.ok) return refusing(typed, { code: 'not-a-value', about: { sentence: read.sentence } });
  const by = Math.abs(read.value - asked);
  const off: Fault | null =
    tolerance !== undefined && by > tolerance + 1e-9
      ? { code: 'not-as-asked', about: { title, done: read.value, asked, unit, tolerance } }
      : null;
  return { typed, value: read.value, unit, refused: null, wrong: outside(read.value) ?? off };
}

/**
 * Judges what was typed for an action: whether it can be taken, and whether it is right. Pure: what it is held against
 * comes in. What a heated bearing and a set of readings ask is judged where the record is at hand.
 * @param form what the action asks; undefined for a tick
 */
export function judgeAnswer(form: AnswerForm | undefined, typed: string, against: Against): Judged {
  switch (form?.kind) {
    case 'check':
      return judgeCheck(form, typed);
    case 'choice':
      return judgeChoice(form, typed, against);
    case 'count':
      return judgeCount(form, typed, against);
    case 'value':
      return judgeValue(form, typed, against);
    case 'torque':
      return judgeTorque(form, typed);
    case 'turn':
      return judgeTurn(form, typed);
    case 'mark':
      return judgeMark(form, typed);
    case 'note':
      return typed ? word(typed) : refusing(typed, { code: 'nothing-typed', about: { ask: form.ask } });
    case 'kit':
      return judgeKit(form, typed);
    case 'setting':
      return judgeSetting(form, typed, against.asked);
    default:
      return word(typed);
  }
}
