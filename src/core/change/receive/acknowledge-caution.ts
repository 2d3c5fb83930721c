import { findCaution } from '../../family';
import { put } from '../change';
import { reason, refuse, type Decider } from '../decision';
import type { AcknowledgeCaution } from '../inputs';

/** The technician who opens the pump acknowledges a caution; once a job, whoever was first stays. */
export const acknowledgeCaution: Decider<AcknowledgeCaution, object> = ({ record, who }, { caution }) => {
  if (!findCaution(caution)) refuse('bad-input', reason('unknown-caution', { caution }), 'caution');
  const isKnown = record.acknowledgements.some((one) => one.caution === caution);
  return { puts: isKnown ? [] : [put('acknowledgement', { caution, ...who })], note: { caution }, result: {} };
};
