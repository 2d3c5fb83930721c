import { schoolOf } from '../policies';
import { sheetsOf, type JobRecord, type Station } from '../record';

type Twin = Pick<JobRecord, 'lotMates'>;

/** Whether another unit of the same lot is open: then parts can be swapped. */
export const isTwin = ({ lotMates }: Twin) => lotMates.some(({ isClosed }) => !isClosed);

/** Whether every part lies in a labelled tray and is read before it goes in: beside a twin, or by the shop's way always. */
export const readsLabels = (record: Twin & Pick<JobRecord, 'sheets'>) =>
  isTwin(record) || schoolOf(record, 'labels') === 'always';

/**
 * Of some parts those that lie in a tray and whose label nobody read at this station, where labels are read at this pump;
 * none where they are not.
 */
export function unreadOf(
  refs: readonly string[],
  record: Pick<JobRecord, 'sheets' | 'lotMates'>,
  station: Station,
): readonly string[] {
  if (!readsLabels(record)) return [];
  return sheetsOf(record, 'tray')
    .filter(({ key, body }) => refs.includes(key) && !body.scans.some((scan) => scan.station === station))
    .map(({ key }) => key);
}
