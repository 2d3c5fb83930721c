import { put } from '../change';
import { namesLiquid } from '../../residue';
import { reason, refuse, refuseChanged, type Decider } from '../decision';
import type { SaveIntake } from '../inputs';

/** A text that says that nobody knows is no liquid: it is refused where it stands for one. */
export function checkLiquid({ liquid, liquidState }: SaveIntake['intake']): void {
  if (liquid.trim() && (liquidState ?? 'named') === 'named' && !namesLiquid(liquid))
    refuse('bad-input', reason('liquid-unnamed', { typed: liquid }), 'intake.liquid');
}

/** Changes what was written down at receiving; somebody else's change meanwhile is shown, nothing typed is lost. */
export const saveIntake: Decider<SaveIntake, { readonly intakeVersion: number }> = ({ record }, command) => {
  const { isolation, ...theirs } = record.intake;
  checkLiquid(command.intake);
  const why = command.reason;
  if (record.station !== 'receive' && !why)
    refuse('bad-input', reason('intake-reason', { tag: record.tag, station: record.station }), 'reason');
  if (theirs.version !== command.basedOn) refuseChanged(theirs, command.intake);
  const version = theirs.version + 1;
  return {
    puts: [put('intake', { ...command.intake, version, isolation })],
    note: why ? { reason: why } : {},
    result: { intakeVersion: version },
  };
};
