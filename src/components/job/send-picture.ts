'use client';

import { v4 as makeKey } from 'uuid';
import { headersOf, type ActError, type Answered } from '../act/act';

/** The largest picture that is taken in, in bytes; as the door has it. */
export const mostPictureBytes = 20 * 1024 * 1024;

interface Asked {
  /** To which door it goes, and what stands in its address. */
  readonly door: `/api/photos/${string}` | '/api/mark';
  readonly about: Readonly<Record<string, string>>;
  readonly file: Blob;
  /** Told how much has gone, from 0 to 1. */
  readonly onProgress: (share: number) => void;
}

const refused = (what: string, todo: string): ActError => ({
  code: 'too-large',
  what,
  kept: 'Nothing of it was stored.',
  todo,
  issues: [],
});
const tooLarge = refused(`The picture is larger than ${mostPictureBytes / 1048576} MB.`, 'Send a smaller one.');
const lost = refused('The connection is lost.', 'Choose the picture again when it is back.');

function answerOf<Kept>(text: string, status: number): Answered<Kept> {
  try {
    const body = JSON.parse(text) as { data?: Kept; error?: ActError };
    if (body.data) return { ok: true, data: body.data };
    if (body.error) return { ok: false, error: body.error };
  } catch {
    // An answer that is no JSON comes from something between here and there.
  }
  return { ok: false, error: status === 413 ? tooLarge : lost };
}

/** Sends a picture as bytes, telling how far it has gone; a fetch cannot tell that. Gives what the door answers. */
export function sendPicture<Kept>({ door, about, file, onProgress }: Asked): Promise<Answered<Kept>> {
  if (file.size > mostPictureBytes) return Promise.resolve({ ok: false, error: tooLarge });
  return new Promise((resolve) => {
    const request = new XMLHttpRequest();
    request.open('POST', `${door}?${new URLSearchParams(about).toString()}`);
    for (const [name, value] of Object.entries(headersOf({ key: makeKey(), madeAt: new Date().toISOString() })))
      request.setRequestHeader(name, value);
    request.upload.onprogress = (event) => event.lengthComputable && onProgress(event.loaded / event.total);
    request.onload = () => resolve(answerOf(request.responseText, request.status));
    request.onerror = () => resolve({ ok: false, error: lost });
    request.send(file);
  });
}
