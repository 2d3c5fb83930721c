import { unsettledDecline } from '../../quoting';
import { put } from '../change';
import { reason, refuse, type Decider } from '../decision';
import type { SettleDecline } from '../inputs';

/**
 * After something was declined without which the pump may fail: the shop goes on with a disclaimer that is printed, or
 * sends the pump back as it is. Nothing is ordered before.
 */
export const settleDecline: Decider<SettleDecline, object> = ({ record, who }, { decision, words }) => {
  const open = unsettledDecline(record);
  if (!open) return refuse('wrong-state', reason('no-decline-to-settle'));
  const lines = open.lines.map(({ description }) => description);
  return {
    puts: [put('decline', { approvalId: open.approval.id, decision, words, ...who })],
    note: { decision, words, lines },
    result: {},
    ...(decision === 'return as it is' && { move: 'return-as-it-is' as const }),
  };
};
