import type { Finding } from '../record';

/** What a finding of the bench says: differs from what it should be, or agrees with it since it was corrected. */
export const benchVerdicts = { differs: 'differs', agrees: 'agrees' } as const;

/** Whether a finding still says something: not where the bench's answer was corrected and agrees since. */
export const stillStands = ({ kind, verdict }: Pick<Finding, 'kind' | 'verdict'>): boolean =>
  kind !== 'bench' || verdict !== benchVerdicts.agrees;
