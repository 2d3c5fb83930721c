'use client';

import type { InputOf, ResultOf } from '@/contract';
import { dropPicture, readPicture } from '../held/held-store';
import { trySendPicture } from '../job/send-picture';
import type { ActError, Answered, Sending } from './act';

export type PhotoKept = Pick<ResultOf<'add-photo'>, 'photoId'>;

const gone: ActError = {
  code: 'not-found',
  what: 'The picture is no longer on this device.',
  kept: 'Its caption and what it is about.',
  todo: 'Take it again.',
  issues: [],
};
interface How {
  readonly sending: Sending;
  readonly onProgress?: (share: number) => void;
}

/** Sends a picture of a job with what it is about; null where nobody answers. */
export const sendPhoto = ({ tag, about, caption }: InputOf<'add-photo'>, file: Blob, how: How) =>
  trySendPicture<PhotoKept>({ door: `/api/photos/${tag}`, about: { about, caption: caption ?? '' }, file, ...how });

/** Sends a picture that waits under its key, and takes it off the device once the shop has it; null as `sendPhoto`. */
export async function sendWaitingPhoto(
  input: InputOf<'add-photo'>,
  sending: Sending & { readonly key: string },
): Promise<Answered<PhotoKept> | null> {
  const picture = await readPicture(sending.key).catch(() => null);
  if (!picture) return { ok: false, error: gone };
  const answer = await sendPhoto(input, picture.file, { sending });
  if (answer?.ok) await dropPicture(sending.key);
  return answer;
}
