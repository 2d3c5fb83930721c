import type { Action, JobRecord } from '../record';
import { schoolOf } from './in-force';

const byWay: Readonly<Record<string, Action>> = {
  buy: 'replace',
  make: 'make in the shop',
  rework: 'rework',
  donor: 'take from a donor',
};

/**
 * What is usually done about a part that is worn beyond reuse: what the damage catalogue says where this job compares
 * ways, else the way that it follows.
 * @example usualAction({ sheets: [] }, 'replace') // 'replace'
 */
export const usualAction = (record: Pick<JobRecord, 'sheets'>, catalogue: string | null): string | null =>
  byWay[schoolOf(record, 'not on the shelf')] ?? catalogue;
