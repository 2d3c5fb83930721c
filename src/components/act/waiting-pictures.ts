'use client';

import { v7 as makeSortedKey } from 'uuid';
import type { InputOf } from '@/contract';
import { asId, type PhotoId } from '@/core/record';
import { keepPicture } from '../held/held-store';
import { mostPictureBytes, tooLarge } from '../job/send-picture';
import type { ActError, Answered } from './act';
import { currentMaker } from './maker';
import { sendPhoto, type PhotoKept } from './send-photo';
import { addWaiting, hasQueue } from './waiting';

const noRoom: ActError = {
  code: 'no-connection',
  what: 'The connection is lost, and this browser keeps no pictures.',
  kept: 'The file is where it was.',
  todo: 'Choose the picture again when the line is back.',
  issues: [],
};

/**
 * Sends a picture of a job; where nobody answers it waits on this device with the entries, in its order. Its id is the
 * key of its entry, so that an entry that is made meanwhile can name it.
 */
export async function keepPhoto(
  input: InputOf<'add-photo'>,
  file: Blob,
  onProgress: (share: number) => void,
): Promise<Answered<PhotoKept & { readonly waits: boolean }>> {
  if (file.size > mostPictureBytes) return { ok: false, error: tooLarge };
  const key = makeSortedKey();
  const madeAt = new Date().toISOString();
  // What waits goes first, as with entries.
  const answer = hasQueue() ? null : await sendPhoto(input, file, { onProgress, sending: { key, madeAt } });
  if (answer) return answer.ok ? { ok: true, data: { ...answer.data, waits: false } } : answer;
  try {
    await keepPicture({ key, file });
  } catch {
    return { ok: false, error: noRoom };
  }
  const { pass, personId, name } = currentMaker() ?? { personId: '', name: '', pass: '' };
  const label = `Picture: ${input.caption || input.about}`;
  addWaiting({ key, verb: 'add-photo', input, label, place: key, madeAt, pass, maker: { personId, name } });
  return { ok: true, data: { photoId: asId<PhotoId>(key), waits: true } };
}
