import { toolFault, toolKindOf, type Judged } from '../bench';
import type { Reason } from '../errors';
import type { StepAction } from '../family';
import { dayInZone } from '../lifecycle/answer-line';
import type { RecordRow, Tool } from '../record';
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

/** What was judged: a value with its unit, or the rows of a record. */
interface Measured extends Pick<Judged, 'value' | 'unit'> {
  readonly rows?: readonly RecordRow[] | undefined;
}

/** The figures of a record that its tool gave: those of the columns in its unit. */
function measuredWith({ answer }: StepAction, { unit }: Tool, { rows = [] }: Measured): readonly number[] {
  const own = answer?.kind === 'record' ? answer.columns.filter((column) => column.unit === unit) : [];
  return rows.flatMap((row) =>
    own.flatMap(({ id }) => {
      const value = row[id];
      return typeof value === 'number' ? [value] : [];
    }),
  );
}

/** What a tool was used for otherwise: the value, unless that is what a sum made of a record. */
const usedAs = ({ answer }: StepAction, { value, unit }: Measured) =>
  answer?.kind === 'record' ? { value: null, unit: '' } : { value, unit };

/**
 * Checks the tool that an action was done with: named where the shop has one of its kind, and of that kind.
 * @returns what speaks against it, which may be conceded: overdue, or out of its range
 */
export function checkTool(
  action: StepAction,
  { code, judged }: { readonly code: string; readonly judged: Measured },
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
  const day = dayInZone(who.at, facts.zone);
  const faults = measuredWith(action, tool, judged).map((value) => toolFault(tool, { value, unit: tool.unit, day }));
  return faults.find((fault) => fault !== null) ?? toolFault(tool, { ...usedAs(action, judged), day });
}
