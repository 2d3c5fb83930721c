import { latestAnswer, rowName, workOf } from '../bench';
import { heatFor } from '../bench/heat';
import { reckonRecord } from '../bench/judge-record';
import { reckonSetting } from '../bench/reckon-setting';
import type { Family, FormOf, Step } from '../family';
import { benchPhases, type Answer, type JobRecord, type RecordRow } from '../record';
import { bearingHeat, boltTorque, findSum, type WorkingStep } from '../sums';
import type { AsBuilt } from './as-built';

type SettingShown = AsBuilt['settings'][number];

const shown = (title: string, working: readonly WorkingStep[]): SettingShown => ({
  title,
  working: working.map((step) => ({ ...step })),
});

/** The room as it was recorded, with the action or, before there were actions, with its step. */
function ambientAt(record: JobRecord, actionId: string, stepId: string): number | null {
  const answer = latestAnswer(record, 'rebuild', actionId);
  if (answer?.data.ambientC !== undefined) return answer.data.ambientC;
  const done = record.steps.findLast((one) => one.phase === 'rebuild' && one.stepId === stepId);
  return typeof done?.data.ambientC === 'number' ? done.data.ambientC : null;
}

/** Reckoned from the room as it was recorded; nothing is printed of a room that nobody measured. */
function heatOf(form: FormOf<'heat'>, ambient: number | null, asked: Asked & { readonly title: string }) {
  if (ambient === null) return [];
  const { working } = bearingHeat.compute(heatFor(form, asked, ambient));
  return [shown(`${asked.title}: temperature`, working)];
}

function torqueOf({ thread, grade, window_nm: { min, max } }: FormOf<'torque'>, title: string): SettingShown[] {
  if (!/^M\d+$/.test(thread)) return [];
  const input = boltTorque.input.safeParse({ thread, grade });
  if (!input.success) return [];
  const window = { what: 'Window of the family, which governs', outcome: `${min} to ${max} N·m` };
  return [shown(`${title}: torque`, [...boltTorque.compute(input.data).working, window])];
}

function settingOf(form: FormOf<'setting'>, { title }: Pick<Step, 'title'>, asked: Asked): SettingShown[] {
  const { outcome } = reckonSetting(form, asked, findSum);
  return outcome ? [shown(`${title}: ${form.title.toLowerCase()}`, outcome.working)] : [];
}

interface Asked {
  readonly record: JobRecord;
  readonly family: Family;
}

const sayRow = ({ columns }: FormOf<'record'>, row: RecordRow) =>
  columns.map(({ id, title, unit }) => `${title} ${row[id] ?? ''}${unit && ` ${unit}`}`).join(', ');

/** A record as it was kept: its rows, and what the sum made of them. */
function recordOf(form: FormOf<'record'>, { step, answer }: { step: Step; answer: Answer | null }, asked: Asked) {
  const rows = answer?.data.rows;
  if (!rows) return [];
  const reckoned = reckonRecord(form, rows, asked, findSum);
  const kept = rows.map((row, i) => ({ what: rowName(form, i), outcome: sayRow(form, row) }));
  const working = reckoned && 'outcome' in reckoned ? reckoned.outcome.working : [];
  return [shown(`${step.title}: ${form.ask}`, [...kept, ...working])];
}

/** Every record of the bench and the stand, in the order of its steps. */
export function recordsOf(record: JobRecord, family: Family): AsBuilt['settings'] {
  return benchPhases.flatMap((phase) =>
    workOf(record, family, phase).flatMap(({ step, actions }) =>
      actions.flatMap(({ action, answer }) =>
        action.answer?.kind === 'record' ? recordOf(action.answer, { step, answer }, { record, family }) : [],
      ),
    ),
  );
}

/** In the order in which a bench reads them: what is heated, what is tightened, what is set. */
const order = ['heat', 'torque', 'setting'] as const;

/** Every setting of the rebuild that can be reckoned from what was recorded, with its working. */
export function settingsOf(record: JobRecord, family: Family): AsBuilt['settings'] {
  return family.rebuild.flatMap((step) =>
    order.flatMap((kind) =>
      step.actions.flatMap(({ id, answer, member }) => {
        if (answer?.kind !== kind) return [];
        const title = member && !step.member ? `${step.title}, ${member.name}` : step.title;
        if (answer.kind === 'heat') {
          return heatOf(answer, ambientAt(record, id, step.id), { record, family, title });
        }
        return answer.kind === 'torque' ? torqueOf(answer, title) : settingOf(answer, { title }, { record, family });
      }),
    ),
  );
}
