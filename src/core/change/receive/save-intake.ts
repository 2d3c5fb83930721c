import { put } from '../change';
import { refuseChanged, type Decider } from '../decision';
import type { SaveIntake } from '../inputs';

/** Changes what was written down at receiving; somebody else's change meanwhile is shown, nothing typed is lost. */
export const saveIntake: Decider<SaveIntake, { readonly intakeVersion: number }> = ({ record }, command) => {
  const { isolation, ...theirs } = record.intake;
  if (theirs.version !== command.basedOn) refuseChanged(theirs, command.intake);
  const version = theirs.version + 1;
  return {
    puts: [put('intake', { ...command.intake, version, isolation })],
    note: {},
    result: { intakeVersion: version },
  };
};
