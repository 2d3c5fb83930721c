import { againstFor, toolKindOf, toolToOffer } from '@/core/bench';
import { heatFor } from '@/core/bench/heat';
import { reckonSetting } from '@/core/bench/reckon-setting';
import {
  suitableConsumables,
  type AnswerForm,
  type Family,
  type FormOf,
  type Step,
  type StepAction,
} from '@/core/family';
import type { BenchPhase, JobRecord, Tool } from '@/core/record';
import { findSum, reckonBearingHeat } from '@/core/sums';

interface Asked {
  readonly phase: BenchPhase;
  readonly step: Step;
  readonly action: StepAction;
  readonly record: JobRecord;
  readonly family: Family;
  /** The shop's tools, and its day. */
  readonly tools?: readonly Tool[];
  readonly day?: string;
}

/** What a careful technician would answer to an action on a pump that nothing ails. */
export interface RightAnswer {
  readonly typed: string;
  readonly passes?: number[];
  readonly rows?: Record<string, string>[];
  readonly ambientC?: number;
  readonly consumable?: string;
  readonly tool?: string;
  /** A picture is wanted. */
  readonly wantsPhoto: boolean;
}

/** A figure that can be meant where the file says nothing of what is right. */
function usualOf({ unit, plausible }: FormOf<'value'>): string {
  const usual = unit === 'mm' ? 12 : 1.2;
  if (!plausible || (usual >= plausible.min && usual <= plausible.max)) return unit === 'mm' ? '12.0' : '1.2';
  return String(Number(((plausible.min + plausible.max) / 20).toPrecision(2)));
}

function valueOf(form: FormOf<'value'>, asked: Asked): string {
  const { should, found } = againstFor(asked);
  const right = form.should ?? should;
  if (right !== null) return String(right);
  const { min, max } = form.window ?? {};
  if (min !== undefined && max !== undefined) return String(Number(((min + max) / 2).toPrecision(5)));
  return found?.typed ?? String(max ?? min ?? usualOf(form));
}

function settingOf(form: FormOf<'setting'>, { record, family }: Asked): string {
  const { outcome } = reckonSetting(form, { record, family }, findSum);
  const figure = (outcome?.result as Readonly<Record<string, unknown>> | undefined)?.[form.gives];
  return typeof figure === 'number' ? String(Number(figure.toPrecision(5))) : '';
}

function choiceOf(form: FormOf<'choice'>, asked: Asked): string {
  const { should, found } = againstFor(asked);
  return form.should ?? (typeof should === 'string' ? should : undefined) ?? found?.typed ?? form.choices[0] ?? '';
}

function heatOf(form: FormOf<'heat'>, asked: Asked): { typed: string; ambientC: number } {
  const { temperature_c } = reckonBearingHeat(heatFor(form, asked, 20)).result;
  return { typed: String(Math.min(form.sealed ? 80 : 110, Math.ceil(temperature_c) + 3)), ambientC: 20 };
}

function torqueOf({ window_nm: { min, max }, passes_pct }: FormOf<'torque'>): { typed: string; passes?: number[] } {
  const middle = Number(((min + max) / 2).toPrecision(4));
  const passes = passes_pct?.map((pct) => Number(((middle * pct) / 100).toPrecision(4)));
  return { typed: String(middle), ...(passes && passes.length > 1 && { passes }) };
}

function answerTo(form: AnswerForm | undefined, asked: Asked): Partial<RightAnswer> {
  switch (form?.kind) {
    case 'check':
      return { typed: form.right };
    case 'choice':
      return { typed: choiceOf(form, asked) };
    case 'count':
      return { typed: String(form.expect ?? againstFor(asked).found?.typed ?? 2) };
    case 'value':
      return { typed: valueOf(form, asked) };
    case 'mark':
      return { typed: form.agrees_with === undefined ? 'two centre punches at 12 o’clock' : 'in line' };
    case 'note':
      return { typed: againstFor(asked).found?.typed ?? 'seen' };
    case 'kit':
      return { typed: form.kits[0]?.number ?? '' };
    case 'torque':
      return torqueOf(form);
    case 'turn':
      return { typed: 'free and even' };
    case 'setting':
      return { typed: settingOf(form, asked) };
    case 'heat':
      return heatOf(form, asked);
    case 'record':
      return { rows: form.example };
    default:
      return {};
  }
}

function toolFor({ action, tools = [], day = '' }: Asked, value: number): Tool | null {
  const kind = toolKindOf(action);
  const { answer } = action;
  const unit = answer?.kind === 'torque' ? 'N·m' : answer?.kind === 'value' ? answer.unit : '';
  return kind && toolToOffer(tools, kind, { value: Number.isFinite(value) ? value : null, unit, day });
}

/** The right answer to an action, for demonstration and tests; nothing of the product asks it. */
export function rightAnswer(asked: Asked): RightAnswer {
  const { action, step, family, record } = asked;
  const { elastomer } = record.intake;
  const answer = answerTo(action.answer, asked);
  const tool = toolFor(asked, Number(answer.typed));
  const consumable = suitableConsumables({ action, step, family, elastomer })[0]?.what;
  return {
    typed: '',
    ...answer,
    ...(tool && { tool: tool.code }),
    ...(consumable !== undefined && { consumable }),
    wantsPhoto: action.answer?.kind === 'photo',
  };
}
