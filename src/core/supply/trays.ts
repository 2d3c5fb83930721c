import { schoolOf } from '../policies';
import { sheetsOf, type JobRecord, type Station, type Tag } from '../record';

type Twin = Pick<JobRecord, 'lotMates' | 'likePumps'>;

/** Pumps whose parts look like this one’s and lie open too: units of the same lot, and others of its make, model and size. */
export const twinsOf = ({ lotMates, likePumps }: Twin): readonly Tag[] => [
  ...new Set([...lotMates.filter(({ isClosed }) => !isClosed).map(({ tag }) => tag), ...likePumps]),
];

/** Whether a pump is open whose parts can be taken for this one’s. */
export const isTwin = (record: Twin) => twinsOf(record).length > 0;

/** Whether every part lies in a labelled tray and is read before it goes in: beside a twin, or by the shop's way always. */
export const readsLabels = (record: Twin & Pick<JobRecord, 'sheets'>) =>
  isTwin(record) || schoolOf(record, 'labels') === 'always';

/**
 * Of some parts those that lie in a tray and whose label nobody read at this station, where labels are read at this pump;
 * none where they are not.
 */
export function unreadOf(
  refs: readonly string[],
  record: Twin & Pick<JobRecord, 'sheets'>,
  station: Station,
): readonly string[] {
  if (!readsLabels(record)) return [];
  return sheetsOf(record, 'tray')
    .filter(({ key, body }) => refs.includes(key) && !body.scans.some((scan) => scan.station === station))
    .map(({ key }) => key);
}
