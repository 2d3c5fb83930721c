import type { Claim, JobRecord } from '../record';

/** What is said of a piece that a parcel's list has and its box has not. */
export const missingWords = 'stands on the list of the parcel and is not in it';

/** Whether something came that is wrong, and can go back. */
export const hasWrongPieces = ({ lines }: Pick<Claim, 'lines'>) => lines.some(({ what }) => what !== missingWords);

interface Asked {
  readonly record: Pick<JobRecord, 'tag'>;
  readonly claim: Pick<Claim, 'orderNumber' | 'supplier' | 'lines'>;
  readonly shopName: string;
}

/** A first draft of what is written to a supplier about what came wrong or short. */
export function claimLetter({ record, claim, shopName }: Asked): string {
  const lines = claim.lines.map(({ count, number, what }) => `- ${count} × ${number}: ${what}`);
  return [
    `Dear ${claim.supplier},`,
    '',
    `of our order ${claim.orderNumber} (for our job ${record.tag}) this did not come as it was ordered:`,
    ...lines,
    '',
    'Please send what is missing, and say on which day it leaves you.',
    '',
    shopName,
  ].join('\n');
}
