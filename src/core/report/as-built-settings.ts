import type { Family } from '../family';
import { reckonSetting } from '../inspection/reckon-setting';
import type { JobRecord } from '../record';
import { bearingHeat, boltTorque, type WorkingStep } from '../sums';
import type { AsBuilt } from './as-built';

type RebuildStep = Family['rebuild'][number];
type SettingShown = AsBuilt['settings'][number];

const shown = (title: string, working: readonly WorkingStep[]): SettingShown => ({
  title,
  working: working.map((step) => ({ ...step })),
});

/** Reckoned from the room as it was recorded; nothing is printed of a room that nobody measured. */
function heatOf(record: JobRecord, { id, title, heat }: RebuildStep): SettingShown[] {
  const done = record.steps.findLast((one) => one.phase === 'rebuild' && one.stepId === id);
  const ambient = done?.data.ambientC;
  if (!heat || typeof ambient !== 'number') return [];
  const { working } = bearingHeat.compute({ ...heat, ambient_c: ambient, school: 'computed' });
  return [shown(`${title}: temperature`, working)];
}

function torqueOf({ title, torque }: RebuildStep): SettingShown[] {
  if (!torque || !/^M\d+$/.test(torque.thread)) return [];
  const input = boltTorque.input.safeParse({ thread: torque.thread, grade: torque.grade });
  if (!input.success) return [];
  const { min, max } = torque.window_nm;
  const window = { what: 'Window of the family', outcome: `${min} to ${max} N·m` };
  return [shown(`${title}: torque`, [...boltTorque.compute(input.data).working, window])];
}

/** Every setting of the rebuild that can be reckoned from what was recorded, with its working. */
export function settingsOf(record: JobRecord, family: Family): AsBuilt['settings'] {
  return family.rebuild.flatMap((step) => {
    const settings = step.settings.flatMap((setting) => {
      const { outcome } = reckonSetting(setting, record, family);
      return outcome ? [shown(`${step.title}: ${setting.title.toLowerCase()}`, outcome.working)] : [];
    });
    return [...heatOf(record, step), ...torqueOf(step), ...settings];
  });
}
