'use client';

import { useState } from 'react';
import { sayTool, toolFault, toolKindOf, toolToOffer } from '@/core/bench';
import { sayReason } from '@/core/errors';
import type { StepAction } from '@/core/family';
import type { SheetProps } from '../job/view';

export interface ChosenTool {
  readonly code: string;
  readonly choose: (code: string) => void;
}

interface Where {
  readonly action: StepAction;
  readonly view: SheetProps['view'];
  /** The value as it is typed; null where none is, or none that is a number. */
  readonly value: number | null;
}

/** The unit in which an action's value, and so its tool, is given. */
export const unitOf = ({ answer }: Pick<StepAction, 'answer'>): string =>
  answer?.kind === 'torque' ? 'N·m' : answer?.kind === 'heat' ? '°C' : answer && 'unit' in answer ? answer.unit : '';

/** The middle of the window that an action asks its value in; null where it has none. */
function expectedOf({ answer }: StepAction): number | null {
  const window = answer?.kind === 'torque' ? answer.window_nm : answer?.kind === 'value' ? answer.window : undefined;
  const { min, max } = window ?? {};
  return min === undefined || max === undefined ? null : (min + max) / 2;
}

/** A tool of the kind that an action asks for, for what is typed or what is right there: the first that nothing speaks against, unless another is chosen. */
export function useTool({ action, view, value }: Where): ChosenTool {
  const [own, choose] = useState('');
  const kind = toolKindOf(action);
  const use = { value: value ?? expectedOf(action), unit: unitOf(action), day: view.today };
  const offered = kind && toolToOffer(view.instruments, kind, use);
  return { code: own || (offered?.code ?? ''), choose };
}

/** Which tool it is done with, its range and the day it is due; what speaks against it is said before it is sent. */
export function ToolChooser({ chosen, ...where }: Where & { readonly chosen: ChosenTool }) {
  const { action, view, value } = where;
  const kind = toolKindOf(action);
  const tools = view.instruments.filter((one) => one.kind === kind);
  const tool = tools.find((one) => one.code === chosen.code);
  if (!kind || !tools.length) return null;
  const fault = tool && toolFault(tool, { value, unit: unitOf(action), day: view.today });
  return (
    <div>
      <label className="flex flex-wrap items-center gap-x-3 gap-y-1">
        <span className="inline-block font-bold first-letter:uppercase">{kind}</span>
        <select value={chosen.code} onChange={(event) => chosen.choose(event.target.value)} className="field min-h-12">
          {tools.map((one) => (
            <option key={one.code} value={one.code}>
              {[one.code, sayTool(one)].filter(Boolean).join(', ')}
            </option>
          ))}
        </select>
      </label>
      {fault && (
        <p role="status" className="font-semibold text-jasper">
          {sayReason(fault)}
        </p>
      )}
    </div>
  );
}
