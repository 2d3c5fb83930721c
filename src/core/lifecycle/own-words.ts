import { english, type Words } from '../../words';
import type { Holder, Outcome, Station } from '../record';

/** How a pump stands, as its owner reads it. */
export function sayForOwner(
  {
    station,
    holder,
    outcome,
  }: {
    readonly station: Station;
    readonly holder: Holder;
    readonly outcome: Outcome;
  },
  { say }: Words = english,
): string {
  if (outcome === 'declined' || outcome === 'scrapped' || outcome === 'donor') return say(`stands.${outcome}`);
  // What was found later asks the owner again, wherever the work has come to.
  if (holder === 'C' && station !== 'approve') return say('stands.waits');
  return say(`station.${station}`);
}
