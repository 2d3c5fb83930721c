import { fateOf } from '../../dispatch';
import { headOf } from '../../record';
import { put } from '../change';
import { reason, refuse, refuseChanged, requireStation, type Decider } from '../decision';
import type { ChooseFate, Reassemble } from '../inputs';
import { fill } from './fill';

type Result = { readonly sheetVersion: number };

/** What becomes of a pump that is not repaired, by its owner's word: it goes back, is scrapped, or stays as a donor. */
export const chooseFate: Decider<ChooseFate, Result> = (given, { fate, basedOn }) => {
  const { record } = given;
  requireStation(record, 'return');
  if (record.outcome === 'repaired') refuse('wrong-state', reason('repaired-already', { tag: record.tag }));
  if (record.returned) refuse('wrong-state', reason('released-already', { tag: record.tag }));
  const before = fateOf(record)?.body;
  const reassembled = fate.fate === 'reassembled' ? (before?.reassembled ?? null) : null;
  return {
    puts: [
      put('job', { ...headOf(record), outcome: fate.fate }),
      fill(given, { kind: 'fate', basedOn, body: { ...fate, reassembled } }),
    ],
    note: { ...fate, before: record.outcome },
    result: { sheetVersion: basedOn + 1 },
  };
};

/** Records that a pump that is not repaired was put together again, for its way back. */
export const reassemble: Decider<Reassemble, Result> = (given, { words, basedOn }) => {
  const { record, who } = given;
  requireStation(record, 'return');
  const sheet = fateOf(record);
  if (sheet?.body.fate !== 'reassembled')
    return refuse('wrong-state', reason('not-to-reassemble', { tag: record.tag }));
  if (sheet.version !== basedOn) refuseChanged(sheet.body, words);
  return {
    puts: [fill(given, { kind: 'fate', basedOn, body: { ...sheet.body, reassembled: { ...who, words } } })],
    note: { words },
    result: { sheetVersion: basedOn + 1 },
  };
};

/** Closes the job of a pump that does not leave the house: scrapped, or kept as a donor. */
export const closeUnreturned: Decider<unknown, object> = ({ record }) => {
  requireStation(record, 'return');
  if (!fateOf(record) || (record.outcome !== 'scrapped' && record.outcome !== 'donor'))
    refuse('wrong-state', reason('goes-back', { tag: record.tag }));
  return { puts: [], note: { outcome: record.outcome }, result: {}, move: 'close' };
};
