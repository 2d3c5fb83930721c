import { sheetsOf, type JobRecord, type Station } from '../record';

type Twin = Pick<JobRecord, 'lotMates'>;

/** Whether another unit of the same lot is open: then parts can be swapped, and labels are read. */
export const isTwin = ({ lotMates }: Twin) => lotMates.some(({ isClosed }) => !isClosed);

/**
 * Of some parts those that lie in a tray and whose label nobody read at this station, where the pump has a twin in the
 * house; none where it has not.
 */
export function unreadOf(
  refs: readonly string[],
  record: Pick<JobRecord, 'sheets' | 'lotMates'>,
  station: Station,
): readonly string[] {
  if (!isTwin(record)) return [];
  return sheetsOf(record, 'tray')
    .filter(({ key, body }) => refs.includes(key) && !body.scans.some((scan) => scan.station === station))
    .map(({ key }) => key);
}
