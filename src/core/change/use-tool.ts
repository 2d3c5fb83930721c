import { toolFault, toolKindOf } from '../bench';
import type { Reason } from '../errors';
import type { StepAction } from '../family';
import { dayInZone } from '../lifecycle/answer-line';
import type { Tool } from '../record';
import { reason, refuse, type Given } from './decision';

/** The shop's tools, and its time zone, in which a tool is due. */
export interface ToolFacts {
  readonly tools: readonly Tool[];
  readonly zone: string;
}

/** The tool of a code; null where none is named. Refused where the shop has none of that code. */
export function findTool(code: string, { tools }: ToolFacts, path = 'tool'): Tool | null {
  if (!code) return null;
  return (
    tools.find((one) => one.code === code) ??
    refuse('bad-input', reason('unknown-instrument', { instrument: code }), path)
  );
}

/**
 * Checks the tool that an action was done with: named where the shop has one of its kind, and of that kind.
 * @returns what speaks against it, which may be conceded: overdue, or out of its range
 */
export function checkTool(
  action: StepAction,
  { code, value, unit }: { readonly code: string; readonly value: number | null; readonly unit: string },
  { facts, who }: Given<ToolFacts>,
): Reason | null {
  const kind = toolKindOf(action);
  const tool = findTool(code, facts);
  if (!tool) {
    if (kind && facts.tools.some((one) => one.kind === kind))
      refuse('bad-input', reason('tool-wanted', { kind }), 'tool');
    return null;
  }
  if (kind && tool.kind !== kind)
    refuse('bad-input', reason('tool-of-another-kind', { tool: tool.code, kind: tool.kind, wanted: kind }), 'tool');
  return toolFault(tool, { value, unit, day: dayInZone(who.at, facts.zone) });
}
