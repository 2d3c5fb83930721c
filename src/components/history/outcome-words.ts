import type { Outcome } from '@/core/record';
import { english } from '@/words';

/** What became of a pump, after its days, as the shop reads it. */
export const outcomeWords = (outcome: Outcome): string => english.say(`outcome.${outcome}`);
