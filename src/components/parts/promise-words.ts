import type { PromiseEffect } from '@/core/purchasing';
import { sayShortDate } from '../job/view';

/** What a part that is still to come does to the promise, in a sentence. */
export function sayEffect({ spareDays, readyOn }: PromiseEffect, promisedOn: string, today: string): string {
  const days = Math.abs(spareDays) === 1 ? '1 day' : `${Math.abs(spareDays)} days`;
  if (spareDays < 0) return `ready ${sayShortDate(readyOn, today)}, ${days} past ${sayShortDate(promisedOn, today)}`;
  return spareDays === 0 ? 'no day to lose' : `${days} in hand`;
}
