import { wordsOf } from '../../../words/every-language';
import { currentQuote } from '../../record';
import { warrantyClaim, warrantyWords } from '../../warranty';
import { put } from '../change';
import { reason, refuse, requireStation, type Decider } from '../decision';
import type { JudgeWarranty } from '../inputs';
import { headOfQuote } from '../quote/draft-of';
import { fill } from './fill';

/**
 * Judges a pump that came back within its warranty: whose fault it is, what the shop bears, why. A draft of its quote
 * follows at once.
 */
export const judgeWarranty: Decider<JudgeWarranty, { readonly sheetVersion: number }> = (
  given,
  { warranty, basedOn },
) => {
  const { record } = given;
  requireStation(record, 'receive', 'teardown', 'clean', 'inspect', 'quote');
  const claim = warrantyClaim(record);
  if (!claim || claim.tag !== warranty.earlierTag)
    refuse('wrong-state', reason('no-warranty-return', { tag: record.tag }));
  const { judgement, sharePct } = warranty;
  const isOdd = (judgement === 'ours' && sharePct !== 100) || (judgement === 'theirs' && sharePct !== 0);
  const isHalf = judgement === 'shared' && (sharePct <= 0 || sharePct >= 100);
  if (isOdd || isHalf)
    refuse('bad-input', reason('share-against-judgement', { judgement, sharePct }), 'warranty.sharePct');
  const draft = currentQuote(record);
  const follows =
    draft?.state === 'draft'
      ? [
          put('quote', {
            ...{ ...headOfQuote(draft), discountPct: sharePct, note: warrantyWords(warranty, wordsOf(draft.language)) },
            version: draft.version + 1,
          }),
        ]
      : [];
  return {
    puts: [fill(given, { kind: 'warranty', basedOn, body: warranty }), ...follows],
    note: { ...warranty },
    result: { sheetVersion: basedOn + 1 },
  };
};
