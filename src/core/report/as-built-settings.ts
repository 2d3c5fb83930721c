import { latestAnswer } from '../bench';
import { reckonSetting } from '../bench/reckon-setting';
import type { Family, FormOf, Step } from '../family';
import type { JobRecord } from '../record';
import { bearingHeat, boltTorque, type WorkingStep } from '../sums';
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
function heatOf({ kind: _kind, ...heat }: FormOf<'heat'>, title: string, ambient: number | null): SettingShown[] {
  if (ambient === null) return [];
  const { working } = bearingHeat.compute({ ...heat, ambient_c: ambient, school: 'computed' });
  return [shown(`${title}: temperature`, working)];
}

function torqueOf({ thread, grade, window_nm: { min, max } }: FormOf<'torque'>, title: string): SettingShown[] {
  if (!/^M\d+$/.test(thread)) return [];
  const input = boltTorque.input.safeParse({ thread, grade });
  if (!input.success) return [];
  const window = { what: 'Window of the family', outcome: `${min} to ${max} N·m` };
  return [shown(`${title}: torque`, [...boltTorque.compute(input.data).working, window])];
}

function settingOf(form: FormOf<'setting'>, { title }: Step, asked: Asked): SettingShown[] {
  const { outcome } = reckonSetting(form, asked.record, asked.family);
  return outcome ? [shown(`${title}: ${form.title.toLowerCase()}`, outcome.working)] : [];
}

interface Asked {
  readonly record: JobRecord;
  readonly family: Family;
}

/** In the order in which a bench reads them: what is heated, what is tightened, what is set. */
const order = ['heat', 'torque', 'setting'] as const;

/** Every setting of the rebuild that can be reckoned from what was recorded, with its working. */
export function settingsOf(record: JobRecord, family: Family): AsBuilt['settings'] {
  return family.rebuild.flatMap((step) =>
    order.flatMap((kind) =>
      step.actions.flatMap(({ id, answer }) => {
        if (answer?.kind !== kind) return [];
        if (answer.kind === 'heat') return heatOf(answer, step.title, ambientAt(record, id, step.id));
        return answer.kind === 'torque' ? torqueOf(answer, step.title) : settingOf(answer, step, { record, family });
      }),
    ),
  );
}
