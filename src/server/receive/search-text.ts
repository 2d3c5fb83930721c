import { jobDetails } from '@/core/lifecycle';
import type { Intake, JobRecord } from '@/core/record';

/** The words by which a job is found: tag, customer, pump, construction, and what was written down at receiving. */
export function searchTextOf({
  tag,
  customer,
  pump,
  intake,
  familyTitle,
}: {
  readonly tag: string;
  readonly customer: string;
  readonly pump: Omit<JobRecord['pump'], 'id'>;
  readonly intake: Pick<Intake, 'equipmentNumber' | 'whyOut' | 'liquid'>;
  readonly familyTitle: string;
}): string {
  return [
    tag,
    customer,
    jobDetails(pump),
    pump.serial,
    familyTitle,
    intake.equipmentNumber,
    intake.whyOut,
    intake.liquid,
  ].join(' ');
}
