import type { Reason } from '../errors';
import type { StepAction } from '../family';
import type { InstrumentKind, Tool } from '../record';

/** What a tool is used for: the value that it gave, where it gave one, and the day. */
export interface ToolUse {
  readonly value: number | null;
  readonly unit: string;
  /** The shop's day, ISO. */
  readonly day: string;
}

/** The kind of tool with an identity that an action is done with; null where none is asked for. */
export function toolKindOf({ tool, answer }: Pick<StepAction, 'tool' | 'answer'>): InstrumentKind | null {
  if (tool) return tool;
  if (answer?.kind === 'torque') return 'torque wrench';
  return answer?.kind === 'heat' ? 'thermometer' : null;
}

function rangeFault({ code, unit, rangeLow, rangeHigh }: Tool, { value, unit: given }: ToolUse): Reason | null {
  if (value === null) return null;
  if (given && given !== unit) return { code: 'tool-of-another-unit', about: { tool: code, unit, given } };
  const [low, high] = [rangeLow ?? -Infinity, rangeHigh ?? Infinity];
  if (value >= low && value <= high) return null;
  return { code: 'tool-out-of-range', about: { tool: code, value, unit, min: rangeLow, max: rangeHigh } };
}

/**
 * Why a tool should not be used for something: it is past the day it is due, or the value lies outside its range. The
 * last day itself still counts.
 */
export function toolFault(tool: Tool, use: ToolUse): Reason | null {
  if (use.day > tool.dueOn)
    return { code: 'tool-overdue', about: { tool: tool.code, kind: tool.kind, dueOn: tool.dueOn } };
  return rangeFault(tool, use);
}

/** The tool of a kind that is offered first: one that nothing speaks against, else the first; null without any. */
export function toolToOffer(tools: readonly Tool[], kind: InstrumentKind, use: ToolUse): Tool | null {
  const own = tools.filter((one) => one.kind === kind);
  return own.find((one) => !toolFault(one, use)) ?? own[0] ?? null;
}

/** Its range and uncertainty in words. @example '10 to 100 N·m, ±1' */
export function sayTool({ unit, uncertainty, rangeLow, rangeHigh }: Tool): string {
  const range = rangeHigh === null ? '' : `${rangeLow ?? 0} to ${rangeHigh} ${unit}`;
  const doubt = uncertainty === null ? '' : `±${uncertainty}${range ? '' : ` ${unit}`}`;
  return [range, doubt].filter(Boolean).join(', ');
}
