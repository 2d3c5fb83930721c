import type { JobRecord } from '../record';
import { jobDetails } from './tag';

type Found = Pick<JobRecord, 'tag' | 'customer' | 'pump' | 'intake'>;

/** The words by which a job is found: tag, customer, pump, construction, and what was written down at receiving. */
export function searchTextOf({ tag, customer, pump, intake }: Found, familyTitle: string): string {
  const { equipmentNumber, whyOut, liquid } = intake;
  return [tag, customer.name, jobDetails(pump), pump.serial, familyTitle, equipmentNumber, whyOut, liquid].join(' ');
}
