import { english } from '../../words';
import { fillLetter, lettersWords, type LetterWords, type Sender } from '../letters';
import type { Claim, JobRecord } from '../record';

/** What is said of a piece that a parcel's list has and its box has not. */
export const missingWords = 'stands on the list of the parcel and is not in it';

/** Whether something came that is wrong, and can go back. */
export const hasWrongPieces = ({ lines }: Pick<Claim, 'lines'>) => lines.some(({ what }) => what !== missingWords);

interface Asked {
  readonly record: Pick<JobRecord, 'tag'>;
  /** Its number, such as C-0417-1. */
  readonly number: string;
  readonly claim: Pick<Claim, 'orderNumber' | 'supplier' | 'lines'>;
  readonly sender: Sender;
}

/** A first draft of what is written to a supplier about what came wrong or short. */
export function claimLetter({ record, number, claim, sender }: Asked): LetterWords {
  const { name, telephone, letters, words = english } = sender;
  const lines = claim.lines.map(({ count, number: piece, what }) => `- ${count} × ${piece}: ${words.phrase(what)}`);
  return fillLetter(lettersWords('claim', letters, words), {
    ...{ supplier: claim.supplier, order: claim.orderNumber, number, tag: record.tag },
    ...{ lines: lines.join('\n'), shop: name, telephone },
  });
}
