import type { JobRecord } from '../record';
import { jobDetails } from './tag';

type Found = Pick<JobRecord, 'tag' | 'customer' | 'contact' | 'pump' | 'intake'>;

/** The words by which a job is found: tag, customer and contact, pump, construction, what was written down at receiving. */
export function searchTextOf({ tag, customer, contact, pump, intake }: Found, familyTitle: string): string {
  const { equipmentNumber, whyOut, liquid } = intake;
  const who = [customer.name, contact?.name ?? ''];
  const what = [jobDetails(pump), pump.serial, familyTitle, equipmentNumber, whyOut, liquid];
  return [tag, ...who, ...what].filter(Boolean).join(' ');
}
