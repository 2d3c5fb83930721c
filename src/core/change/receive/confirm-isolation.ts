import { put } from '../change';
import { reason, refuse, refuseChanged, type Decider } from '../decision';
import type { ConfirmIsolation } from '../inputs';

/** Records who confirmed that all energy is isolated. The product never declares anything safe. */
export const confirmIsolation: Decider<ConfirmIsolation, { readonly intakeVersion: number }> = (
  { record, who },
  { basedOn },
) => {
  const { intake } = record;
  if (intake.isolation)
    refuse('wrong-state', reason('confirmed-already', { person: intake.isolation.personName }), 'isolation');
  // What was confirmed is the pump as it was described on that screen.
  if (intake.version !== basedOn) refuseChanged(intake, null);
  const version = intake.version + 1;
  return {
    puts: [put('intake', { ...intake, version, isolation: who })],
    note: {},
    result: { intakeVersion: version },
  };
};
