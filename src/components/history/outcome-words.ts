import type { Outcome } from '@/core/record';

/** What became of a pump, after its days. */
export const outcomeWords: Readonly<Record<Outcome, string>> = {
  open: 'went back',
  repaired: 'repaired',
  declined: 'went back as it was',
  reassembled: 'put together, not repaired',
  scrapped: 'scrapped',
  donor: 'left as a donor',
};
