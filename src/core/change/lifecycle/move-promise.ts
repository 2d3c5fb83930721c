import { dayInZone } from '../../lifecycle/answer-line';
import { headOf } from '../../record';
import { put } from '../change';
import { reason, refuse, type Decider } from '../decision';
import type { MovePromise } from '../inputs';

export interface PromiseFacts {
  /** The shop's time zone: by its calendar a day is past. */
  readonly zone: string;
}

/**
 * Moves what was promised to the customer to another day. Every move stays with its reason; where it is asked, and
 * somebody can be written to, a mail follows.
 */
export const movePromise: Decider<MovePromise, object, PromiseFacts> = ({ record, who, now, facts }, command) => {
  const { from, to, reason: why, tell } = command;
  if (from !== record.promisedOn)
    refuse('changed-meanwhile', reason('promise-moved-meanwhile', { from: record.promisedOn }), 'from');
  if (to < dayInZone(now, facts.zone)) refuse('bad-input', reason('promise-past', { day: to }), 'to');
  if (to === from) refuse('bad-input', reason('promise-same', { day: to }), 'to');
  const toldTo = tell ? (record.contact?.email ?? null) : null;
  if (tell && !toldTo) return refuse('bad-input', reason('nobody-to-tell'), 'tell');
  const number = record.promises.length + 1;
  const head = { ...headOf(record), promisedOn: to };
  return {
    puts: [put('job', head), put('promise', { number, from, to, reason: why, toldTo, ...who })],
    note: { from, to, reason: why },
    result: {},
    ...(toldTo !== null && { outbox: [{ kind: 'mail-promise' as const, number }] }),
  };
};
